import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { ViewKind } from '@inchstep/core/intake';
import { Video } from 'lucide-react';
import { type PointerEvent, useRef, useState } from 'react';
import { useOutletContext } from 'react-router';
import { Shown } from '../../platform/parts.tsx';
import {
  type CameraState,
  ConsentFirst,
  LineLayer,
  useCamera,
  useDelay,
  useSwings,
} from '../capture/index.ts';
import { PictureCheck } from './PictureCheck.tsx';
import { SecondCamera } from './SecondCamera.tsx';
import { TakeButton } from './TakeButton.tsx';
import { useFit } from './useFit.ts';
import type { LiveCamera } from './useTakeSender.ts';
import { ViewButtons } from './ViewButtons.tsx';
import { LIVE_SCREEN_WORDS } from './words.ts';

const KINDS: readonly ViewKind[] = ['face_on', 'down_the_line'];
const DELAYS = [2, 4, 6, 8] as const;

const SAYS: Record<CameraState, string> = {
  off: LIVE_SCREEN_WORDS.cameraIsOffNothing,
  asking: LIVE_SCREEN_WORDS.waitingForTheBrowsers,
  on: '',
  refused: LIVE_SCREEN_WORDS.browserWasToldNot,
  busy: LIVE_SCREEN_WORDS.cameraIsBusy,
  none: LIVE_SCREEN_WORDS.noCameraWasFound,
};

/** The device's camera with this student's lines over it, what it saw a moment ago, and takes for the bench. */
export function LiveScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const swings = useSwings(student.id);
  return (
    <Shown query={swings} what={LIVE_SCREEN_WORDS.theSwings}>
      {(all) => <Live student={student} swings={all} />}
    </Shown>
  );
}

interface LiveProps {
  readonly student: Student;
  readonly swings: readonly Swing[];
  readonly tall?: boolean;
  readonly onTaken?: (swingId: string) => void;
}

/** The live picture; in a lesson it is less tall. */
export const Live = (props: LiveProps) => (
  <ConsentFirst student={props.student}>
    <LivePicture {...props} />
  </ConsentFirst>
);

function LivePicture({ student, swings, tall = true, onTaken }: LiveProps) {
  const height = tall ? 'h-[36rem]' : 'h-[24rem]';
  const [kind, setKind] = useState<ViewKind>('face_on');
  const [delay, setDelay] = useState<number>(4);
  const video = useRef<HTMLVideoElement>(null);
  const later = useRef<HTMLCanvasElement>(null);
  const camera = useCamera(video);
  const running = camera.state === 'on';
  const [second, setSecond] = useState<LiveCamera | null>(null);
  const cameras: readonly LiveCamera[] = running
    ? [{ kind, track: camera.track }, ...(second ? [second] : [])]
    : [];
  useDelay(video, later, delay, running);
  return (
    <div className="mx-auto flex max-w-[76rem] flex-col gap-3 p-3">
      <div className="flex flex-wrap items-center gap-2">
        <ViewButtons kinds={KINDS} kind={kind} onChange={setKind} />
        {running ? (
          <button type="button" className="btn" onClick={camera.stop}>
            {LIVE_SCREEN_WORDS.cameraOff}
          </button>
        ) : (
          <button type="button" className="btn btn-primary" onClick={() => void camera.start()}>
            <Video aria-hidden size={18} /> {LIVE_SCREEN_WORDS.camera}
          </button>
        )}
        <TakeButton student={student} cameras={cameras} onTaken={onTaken} />
        <label className="ml-auto flex items-center gap-2">
          {LIVE_SCREEN_WORDS.replayAfter}
          <select className="select w-24" value={delay} onChange={(e) => setDelay(Number(e.target.value))}>
            {DELAYS.map((s) => (
              <option key={s} value={s}>
                {s} s
              </option>
            ))}
          </select>
        </label>
      </div>
      {running && (
        <SecondCamera
          kind={kind === 'face_on' ? 'down_the_line' : 'face_on'}
          firstId={camera.track()?.getSettings?.().deviceId ?? null}
          onCamera={setSecond}
        />
      )}
      <PictureCheck video={video} bodyIn={student.profile.heightIn} running={running} />
      {!running && (
        <p role="status" className="panel p-4">
          {SAYS[camera.state]}
        </p>
      )}
      <div className={`grid grid-cols-2 gap-3 ${running ? '' : 'hidden'}`}>
        <figure className="min-w-0">
          <figcaption className="font-semibold">{LIVE_SCREEN_WORDS.now}</figcaption>
          <div className={`relative flex justify-center bg-[#17242b] ${height}`}>
            <div className="relative h-full max-w-full">
              <video
                ref={video}
                muted
                playsInline
                className="h-full max-w-full object-contain"
                aria-label={LIVE_SCREEN_WORDS.whatTheCameraSees}
              />
              <OwnLines student={student} swings={swings} kind={kind} />
            </div>
          </div>
        </figure>
        <figure className="min-w-0">
          <figcaption className="font-semibold">{LIVE_SCREEN_WORDS.secondsAgo(delay)}</figcaption>
          <div className={`flex justify-center bg-[#17242b] ${height}`}>
            <canvas
              ref={later}
              data-testid="later"
              className="h-full max-w-full object-contain"
              role="img"
              aria-label={LIVE_SCREEN_WORDS.whatTheCameraSaw(delay)}
            />
          </div>
        </figure>
      </div>
    </div>
  );
}

