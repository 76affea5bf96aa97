import type { ColumnMatchForm } from '@inchstep/contract/capture';
import { SHOT_WORDS } from '@inchstep/contract/words';
import {
  type GuessedMatch,
  guessColumns,
  SHOT_FIELDS,
  type ShotField,
  type ShotFieldId,
  type ShotUnit,
} from '@inchstep/core/capture';
import { useState } from 'react';
import { toast } from 'sonner';
import { useSteadyId } from '../../platform/ids.ts';
import { Failed } from '../../platform/parts.tsx';
import { useAddShots, useChangeShots, useRememberedMatches } from './deviceQueries.ts';
import { SHOTS_IMPORT_WORDS } from './words.ts';

export interface ChosenTable {
  readonly fileName: string;
  readonly text: string;
  readonly rows: readonly (readonly string[])[];
}

type Matches = Partial<Record<ShotFieldId, Omit<GuessedMatch, 'field'>>>;
const PREVIEW_ROWS = 3;

/** How the columns of this file were matched last, else a guess from their headings and sizes. */
function startingMatches(
  rows: ChosenTable['rows'],
  remembered: readonly { headings: string[]; matches: ColumnMatchForm[] }[],
): { matches: Matches; remembered: boolean } {
  const headings = JSON.stringify(rows[0] ?? []);
  const known = remembered.find((r) => JSON.stringify(r.headings) === headings);
  const list = known ? known.matches.map((m) => ({ ...m, unitTold: true })) : guessColumns(rows);
  const matches = Object.fromEntries(list.map(({ field, ...match }) => [field, match]));
  return { matches, remembered: known !== undefined };
}

/** Which column is what: guessed or remembered, shown with its first values, corrected by the coach. */
export function ShotsImport(props: {
  readonly studentId: string;
  readonly today: string;
  readonly table: ChosenTable;
  readonly onDone: () => void;
}) {
  const remembered = useRememberedMatches();
  if (!remembered.data) return <p role="status">{SHOTS_IMPORT_WORDS.lookingForEarlierFiles}</p>;
  return <Columns {...props} start={startingMatches(props.table.rows, remembered.data)} />;
}

