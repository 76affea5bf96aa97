import { Contrast, Keyboard, LogOut, Ruler } from 'lucide-react';
import { type ReactNode, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, Outlet, useNavigate } from 'react-router';
import { Toaster } from 'sonner';
import { Loading } from './parts.tsx';
import { useMe, useSignOut } from './session.ts';
import { useSettings } from './settings.tsx';
import { SignIn } from './signIn.tsx';

const KEYS: readonly [keys: string, what: string][] = [
  ['?', 'show or hide this list'],
  ['Ctrl or Cmd + k', 'go anywhere by a few letters'],
  ['g then t', 'today'],
  ['g then r', 'roster'],
  ['g then n', 'new student'],
  ['g then d', 'data and devices'],
  ['← →', 'bench: step one frame (with Shift: ten)'],
  ['a t d i f', 'bench: name address, top, delivery, impact, finish at this frame'],
  [
    'j b m k c',
    'bench: name the stations between: shaft and arm level back, arm level down, shaft level and hands chest high past the ball',
  ],
  ['v', 'bench: change to the other view'],
  ['h', 'bench: this body inside the school’s bands, over clip, strips and map'],
  ['o', 'compare: one swing over the other'],
  ['[ ]', 'bench: landmark before, landmark after'],
  ['Enter', 'bench: put the landmark down at its guess'],
  ['Alt + arrows', 'bench: nudge the mark by a pixel (with Shift: five)'],
  ['1 2 3', 'bench: seen clearly, partly, guessed'],
  ['Delete', 'bench: take the mark away'],
  ['z, Shift + z', 'bench: undo, redo'],
  ['l', 'bench: reference lines on or off'],
  ['n', 'bench: to the place whose mark would tell most'],
];

/** Frame around every coach screen: the tape edge on top, settings, the list of keys. */
export function Shell({ palette }: { readonly palette: ReactNode }) {
  const me = useMe();
  if (!me.data) return <Loading what="the program" />;
  if (me.data.state !== 'signed_in') return <SignIn me={me.data} />;
  return <Signed coach={me.data.coach ?? ''} palette={palette} />;
}

function Signed({ coach, palette }: { readonly coach: string; readonly palette: ReactNode }) {
  const keys = useRef<HTMLDialogElement>(null);
  const navigate = useNavigate();
  const signOut = useSignOut();
  const { theme, lengths, change } = useSettings();
  const toggleKeys = () => (keys.current?.open ? keys.current.close() : keys.current?.showModal());
  useHotkeys('shift+?, ?', toggleKeys, { preventDefault: true, useKey: true });
  useHotkeys('g>t', () => void navigate('/'));
  useHotkeys('g>r', () => void navigate('/students'));
  useHotkeys('g>n', () => void navigate('/students/new'));
  useHotkeys('g>d', () => void navigate('/data'));
  const link = ({ isActive }: { isActive: boolean }) =>
    `flex min-h-11 items-center px-3 font-semibold ${isActive ? 'bg-[var(--tape-ink)] text-[var(--tape)]' : 'hover:underline'}`;
  return (
    <div className="flex min-h-screen flex-col">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:p-3"
      >
        Skip to the page
      </a>
      <header className="tape-edge no-print flex flex-wrap items-end gap-x-2 px-4 pt-2">
        <NavLink
          to="/"
          className="mr-4 flex min-h-11 items-center font-[family-name:var(--font-display)] text-xl font-bold"
        >
          Inch Step
        </NavLink>
        <nav aria-label="Main" className="flex flex-wrap">
          <NavLink to="/" end className={link}>
            Today
          </NavLink>
          <NavLink to="/students" className={link}>
            Roster
          </NavLink>
          <NavLink to="/library" className={link}>
            Library
          </NavLink>
          <NavLink to="/schools" className={link}>
            Schools
          </NavLink>
          <NavLink to="/data" className={link}>
            Data
          </NavLink>
        </nav>
        <div className="ml-auto flex items-center gap-1">
          <span className="mr-2 text-sm max-md:hidden">{coach}</span>
          <IconButton
            label={`${lengths}: show lengths in ${lengths === 'in' ? 'centimetres' : 'inches'}`}
            onClick={() => change({ lengths: lengths === 'in' ? 'cm' : 'in' })}
          >
            <Ruler size={20} aria-hidden /> <span className="text-sm">{lengths}</span>
          </IconButton>
          <IconButton
            label={theme === 'glare' ? 'Dark theme for the studio' : 'Light theme for glare'}
            onClick={() => change({ theme: theme === 'glare' ? 'studio' : 'glare' })}
          >
            <Contrast size={20} aria-hidden />
          </IconButton>
          <IconButton label="Keys" onClick={toggleKeys}>
            <Keyboard size={20} aria-hidden />
          </IconButton>
          <IconButton label="Sign out" onClick={() => signOut.mutate()}>
            <LogOut size={20} aria-hidden />
          </IconButton>
        </div>
      </header>
      <main id="main" className="flex-1">
        <Outlet />
      </main>
      {/* On the tape edge, where there is nothing to press: at the foot it would cover the bars with the main buttons. */}
      <Toaster
        position="top-center"
        offset={4}
        theme={theme === 'glare' ? 'light' : 'dark'}
        toastOptions={{ duration: 8000 }}
      />
      {palette}
      <dialog ref={keys} className="modal" aria-label="Keys">
        <div className="modal-box max-w-xl">
          <h2 className="mb-3 text-xl">Keys</h2>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <form method="dialog" className="mt-4">
            <button type="submit" className="btn">
              Close
            </button>
          </form>
        </div>
      </dialog>
    </div>
  );
}

function IconButton({
  label,
  onClick,
  children,
}: {
  readonly label: string;
  readonly onClick: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="flex h-11 min-w-11 items-center justify-center gap-1 rounded hover:bg-black/10"
    >
      {children}
    </button>
  );
}
