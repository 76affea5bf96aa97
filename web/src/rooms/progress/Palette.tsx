import { Command } from 'cmdk';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useSettings } from '../../platform/settings.tsx';
import { useStudents } from '../intake/index.ts';
import { ROOMS } from './StudentFrame.tsx';

/** Type a few letters to go anywhere or change a setting; opens with Ctrl or Cmd and K. */
export function Palette() {
  const [open, setOpen] = useState(false);
  const students = useStudents();
  const navigate = useNavigate();
  const { theme, lengths, change } = useSettings();
  useHotkeys('mod+k', () => setOpen((now) => !now), { preventDefault: true, enableOnFormTags: true });
  const run = (what: () => void) => () => {
    setOpen(false);
    what();
  };
  const go = (path: string) => run(() => void navigate(path));
  const places: readonly [text: string, path: string][] = [
    ['Today', '/'],
    ['Roster', '/students'],
    ['New student', '/students/new'],
    ...(students.data ?? [])
      .filter((s) => s.archivedAt === null)
      .flatMap((s): [string, string][] => {
        const name = `${s.profile.firstName} ${s.profile.familyName}`;
        return ROOMS.map(([path, room]) => [
          path === '' ? name : `${name}: ${room.toLowerCase()}`,
          `/students/${s.id}${path === '' ? '' : `/${path}`}`,
        ]);
      }),
  ];
  return (
    <Command.Dialog
      open={open}
      onOpenChange={setOpen}
      label="Go to or change"
      overlayClassName="fixed inset-0 z-40 bg-black/50"
      contentClassName="panel fixed top-[12vh] left-1/2 z-50 w-[min(36rem,92vw)] -translate-x-1/2 p-3"
    >
      <Command.Input
        placeholder="Where to, or what to change"
        aria-label="Where to, or what to change"
        className="input w-full"
      />
      <Command.List className="mt-2 max-h-[50vh] overflow-y-auto">
        <Command.Empty className="p-3">Nothing by that name.</Command.Empty>
        {places.map(([text, path]) => (
          <Command.Item key={path} value={text} onSelect={go(path)} className={ITEM}>
            {text}
          </Command.Item>
        ))}
        <Command.Item
          onSelect={run(() => change({ lengths: lengths === 'in' ? 'cm' : 'in' }))}
          className={ITEM}
        >
          Show lengths in {lengths === 'in' ? 'centimetres' : 'inches'}
        </Command.Item>
        <Command.Item
          onSelect={run(() => change({ theme: theme === 'glare' ? 'studio' : 'glare' }))}
          className={ITEM}
        >
          {theme === 'glare' ? 'Dark theme for the studio' : 'Light theme for glare'}
        </Command.Item>
      </Command.List>
    </Command.Dialog>
  );
}

const ITEM =
  'flex min-h-11 cursor-pointer items-center rounded px-3 data-[selected=true]:bg-primary data-[selected=true]:text-primary-content';
