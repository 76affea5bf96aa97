import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { Empty } from './parts.tsx';
import { NOT_HERE_WORDS } from './words.ts';

/** A screen that can't be shown: there is none, it can't be fetched now, or it broke. */
export function NotHere() {
  const error = useRouteError();
  if (error instanceof Error && !isRouteErrorResponse(error)) {
    const again = () => location.reload();
    return NOT_FETCHED.test(error.message) ? <NeedsLine again={again} /> : <Broke again={again} />;
  }
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

/** What browsers say of a part of the program that did not come. */
const NOT_FETCHED = /dynamically imported module|Importing a module script failed|Unable to preload/i;

/** It needs a connection; nothing that was done is lost. */
export const NeedsLine = ({ again }: { readonly again: () => void }) => (
  <Stopped title={NOT_HERE_WORDS.needsLine} again={again}>
    {NOT_HERE_WORDS.keptMeanwhile}
  </Stopped>
);

const Broke = ({ again }: { readonly again: () => void }) => (
  <Stopped title={NOT_HERE_WORDS.broke} again={again}>
    {NOT_HERE_WORDS.brokeText}
  </Stopped>
);

const Stopped = ({
  title,
  again,
  children,
}: {
  readonly title: string;
  readonly again: () => void;
  readonly children: string;
}) => (
  <div role="alert" className="mx-auto max-w-2xl p-8">
    <Empty
      title={title}
      action={
        <>
          <button type="button" className="btn btn-primary" onClick={again}>
            {NOT_HERE_WORDS.tryAgain}
          </button>
          <button type="button" className="btn" onClick={() => history.back()}>
            {NOT_HERE_WORDS.back}
          </button>
        </>
      }
    >
      {children}
    </Empty>
  </div>
);
