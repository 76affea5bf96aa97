import { Link } from 'react-router';
import { Empty } from './parts.tsx';

export function NotHere() {
  return (
    <div className="mx-auto max-w-2xl p-8">
      <Empty
        title="Nothing at this address"
        action={
          <Link to="/" className="btn btn-primary">
            To today
          </Link>
        }
      >
        It may have been moved or archived, or this screen broke. Nothing you saved is lost.
      </Empty>
    </div>
  );
}
