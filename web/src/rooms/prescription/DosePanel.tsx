import { STAGE_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { dailyCap, STAGE_ROWS } from '@inchstep/core/practice';
import type { Drill } from '@inchstep/core/prescription';
import { HeadRow } from '../../platform/parts.tsx';
import { DOSE_WORDS } from './words.ts';

/** How much of it and how fast, rung by rung, for a grown-up without limits; the plan fits it to the student. */
export function DosePanel({ drill }: { readonly drill: Drill }) {
  const cap = dailyCap(drill, referenceCase().student);
  return (
    <div className="mt-4">
      <h3 className="font-semibold">{DOSE_WORDS.title}</h3>
      <div className="overflow-x-auto">
        <table className="table">
          <HeadRow columns={DOSE_WORDS.columns} />
          <tbody>
            {STAGE_ROWS.map((row) => (
              <tr key={row.id}>
                <th scope="row">{STAGE_WORDS[row.id]?.name}</th>
                <td>{row.speedPct === 0 ? DOSE_WORDS.poseOnly : DOSE_WORDS.speed(row.speedPct)}</td>
                <td>{DOSE_WORDS.about(row.reps)}</td>
                <td>{row.days}</td>
                <td>{row.ball ? DOSE_WORDS.ball : DOSE_WORDS.noBall}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-sm text-base-content/80">{DOSE_WORDS.cap(cap)}</p>
    </div>
  );
}
