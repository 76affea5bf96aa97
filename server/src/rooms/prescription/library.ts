import { type OwnDrillDocument, toDrill } from '@inchstep/contract/formats';
import type { LibraryEntry } from '@inchstep/contract/prescription';
import { type LibraryWords, wordsWith } from '@inchstep/contract/words';
import { checkDrill, HOUSE_LIBRARY, type Library, libraryWith } from '@inchstep/core/prescription';
import { type Context, stamp } from '../../platform/context.ts';
import type { Db } from '../../platform/db.ts';
import { Refusal } from '../../platform/errors.ts';
import { ownDrillRows, putOwnDrill } from './repo.ts';

const ownDrills = (ctx: Context): OwnDrillDocument[] => ownDrillRows(ctx.db).map((row) => row.document);

export const readLibrary = (db: Db): Library => asLibrary(ownDrillRows(db).map((row) => row.document));

const asLibrary = (own: readonly OwnDrillDocument[]): Library =>
  libraryWith(own.map((entry) => ({ ...entry, drill: toDrill(entry.drill) })));

/** Built-in drills with the coach's own, for the match, the plan and the card. */
export const libraryOf = (ctx: Context): Library => ctx.records.library();
/** The drill that one of the coach's own was copied from. */
export const originOf = (ctx: Context, drill: string): string | null =>
  ownDrills(ctx).find((own) => own.drill.id === drill)?.basedOn ?? null;
/** Their names and texts; as long as the library is the same, so are these. */
export function libraryWords(ctx: Context): LibraryWords {
  const library = ctx.records.library();
  const known = WORDS.get(library) ?? wordsWith(ownDrills(ctx));
  WORDS.set(library, known);
  return known;
}
const WORDS = new WeakMap<Library, LibraryWords>();

export const listLibrary = (ctx: Context): LibraryEntry[] =>
  ownDrillRows(ctx.db).map(({ document, at }) => ({
    ...document,
    at,
    usedBy: usersOf(ctx, document.drill.id),
  }));

/** Students in whose plan a drill is now. */
function usersOf(ctx: Context, drill: string): LibraryEntry['usedBy'] {
  return [...ctx.records.summaries().all]
    .filter(({ drills }) => drills.includes(drill))
    .map(({ studentId, firstName, familyName }) => ({ studentId, name: `${firstName} ${familyName}` }));
}

/** Keeps a drill, new or changed, once nothing speaks against it. */
export function keepDrill(ctx: Context, id: string, entry: Omit<OwnDrillDocument, 'retired'>): LibraryEntry {
  if (HOUSE_LIBRARY.byId(id)) throw new Refusal('built_in_drill', { id });
  if (entry.drill.id !== id)
    throw new Refusal('bad_input', { message: 'differs from the address' }, 'drill.id');
  const own = ownDrills(ctx);
  const retired = own.find((known) => known.drill.id === id)?.retired ?? false;
  refuseUnfit(own, [{ ...entry, retired }]);
  putOwnDrill(ctx.db, { ...entry, retired }, stamp(ctx));
  ctx.records.everybodyChanged();
  return entryOf(ctx, id);
}

/** Puts a drill aside or takes it up again. Plans that use it keep it. */
export function retireDrill(ctx: Context, id: string, retired: boolean): LibraryEntry {
  const known = ownDrills(ctx).find((entry) => entry.drill.id === id);
  if (!known) throw new Refusal(HOUSE_LIBRARY.byId(id) ? 'built_in_drill' : 'unknown_drill', { id });
  putOwnDrill(ctx.db, { ...known, retired }, stamp(ctx));
  ctx.records.everybodyChanged();
  return entryOf(ctx, id);
}

/** Takes in a file of drills: all of it, or nothing. */
export function importDrills(
  ctx: Context,
  drills: readonly OwnDrillDocument[],
): { added: number; changed: number } {
  const own = ownDrills(ctx);
  refuseUnfit(own, drills, 'drills');
  ctx.db.transaction(() => {
    for (const entry of drills) putOwnDrill(ctx.db, entry, stamp(ctx));
  });
  ctx.records.everybodyChanged();
  const changed = drills.filter((d) => own.some((known) => known.drill.id === d.drill.id)).length;
  return { added: drills.length - changed, changed };
}

export const exportDrills = (ctx: Context) => ({
  format: 'inchstep.drills/1' as const,
  drills: ownDrills(ctx),
});

function entryOf(ctx: Context, id: string): LibraryEntry {
  const entry = listLibrary(ctx).find((known) => known.drill.id === id);
  if (!entry) throw new Refusal('unknown_drill', { id });
  return entry;
}

/** New drills may lean on each other, so each is tried in the library as it would be. */
function refuseUnfit(
  own: readonly OwnDrillDocument[],
  incoming: readonly OwnDrillDocument[],
  list = '',
): void {
  const after = asLibrary([
    ...own.filter((o) => !incoming.some((n) => n.drill.id === o.drill.id)),
    ...incoming,
  ]);
  const problems = incoming.flatMap((entry, i) => {
    const at = list === '' ? '' : `${list}[${i}].`;
    const twice = incoming.findIndex((other) => other.drill.id === entry.drill.id) < i;
    const orphan = entry.basedOn !== null && !after.byId(entry.basedOn);
    return [
      ...(twice ? [{ code: 'named_twice', path: `${at}drill.id`, detail: { id: entry.drill.id } }] : []),
      ...(orphan
        ? [{ code: 'unknown_drill', path: `${at}basedOn`, detail: { id: entry.basedOn ?? '' } }]
        : []),
      ...checkDrill(toDrill(entry.drill), after).map((p) => ({ ...p, path: `${at}drill.${p.path}` })),
    ];
  });
  if (problems.length > 0) throw Refusal.of(problems);
}
