import type { MeasureStory } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import { Panel } from '../../platform/parts.tsx';
import { Tape } from '../../platform/tape.tsx';
import { cellText, clubText, placeText, wayText } from './cellText.ts';
import { BELIEF_WORDS, HOLDS_WORDS } from './words.belief.ts';

type Cell = MeasureStory['transfer']['cells'][number];

/** Speed and drill down, club and place across: each a short tape; an empty one says what to film. */
export function WhereItHolds({ story }: { readonly story: MeasureStory }) {
  const { cells, next } = story.transfer;
  const rows = unique(cells.map(wayText));
  const columns = unique(cells.map(across));
  const at = (row: string, column: string) =>
    cells.find((cell) => wayText(cell) === row && across(cell) === column);
  return (
    <Panel title={HOLDS_WORDS.title}>
      <p className="mb-2 text-lg">{next ? HOLDS_WORDS.next(cellText(next)) : HOLDS_WORDS.nothing}</p>
      <div className="overflow-x-auto">
        <table className="border-separate border-spacing-1">
          <caption className="sr-only">{HOLDS_WORDS.caption}</caption>
          <thead>
            <tr>
              <th scope="col" className="w-40 text-left text-sm font-semibold">
                {HOLDS_WORDS.corner}
              </th>
              {columns.map((column) => (
                <th key={column} scope="col" className="min-w-36 text-left text-sm font-semibold">
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row}>
                <th scope="row" className="text-left align-top text-sm font-normal">
                  {row}
                </th>
                {columns.map((column) => (
                  <td key={column} className="w-56 min-w-44 align-top">
                    <Holds cell={at(row, column)} story={story} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 text-sm text-base-content/80">{HOLDS_WORDS.how}</p>
    </Panel>
  );
}

const unique = (words: readonly string[]): string[] => [...new Set(words)];
const across = (cell: Cell): string => `${clubText(cell)}, ${placeText(cell).toLowerCase()}`;

function Holds({
  cell,
  story: { band, measure, transfer },
}: {
  readonly cell: Cell | undefined;
  readonly story: MeasureStory;
}) {
  if (!cell) return null;
  const { next } = transfer;
  const isNext =
    next !== null &&
    (['speed', 'aid', 'club', 'place'] as const).every((factor) => next[factor] === cell[factor]);
  const filmed = cell.swings > 0;
  return (
    <div
      className={`rounded p-1 ${isNext ? 'outline-2 outline-primary' : ''} ${filmed ? '' : 'border border-dashed border-base-content/50'}`}
    >
      <Tape
        name={measureName(measure)}
        band={band}
        compact
        value={cell.mean * band.step}
        half95={Z95 * cell.sd * band.step}
      />
      <p className="text-sm">{HOLDS_WORDS.cell(BELIEF_WORDS.inHundred(cell.inBand), cell.swings)}</p>
    </div>
  );
}
