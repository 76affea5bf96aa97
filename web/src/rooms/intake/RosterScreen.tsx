import { Archive, UserPlus } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Empty, Shown } from '../../platform/parts.tsx';
import { useArchive, useStudents } from './queries.ts';
import { HAND_WORDS } from './words.ts';

/** Everybody, with what matters at a glance; archive is undone with one press. `line` adds where each stands. */
export function RosterScreen({ line }: { readonly line: (studentId: string) => ReactNode }) {
  const students = useStudents();
  const archive = useArchive();
  const [search, setSearch] = useState('');
  const [showArchived, setShowArchived] = useState(false);
  const put = (id: string, name: string, archived: boolean) =>
    archive.mutate(
      { id, archived },
      {
        onSuccess: () =>
          toast(archived ? `${name} is archived.` : `${name} is back.`, {
            action: { label: 'Undo', onClick: () => archive.mutate({ id, archived: !archived }) },
          }),
      },
    );
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
        <Link to="/students/new" className="btn btn-primary">
          <UserPlus aria-hidden size={20} /> New student
        </Link>
      </div>
      <Shown query={students} what="the roster">
        {(all) => {
          const shown = all.filter(
            (s) =>
              (s.archivedAt !== null) === showArchived &&
              `${s.profile.firstName} ${s.profile.familyName}`.toLowerCase().includes(search.toLowerCase()),
          );
          if (all.length === 0)
            return (
              <Empty
                title="Nobody on the roster yet"
                action={
                  <Link to="/students/new" className="btn btn-primary">
                    Add the first student
                  </Link>
                }
              >
                A student, a clip and five stops are enough for a first plan.
              </Empty>
            );
          if (shown.length === 0)
            return <Empty title="Nobody found">Try fewer letters, or look among the archived.</Empty>;
          return (
            <ul className="panel divide-y-[1.5px] divide-base-300">
              {shown.map((s) => {
                const name = `${s.profile.firstName} ${s.profile.familyName}`;
                return (
                  <li key={s.id} className="flex items-center gap-3 px-4 py-1">
                    <Link
                      to={`/students/${s.id}`}
                      className="flex min-h-14 flex-1 flex-wrap items-center gap-x-4 hover:underline"
                    >
                      <span className="w-52 text-lg font-semibold">{name}</span>
                      <span className="w-40 text-base-content/80">
                        {HAND_WORDS[s.profile.handedness]}, {s.ageYears}
                        {s.limits.length > 0 && (
                          <span className="block text-sm font-semibold text-base-content">
                            Care: {[...new Set(s.limits.map((l) => l.limit))].join(', ')}
                          </span>
                        )}
                      </span>
                      <span className="min-w-64 flex-1">{line(s.id)}</span>
                    </Link>
                    <button
                      type="button"
                      className="btn btn-ghost"
                      onClick={() => put(s.id, name, s.archivedAt === null)}
                    >
                      <Archive aria-hidden size={18} /> {s.archivedAt === null ? 'Archive' : 'Bring back'}
                      <span className="sr-only"> {name}</span>
                    </button>
                  </li>
                );
              })}
            </ul>
          );
        }}
      </Shown>
    </div>
  );
}