function Columns({
  studentId,
  today,
  table,
  onDone,
  start,
}: Parameters<typeof ShotsImport>[0] & { readonly start: ReturnType<typeof startingMatches> }) {
  const [matches, setMatches] = useState<Matches>(start.matches);
  const [day, setDay] = useState(today);
  const add = useAddShots(studentId);
  const change = useChangeShots(studentId);
  const steady = useSteadyId();
  const count = table.rows.length - 1;
  const bring = () => {
    const id = steady.current();
    const list = Object.entries(matches).flatMap(([field, match]): ColumnMatchForm[] =>
      match
        ? [
            {
              field: field as ShotFieldId,
              column: match.column,
              unit: match.unit,
              flipped: match.flipped,
            },
          ]
        : [],
    );
    add.mutate(
      { id, recordedOn: day, swingId: null, fileName: table.fileName, csv: table.text, matches: list },
      {
        onSuccess: (set) => {
          onDone();
          toast(SHOTS_IMPORT_WORDS.shotsBrought(set.shots.length), {
            action: {
              label: SHOTS_IMPORT_WORDS.undo,
              onClick: () => change.mutate({ id, change: 'discard' }),
            },
          });
        },
      },
    );
  };
  return (
    <section className="panel flex flex-col gap-3 p-3" aria-label={SHOTS_IMPORT_WORDS.columnsOfTheShots}>
      <p>
        <span className="font-semibold">{table.fileName}</span>
        {SHOTS_IMPORT_WORDS.rows(count)}{' '}
        {start.remembered ? SHOTS_IMPORT_WORDS.matchedAsLastTime : SHOTS_IMPORT_WORDS.matchedByTheHeadings}
      </p>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b-[1.5px] border-base-300">
            <th className="py-1 pr-2">{SHOTS_IMPORT_WORDS.what}</th>
            <th className="pr-2">{SHOTS_IMPORT_WORDS.column}</th>
            <th className="pr-2">{SHOTS_IMPORT_WORDS.unit}</th>
            <th className="pr-2">{SHOTS_IMPORT_WORDS.plusSide}</th>
            <th>{SHOTS_IMPORT_WORDS.firstValues}</th>
          </tr>
        </thead>
        <tbody>
          {SHOT_FIELDS.map((field) => (
            <FieldRow
              key={field.id}
              field={field}
              match={matches[field.id]}
              rows={table.rows}
              onChange={(match) => setMatches((now) => ({ ...now, [field.id]: match }))}
            />
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1">
          <span className="font-semibold">{SHOTS_IMPORT_WORDS.hit}</span>
          <input
            type="date"
            className="input"
            max={today}
            value={day}
            onChange={(e) => setDay(e.target.value)}
          />
        </label>
        <button type="button" className="btn btn-primary" disabled={add.isPending} onClick={bring}>
          {SHOTS_IMPORT_WORDS.bringInShots(count)}
        </button>
        <button type="button" className="btn btn-ghost" onClick={onDone}>
          {SHOTS_IMPORT_WORDS.leave}
        </button>
      </div>
      {add.error && <Failed error={add.error} />}
    </section>
  );
}

function FieldRow({
  field,
  match,
  rows,
  onChange,
}: {
  readonly field: ShotField;
  readonly match: Matches[ShotFieldId];
  readonly rows: ChosenTable['rows'];
  readonly onChange: (match: Matches[ShotFieldId]) => void;
}) {
  const words = SHOT_WORDS[field.id];
  const headings = rows[0] ?? [];
  const at = match ? headings.indexOf(match.column) : -1;
  const first = rows.slice(1, 1 + PREVIEW_ROWS).map((row) => row[at] ?? '');
  return (
    <tr className="border-b border-base-300">
      <th scope="row" className="py-1 pr-2 font-normal">
        {words.name}
      </th>
      <td className="pr-2">
        <select
          className="select w-40"
          aria-label={SHOTS_IMPORT_WORDS.columnFor(words.name)}
          value={match?.column ?? ''}
          onChange={(e) =>
            onChange(
              e.target.value === ''
                ? undefined
                : {
                    ...(guessed(rows, field, e.target.value) ?? {
                      unit: field.unit,
                      unitTold: false,
                      flipped: false,
                    }),
                    column: e.target.value,
                  },
            )
          }
        >
          <option value="">{SHOTS_IMPORT_WORDS.notInThisFile}</option>
          {headings.map((heading) => (
            <option key={heading} value={heading}>
              {heading}
            </option>
          ))}
        </select>
      </td>
      <td className="pr-2">
        {match && (
          <select
            className={`select w-24 ${match.unitTold ? '' : 'border-2 border-dashed'}`}
            aria-label={SHOTS_IMPORT_WORDS.unitOf(words.name)}
            value={match.unit}
            onChange={(e) => onChange({ ...match, unit: e.target.value as ShotUnit, unitTold: true })}
          >
            {field.units.map((unit) => (
              <option key={unit}>{unit}</option>
            ))}
          </select>
        )}
      </td>
      <td className="pr-2">
        {match && (field.sided || words.plus) && (
          <select
            className="select w-44"
            aria-label={SHOTS_IMPORT_WORDS.plusSideOf(words.name)}
            value={match.flipped ? 'minus' : 'plus'}
            onChange={(e) => onChange({ ...match, flipped: e.target.value === 'minus' })}
          >
            <option value="plus">{words.plus ?? 'right'}</option>
            <option value="minus">{words.minus ?? 'left'}</option>
          </select>
        )}
      </td>
      <td className="whitespace-nowrap">{first.join('  ·  ')}</td>
    </tr>
  );
}

/** The unit of a column chosen by hand is guessed as well, from that column alone. */
function guessed(rows: ChosenTable['rows'], field: ShotField, column: string) {
  const at = (rows[0] ?? []).indexOf(column);
  const alone = rows.map((row, i) => [i === 0 ? `${field.called[0]} ${column}` : (row[at] ?? '')]);
  return guessColumns(alone).find((g) => g.field === field.id);
}
