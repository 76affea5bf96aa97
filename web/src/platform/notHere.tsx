import { Link } from 'react-router';
import { Empty } from './parts.tsx';
import { NOT_HERE_WORDS } from './words.ts';

export function NotHere() {
  return (
    <div className="mx-auto max-w-2xl p-8">
      <Empty
        title={NOT_HERE_WORDS.nothingAtThisAddress}
        action={
          <Link to="/" className="btn btn-primary">
            {NOT_HERE_WORDS.toToday}
          </Link>
        }
      >
        {NOT_HERE_WORDS.itMayHaveBeen}
      </Empty>
    </div>
  );
}
