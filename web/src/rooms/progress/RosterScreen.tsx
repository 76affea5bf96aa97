import type { RosterRow } from '@inchstep/contract/progress';
import { UserPlus } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Empty, Shown } from '../../platform/parts.tsx';
import { useArchive } from '../intake/index.ts';
import { useRoster } from './queries.ts';
import { RosterList } from './RosterList.tsx';

/** Everybody, with what matters at a glance; archive is undone with one press. */
export function RosterScreen() {
  const roster = useRoster();
  const [search, setSearch] = useState('');
  const [showArchived, setShowArchived] = useState(false);
  const wanted = useDeferredValue(search.toLowerCase());
  return (
    <div className="mx-auto max-w-5xl p-4">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-3xl">Roster</h1>
        <input
          aria-label="Find a student"
          placeholder="Find a student"
          className="input w-56"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={showArchived}
            onChange={(e) => setShowArchived(e.target.checked)}
          />{' '}
          Archived
        </label>
        <NewStudent text="New student" />
      </div>
      <Shown query={roster} what="the roster">
        {({ rows }) => (
          <Found
            everybody={rows}
            rows={rows.filter(
              ({ archived, name }) => archived === showArchived && name.toLowerCase().includes(wanted),
            )}
          />
        )}
      </Shown>
    </div>
  );
}

const NewStudent = ({ text }: { readonly text: string }) => (
  <Link to="/students/new" className="btn btn-primary">
    <UserPlus aria-hidden size={20} /> {text}
  </Link>
);

interface FoundProps {
  readonly everybody: readonly RosterRow[];
  readonly rows: readonly RosterRow[];
}

function Found({ everybody, rows }: FoundProps) {
  const archive = useArchive();
  const put = ({ studentId: id, name, archived }: RosterRow) =>
    archive.mutate(
      { id, archived: !archived },
      {
        onSuccess: () =>
          toast(archived ? `${name} is back.` : `${name} is archived.`, {
            action: { label: 'Undo', onClick: () => archive.mutate({ id, archived }) },
          }),
      },
    );
  if (everybody.length === 0)
    return (
      <Empty title="Nobody on the roster yet" action={<NewStudent text="Add the first student" />}>
        A student, a clip and five stops are enough for a first plan.
      </Empty>
    );
  if (rows.length === 0)
    return <Empty title="Nobody found">Try fewer letters, or look among the archived.</Empty>;
  return <RosterList rows={rows} onArchive={put} />;
}
