import type { RosterRow } from '@inchstep/contract/progress';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useSettings } from '../../platform/settings.tsx';
import { useLibrary } from '../prescription/index.ts';
import { useRoster } from './queries.ts';
import { ROOMS } from './StudentFrame.tsx';
import { PALETTE_WORDS } from './words.ts';

const MOST_SHOWN = 80;
const MOST_PEOPLE = 200;
const ROOM_WORDS = ROOMS.map(([, room]) => room.toLowerCase()).join(' ');

/** Type a few letters to go anywhere or change a setting; opens with Ctrl or Cmd and K. */
export function Palette() {
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const [wished, setWished] = useState('');
  const roster = useRoster();
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
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const matches = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  // A room of a student is found by the student's name and the room's: whose name holds none of the words is left out.
  const people = (open ? (roster.data?.rows ?? []) : [])
    .filter(
      ({ archived, name }) =>
        !archived &&
        (words.length === 0 || words.some((w) => name.toLowerCase().includes(w) || ROOM_WORDS.includes(w))),
    )
    .slice(0, MOST_PEOPLE);
  const entries: readonly [text: string, act: () => void][] = [
    [PALETTE_WORDS.today, go('/')],
    [PALETTE_WORDS.roster, go('/students')],
    [PALETTE_WORDS.everybody, go('/everybody')],
    [PALETTE_WORDS.newStudent, go('/students/new')],
    [PALETTE_WORDS.schoolsAndBands, go('/schools')],
    [PALETTE_WORDS.library, go('/library')],
    [PALETTE_WORDS.dataAndDevices, go('/data')],
    ...drills.map((d): [string, () => void] => [PALETTE_WORDS.drill(nameOf(d.id)), go(`/library/${d.id}`)]),
    ...people.flatMap((s) => roomsOf(s, go)),
    [
      PALETTE_WORDS.showLengths(lengths === 'in' ? 'centimetres' : 'inches'),
      () => change({ lengths: lengths === 'in' ? 'cm' : 'in' }),
    ],
    [
      theme === 'glare' ? PALETTE_WORDS.darkTheme : PALETTE_WORDS.lightThemeForGlare,
      () => change({ theme: theme === 'glare' ? 'studio' : 'glare' }),
    ],
  ];
  const found = entries.filter(([text]) => matches(text)).slice(0, MOST_SHOWN);
  // The first match is always ready for Enter, also when the students arrive after the letters.
  const chosen = found.some(([text]) => text === wished) ? wished : (found[0]?.[0] ?? '');
  return (
    <Command.Dialog
      open={open}
      onOpenChange={setOpen}
      shouldFilter={false}
      value={chosen}
      onValueChange={setWished}
      label={PALETTE_WORDS.goToOrChange}
      overlayClassName="fixed inset-0 z-40 bg-black/50"
      contentClassName="panel fixed top-[12vh] left-1/2 z-50 w-[min(36rem,92vw)] -translate-x-1/2 p-3"
    >
      <Command.Input
        value={search}
        onValueChange={setSearch}
        placeholder={PALETTE_WORDS.whereToOrWhat}
        aria-label={PALETTE_WORDS.whereToOrWhat}
        className="input w-full"
      />
      <Command.List className="mt-2 max-h-[50vh] overflow-y-auto">
        <Command.Empty className="p-3">{PALETTE_WORDS.nothingByThatName}</Command.Empty>
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
  { studentId, name }: RosterRow,
  go: (path: string) => () => void,
): [text: string, act: () => void][] {
  return ROOMS.map(([path, room]) => [
    path === '' ? name : `${name}: ${room.toLowerCase()}`,
    go(`/students/${studentId}${path === '' ? '' : `/${path}`}`),
  ]);
}

const ITEM =
  'flex min-h-11 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content';
