import { STAGE_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { dailyCap, STAGE_ROWS } from '@inchstep/core/practice';
import type { Drill } from '@inchstep/core/prescription';

/** How much of it and how fast, rung by rung, for a grown-up without limits; the plan fits it to the student. */
export function DosePanel({ drill }: { readonly drill: Drill }) {
  const cap = dailyCap(drill, referenceCase().student);
  return (
    <div className="mt-4">
      <h3 className="font-semibold">How much and how fast</h3>
      <table className="table">
        <thead>
          <tr>
            <th scope="col">Rung</th>
            <th scope="col">Speed</th>
            <th scope="col">Repetitions</th>
            <th scope="col">Days at least</th>
            <th scope="col">Ball</th>
          </tr>
        </thead>
        <tbody>
          {STAGE_ROWS.map((row) => (
            <tr key={row.id}>
              <th scope="row">{STAGE_WORDS[row.id]?.name}</th>
              <td>{row.speedPct === 0 ? 'pose only' : `${row.speedPct} %`}</td>
              <td>about {row.reps}</td>
              <td>{row.days}</td>
              <td>{row.ball ? 'yes' : 'no'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-base-content/80">At most {cap} a day, fewer for a child or with a limit.</p>
    </div>
  );
}
