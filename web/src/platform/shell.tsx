import { Contrast, Keyboard, LogOut, Ruler } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, Outlet, useNavigate } from 'react-router';
import { Toaster } from 'sonner';
import { INSTALL_AFTER_MS, installProgram } from './installProgram.ts';
import { NeedsLine } from './notHere.tsx';
import { Loading } from './parts.tsx';
import { useMe, useSignOut } from './session.ts';
import { useSettings } from './settings.tsx';
import { SignIn } from './signIn.tsx';
import { SHELL_WORDS } from './words.ts';

const KEYS: readonly [keys: string, what: string][] = [
  ['?', SHELL_WORDS.showOrHide],
  [SHELL_WORDS.ctrlOrCmdK, SHELL_WORDS.goAnywhere],
  [SHELL_WORDS.gThenT, 'today'],
  [SHELL_WORDS.gThenR, 'roster'],
  [SHELL_WORDS.gThenN, SHELL_WORDS.newStudent],
  [SHELL_WORDS.gThenD, SHELL_WORDS.dataAndDevices],
  ['← →', SHELL_WORDS.benchStepOneFrame],
  ['a t d i f', SHELL_WORDS.benchNameAddressTop],
  ['j b m k c', SHELL_WORDS.benchNameTheStations],
  ['v', SHELL_WORDS.benchChange],
  ['h', SHELL_WORDS.benchThisBodyInside],
  ['o', SHELL_WORDS.compareOneSwingOver],
  ['[ ]', SHELL_WORDS.benchLandmarkBeforeLandmark],
  [SHELL_WORDS.enter, SHELL_WORDS.benchPutTheLandmark],
  ['Shift + Enter', SHELL_WORDS.benchAllHereRight],
  [SHELL_WORDS.altArrows, SHELL_WORDS.benchNudgeTheMark],
  ['1 2 3', SHELL_WORDS.benchSeenClearlyPartly],
  [SHELL_WORDS.delete, SHELL_WORDS.benchTakeTheMark],
  ['z, Shift + z', SHELL_WORDS.benchUndoRedo],
  ['l', SHELL_WORDS.benchReferenceLines],
  ['n', SHELL_WORDS.benchToThePlace],
  ['r n', SHELL_WORDS.reviewReply],
  ['d w p c t', SHELL_WORDS.reviewAlong],
  ['1 2 3 4 5 6', SHELL_WORDS.lessonParts],
  ['t, r', SHELL_WORDS.lessonTakes],
  ['p f u', SHELL_WORDS.lessonCounts],
  [SHELL_WORDS.pageKeys, SHELL_WORDS.lessonPresenter],
  [SHELL_WORDS.backspace, SHELL_WORDS.lessonTakeBack],
  ['s', SHELL_WORDS.lessonHurts],
];

/** Frame around every coach screen: the tape edge on top, settings, the list of keys. */
export function Shell({ palette }: { readonly palette: ReactNode }) {
  const me = useMe();
  const isIn = me.data?.state === 'signed_in';
  useEffect(() => {
    if (!isIn) return;
    const soon = setTimeout(() => void installProgram(), INSTALL_AFTER_MS);
    return () => clearTimeout(soon);
  }, [isIn]);
  if (!me.data && me.error) return <NeedsLine again={() => void me.refetch()} />;
  if (!me.data) return <Loading what={SHELL_WORDS.theProgram} />;
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
        {SHELL_WORDS.skipToThePage}
      </a>
      <header className="tape-edge no-print flex flex-wrap items-end gap-x-2 px-4 pt-2">
        <NavLink
          to="/"
          className="mr-4 flex min-h-11 items-center font-[family-name:var(--font-display)] text-xl font-bold"
        >
          {SHELL_WORDS.inchStep}
        </NavLink>
        <nav aria-label={SHELL_WORDS.main} className="flex flex-wrap">
          <NavLink to="/" end className={link}>
            {SHELL_WORDS.today}
          </NavLink>
          <NavLink to="/students" className={link}>
            {SHELL_WORDS.roster}
          </NavLink>
          <NavLink to="/library" className={link}>
            {SHELL_WORDS.library}
          </NavLink>
          <NavLink to="/schools" className={link}>
            {SHELL_WORDS.schools}
          </NavLink>
          <NavLink to="/data" className={link}>
            {SHELL_WORDS.data}
          </NavLink>
        </nav>
        <div className="ml-auto flex items-center gap-1">
          <span className="mr-2 text-sm max-md:hidden">{coach}</span>
          <IconButton
            label={SHELL_WORDS.showLengths(lengths, lengths === 'in' ? 'centimetres' : 'inches')}
            onClick={() => change({ lengths: lengths === 'in' ? 'cm' : 'in' })}
          >
            <Ruler size={20} aria-hidden /> <span className="text-sm">{lengths}</span>
          </IconButton>
          <IconButton
            label={theme === 'glare' ? SHELL_WORDS.darkTheme : SHELL_WORDS.lightThemeForGlare}
            onClick={() => change({ theme: theme === 'glare' ? 'studio' : 'glare' })}
          >
            <Contrast size={20} aria-hidden />
          </IconButton>
          <IconButton label={SHELL_WORDS.keys} onClick={toggleKeys}>
            <Keyboard size={20} aria-hidden />
          </IconButton>
          <IconButton label={SHELL_WORDS.signOut} onClick={() => signOut.mutate()}>
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
      <dialog ref={keys} className="modal" aria-label={SHELL_WORDS.keys}>
        <div className="modal-box max-w-xl">
          <h2 className="mb-3 text-xl">{SHELL_WORDS.keys}</h2>
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
              {SHELL_WORDS.close}
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
