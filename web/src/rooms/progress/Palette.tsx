import type { Student } from '@inchstep/contract/intake';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useSettings } from '../../platform/settings.tsx';
import { useStudents } from '../intake/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { ROOMS } from './StudentFrame.tsx';

/** Type a few letters to go anywhere or change a setting; opens with Ctrl or Cmd and K. */
export function Palette() {
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const [wished, setWished] = useState('');
  const students = useStudents();
  const navigate = useNavigate();
  const { drills, nameOf } = useLibrary();
  const { theme, lengths, change } = useSettings();
  useHotkeys(
    'mod+k',
    () => {
      setSearch('');
      setOpen((now) => !now);
    },
    { preventDefault: true, enableOnFormTags: true },
  );
  const go = (path: string) => () => void navigate(path);
  const entries: readonly [text: string, act: () => void][] = [
    ['Today', go('/')],
    ['Roster', go('/students')],
    ['New student', go('/students/new')],
    ['Schools and bands', go('/schools')],
    ['Library', go('/library')],
    ['Data and devices', go('/data')],
    ...drills.map((d): [string, () => void] => [`Drill: ${nameOf(d.id)}`, go(`/library/${d.id}`)]),
    ...(students.data ?? []).filter((s) => s.archivedAt === null).flatMap((s) => roomsOf(s, go)),
    [
      `Show lengths in ${lengths === 'in' ? 'centimetres' : 'inches'}`,
      () => change({ lengths: lengths === 'in' ? 'cm' : 'in' }),
    ],
    [
      theme === 'glare' ? 'Dark theme for the studio' : 'Light theme for glare',
      () => change({ theme: theme === 'glare' ? 'studio' : 'glare' }),
    ],
  ];
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = entries.filter(([text]) => words.every((word) => text.toLowerCase().includes(word)));
  // The first match is always ready for Enter, also when the students arrive after the letters.
  const chosen = found.some(([text]) => text === wished) ? wished : (found[0]?.[0] ?? '');
  return (
    <Command.Dialog
      open={open}
      onOpenChange={setOpen}
      shouldFilter={false}
      value={chosen}
      onValueChange={setWished}
      label="Go to or change"
      overlayClassName="fixed inset-0 z-40 bg-black/50"
      contentClassName="panel fixed top-[12vh] left-1/2 z-50 w-[min(36rem,92vw)] -translate-x-1/2 p-3"
    >
      <Command.Input
        value={search}
        onValueChange={setSearch}
        placeholder="Where to, or what to change"
        aria-label="Where to, or what to change"
        className="input w-full"
      />
      <Command.List className="mt-2 max-h-[50vh] overflow-y-auto">
        <Command.Empty className="p-3">Nothing by that name.</Command.Empty>
        {found.map(([text, act]) => (
          <Command.Item
            key={text}
            value={text}
            className={ITEM}
            onSelect={() => {
              setOpen(false);
              act();
            }}
          >
            {text}
          </Command.Item>
        ))}
      </Command.List>
    </Command.Dialog>
  );
}

function roomsOf(
  { id, profile }: Student,
  go: (path: string) => () => void,
): [text: string, act: () => void][] {
  const name = `${profile.firstName} ${profile.familyName}`;
  return ROOMS.map(([path, room]) => [
    path === '' ? name : `${name}: ${room.toLowerCase()}`,
    go(`/students/${id}${path === '' ? '' : `/${path}`}`),
  ]);
}

const ITEM =
  'flex min-h-11 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content';
