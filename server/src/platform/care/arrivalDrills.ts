import type { ArrivalDrill } from '@inchstep/contract/care';
import { type OwnDrillDocument, toDrill } from '@inchstep/contract/formats';
import { OWN_DRILL } from '@inchstep/contract/kept';
import { checkDrill, libraryWith } from '@inchstep/core/prescription';
import type { Database } from 'better-sqlite3';
import { readKept } from '../keptColumn.ts';
import type { Row } from './studentRows.ts';

/** Tables that name drills, and the columns in which they do. */
const NAMING: readonly [table: string, columns: readonly string[]][] = [
  ['drill_choices', ['drills', 'reached', 'layers']],
  ['plans', ['body']],
  ['set_logs', ['drill']],
  ['gate_decisions', ['drill']],
  ['film_requests', ['drill']],
];

/** The coach's own drills, as the database holds them. */
export const ownDrillsIn = (client: Database): OwnDrillDocument[] =>
  (client.prepare('SELECT document FROM own_drills ORDER BY id').pluck().all() as string[]).map((document) =>
    readKept(OWN_DRILL, document),
  );

/** Whether a record names a drill: in a column of its own, or as a word of a document. */
export function namesDrill(rowsOf: (table: string) => readonly Row[]): (id: string) => boolean {
  const words = new Set<string>();
  for (const [table, columns] of NAMING)
    for (const row of rowsOf(table))
      for (const column of columns)
        for (const [id] of String(row[column] ?? '').matchAll(/\bown_\w+/g)) words.add(id);
  return (id) => words.has(id);
}

/** How a record's own drills stand to this library: nothing that is here is ever replaced. */
export function compareDrills(
  brought: readonly OwnDrillDocument[],
  here: readonly OwnDrillDocument[],
): ArrivalDrill[] {
  return brought.map(({ drill: { id }, ...entry }) => {
    const known = here.find((own) => own.drill.id === id);
    const name = entry.words.name;
    if (!known) return { id, name, state: 'new' as const, differs: [] };
    const differs = differences(
      { drill: known.drill, words: known.words },
      { drill: { id, ...brought.find((own) => own.drill.id === id)?.drill }, words: entry.words },
    );
    return { id, name, state: differs.length === 0 ? ('same' as const) : ('other' as const), differs };
  });
}

const MOST_DIFFERENCES = 12;
const MOST_LETTERS = 160;

/** Where two documents differ, and what stands there in each. */
function differences(ours: unknown, theirs: unknown, path = ''): ArrivalDrill['differs'] {
  if (JSON.stringify(ours) === JSON.stringify(theirs)) return [];
  const isInner = (value: unknown): value is object => typeof value === 'object' && value !== null;
  if (!isInner(ours) || !isInner(theirs)) return [{ path, ours: short(ours), theirs: short(theirs) }];
  const keys = [...new Set([...Object.keys(ours), ...Object.keys(theirs)])];
  return keys
    .flatMap((key) =>
      differences(
        (ours as Record<string, unknown>)[key],
        (theirs as Record<string, unknown>)[key],
        path === '' ? key : `${path}.${key}`,
      ),
    )
    .slice(0, MOST_DIFFERENCES);
}

const short = (value: unknown): string => (JSON.stringify(value) ?? '').slice(0, MOST_LETTERS);

/**
 * The drills that come in: those the record names and nobody has here. They are put aside, so that no other student is
 * offered one before the coach takes it up, and stand in for none.
 */
export function drillsToAdd(
  brought: readonly OwnDrillDocument[],
  here: readonly OwnDrillDocument[],
): OwnDrillDocument[] {
  const known = new Set([...here, ...brought].map(({ drill }) => drill.id));
  return brought
    .filter(({ drill }) => !here.some((own) => own.drill.id === drill.id))
    .map((entry) => ({
      ...entry,
      basedOn: entry.basedOn !== null && isKnown(entry.basedOn, known) ? entry.basedOn : null,
      replaces: false,
      retired: true,
    }));
}

const isKnown = (id: string, own: ReadonlySet<string>): boolean =>
  own.has(id) || libraryWith([]).byId(id) !== undefined;

/** What speaks against the drills that would come in, as for a drill that a coach writes. */
export function unfitDrills(brought: readonly OwnDrillDocument[], here: readonly OwnDrillDocument[]) {
  const after = libraryWith([...here, ...brought].map((own) => ({ ...own, drill: toDrill(own.drill) })));
  return brought.flatMap(({ drill }) => checkDrill(toDrill(drill), after));
}
