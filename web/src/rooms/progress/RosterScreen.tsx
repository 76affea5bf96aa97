import type { RosterRow } from '@inchstep/contract/progress';
import { Ruler, UserPlus } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Empty, Shown } from '../../platform/parts.tsx';
import { useArchive } from '../intake/index.ts';
import { useRoster } from './queries.ts';
import { RosterList } from './RosterList.tsx';
import { WriteToSeveral } from './WriteToSeveral.tsx';
import { ROSTER_SCREEN_WORDS } from './words.ts';

/** Everybody, with what matters at a glance; archive is undone with one press. */
export function RosterScreen() {
  const roster = useRoster();
  const [search, setSearch] = useState('');
  const [showArchived, setShowArchived] = useState(false);
  const wanted = useDeferredValue(search.toLowerCase());
  return (
    <div className="mx-auto max-w-5xl p-4">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-3xl">{ROSTER_SCREEN_WORDS.roster}</h1>
        <input
          aria-label={ROSTER_SCREEN_WORDS.findAStudent}
          placeholder={ROSTER_SCREEN_WORDS.findAStudent}
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
          {ROSTER_SCREEN_WORDS.archived}
        </label>
        <Link to="/everybody" className="btn">
          <Ruler aria-hidden size={20} /> {ROSTER_SCREEN_WORDS.everybody}
        </Link>
        <NewStudent text={ROSTER_SCREEN_WORDS.newStudent} />
      </div>
      <Shown query={roster} what={ROSTER_SCREEN_WORDS.theRoster}>
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
          toast(archived ? ROSTER_SCREEN_WORDS.isBack(name) : ROSTER_SCREEN_WORDS.isArchived(name), {
            action: { label: ROSTER_SCREEN_WORDS.undo, onClick: () => archive.mutate({ id, archived }) },
          }),
      },
    );
  if (everybody.length === 0)
    return (
      <Empty
        title={ROSTER_SCREEN_WORDS.nobodyOnTheRoster}
        action={<NewStudent text={ROSTER_SCREEN_WORDS.addTheFirstStudent} />}
      >
        {ROSTER_SCREEN_WORDS.studentAClip}
      </Empty>
    );
  if (rows.length === 0)
    return <Empty title={ROSTER_SCREEN_WORDS.nobodyFound}>{ROSTER_SCREEN_WORDS.tryFewerLetters}</Empty>;
  return (
    <>
      {rows[0]?.archived === false && <WriteToSeveral rows={rows} />}
      <RosterList rows={rows} onArchive={put} />
    </>
  );
}