/** Lines of the newest measured swing in this view: dragged to where the player stands today. */
function OwnLines({
  student,
  swings,
  kind,
}: {
  readonly student: Student;
  readonly swings: readonly Swing[];
  readonly kind: ViewKind;
}) {
  const swing = swings.find((s) => s.marks.some((m) => m.view === kind));
  return swing ? <LinesOf student={student} swing={swing} kind={kind} /> : null;
}

function LinesOf({
  student,
  swing,
  kind,
}: {
  readonly student: Student;
  readonly swing: Swing;
  readonly kind: ViewKind;
}) {
  const { answer } = useFit(student, swing, false);
  const [moved, setMoved] = useState({ x: 0, y: 0 });
  const [from, setFrom] = useState<{ x: number; y: number } | null>(null);
  const view = swing.views.find((v) => v.kind === kind);
  if (!view || !answer) return null;
  const lines = answer.lines.filter(
    (l) => l.view === kind && (l.station === null || l.station === 'address'),
  );
  const drag = (event: PointerEvent<SVGSVGElement>) => {
    if (!from) return;
    const { width, height } = event.currentTarget.getBoundingClientRect();
    setMoved({
      x: ((event.clientX - from.x) / width) * view.widthPx,
      y: ((event.clientY - from.y) / height) * view.heightPx,
    });
  };
  const grab = (event: PointerEvent<SVGSVGElement>) => {
    const { width, height } = event.currentTarget.getBoundingClientRect();
    setFrom({
      x: event.clientX - (moved.x / view.widthPx) * width,
      y: event.clientY - (moved.y / view.heightPx) * height,
    });
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  return (
    <svg
      viewBox={`0 0 540 ${(540 * view.heightPx) / view.widthPx}`}
      className="absolute inset-0 h-full w-full cursor-move touch-none"
      data-testid="own-lines"
      role="img"
      aria-label={LIVE_SCREEN_WORDS.thisPlayersLinesFrom}
      onPointerDown={grab}
      onPointerMove={drag}
      onPointerUp={() => setFrom(null)}
    >
      <g transform={`translate(${(moved.x * 540) / view.widthPx} ${(moved.y * 540) / view.widthPx})`}>
        <LineLayer k={540 / view.widthPx} lines={lines} />
      </g>
    </svg>
  );
}
