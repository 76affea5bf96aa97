import { Link } from 'react-router';
import { DIAGNOSE_WORDS } from './words.ts';

/** Fewer marks than these measure nothing. */
const FEWEST_TO_DIAGNOSE = 6;

interface DiagnoseProps {
  readonly studentId: string;
  readonly swingId: string;
  readonly marks: number;
  readonly saved: { readonly text: string; readonly busy: boolean };
}

/** Whether the work is kept, and the way on once it is. */
export function Diagnose({ studentId, swingId, marks, saved }: DiagnoseProps) {
  return (
    <div className="no-print flex items-center gap-2">
      <p role="status" data-testid="saved" className="text-sm">
        {saved.text}
      </p>
      {marks < FEWEST_TO_DIAGNOSE || saved.busy ? (
        <button type="button" className="btn btn-primary ml-auto" disabled>
          {DIAGNOSE_WORDS.diagnose}
        </button>
      ) : (
        <Link to={`/students/${studentId}/diagnosis?swing=${swingId}`} className="btn btn-primary ml-auto">
          {DIAGNOSE_WORDS.diagnose}
        </Link>
      )}
    </div>
  );
}
