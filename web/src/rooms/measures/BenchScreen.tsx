import type { Clip, Swing } from '@inchstep/contract/capture';
import { viewOf } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { CLUB_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import { Video } from 'lucide-react';
import { Link, useNavigate, useOutletContext, useParams } from 'react-router';
import { toast } from 'sonner';
import { newId } from '../../platform/ids.ts';
import { dayText, Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import {
  AddClip,
  BringIn,
  ConsentFirst,
  HowMade,
  ShotsPanel,
  SPEED_WORDS,
  useClips,
  useDiscardSwing,
  useMade,
  useNewSwing,
  useShots,
  useSwing,
  useSwings,
} from '../capture/index.ts';
import { Bench } from './Bench.tsx';
import { TrackBench } from './TrackBench.tsx';
import { BENCH_SCREEN_WORDS } from './words.ts';

/** Without a swing: the swings so far and a way to begin one. With a swing: the bench itself. */
export function BenchScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const { swingId } = useParams();
  return swingId ? (
    <OpenSwing key={swingId} student={student} swingId={swingId} />
  ) : (
    <SwingList student={student} />
  );
}

function OpenSwing({ student, swingId }: { readonly student: Student; readonly swingId: string }) {
  const swing = useSwing(swingId);
  return (
    <Shown query={swing} what={BENCH_SCREEN_WORDS.theSwing}>
      {(s) =>
        s.track ? (
          <TrackBench key={s.id} student={student} swing={s} />
        ) : (
          <Bench key={s.id} student={student} swing={s} />
        )
      }
    </Shown>
  );
}

function SwingList({ student }: { readonly student: Student }) {
  const swings = useSwings(student.id);
  const clips = useClips(student.id);
  const shots = useShots(student.id);
  const create = useNewSwing(student.id);
  const navigate = useNavigate();
  const me = useMe();
  const today = me.data?.today ?? '';
  const [made, setMade] = useMade(student.id, today);
  const begin = (clip: Clip) => {
    const id = newId();
    create.mutate(
      { id, recordedOn: clip.recordedOn, ...made, views: [viewOf(clip)], marks: [] },
      { onSuccess: () => void navigate(`/students/${student.id}/bench/${id}`) },
    );
  };
  return (
    <div className="mx-auto flex max-w-5xl flex-col gap-4 p-4">
      <Panel title={BENCH_SCREEN_WORDS.newSwing} className="flex flex-col gap-3">
        <HowMade made={made} onChange={setMade} />
        <ConsentFirst student={student}>
          <div className="flex flex-wrap gap-3">
            <AddClip studentId={student.id} kind="face_on" recordedOn={today} onAdded={begin} />
            <AddClip studentId={student.id} kind="down_the_line" recordedOn={today} onAdded={begin} />
          </div>
          {create.error && <Failed error={create.error} />}
          <Link to={`/students/${student.id}/live`} className="btn self-start">
            <Video aria-hidden size={18} /> {BENCH_SCREEN_WORDS.liveCameraLines}
          </Link>
        </ConsentFirst>
        <BringIn studentId={student.id} today={today} />
      </Panel>
      <Shown query={clips} what={BENCH_SCREEN_WORDS.theClips}>
        {(all) => {
          const used = new Set((swings.data ?? []).flatMap((s) => s.views.map((v) => v.clipId)));
          const loose = all.filter((clip) => !used.has(clip.id));
          if (loose.length === 0 || !swings.data) return null;
          return (
            <Panel title={BENCH_SCREEN_WORDS.clipsThatWait}>
              <ul className="flex flex-col gap-2">
                {loose.map((clip) => (
                  <li key={clip.id} className="flex items-center gap-3">
                    <span className="flex-1">
                      {VIEW_WORDS[clip.kind]},{' '}
                      {clip.from === 'student'
                        ? BENCH_SCREEN_WORDS.sentByTheStudent
                        : BENCH_SCREEN_WORDS.addedHere}{' '}
                      {dayText(clip.recordedOn, today)}
                    </span>
                    <button
                      type="button"
                      className="btn btn-primary"
                      onClick={() => begin(clip)}
                      disabled={create.isPending}
                    >
                      {BENCH_SCREEN_WORDS.putOnTheBench}
                    </button>
                  </li>
                ))}
              </ul>
            </Panel>
          );
        }}
      </Shown>
      <Shown query={swings} what={BENCH_SCREEN_WORDS.theSwings}>
        {(all) =>
          all.length === 0 ? (
            <Empty title={BENCH_SCREEN_WORDS.noSwingYet}>{BENCH_SCREEN_WORDS.chooseAClipAbove}</Empty>
          ) : (
            <Swings student={student} swings={all} today={today} />
          )
        }
      </Shown>
      {shots.data && shots.data.length > 0 && (
        <ShotsPanel
          studentId={student.id}
          sets={shots.data}
          swings={(swings.data ?? []).filter((s) => s.track || s.marks.length > 0)}
          today={today}
        />
      )}
    </div>
  );
}

function Swings({
  student,
  swings,
  today,
}: {
  readonly student: Student;
  readonly swings: readonly Swing[];
  readonly today: string;
}) {
  const discard = useDiscardSwing(student.id);
  const put = (id: string) =>
    discard.mutate(
      { id, discarded: true },
      {
        onSuccess: () =>
          toast(BENCH_SCREEN_WORDS.swingPutAway, {
            action: {
              label: BENCH_SCREEN_WORDS.undo,
              onClick: () => discard.mutate({ id, discarded: false }),
            },
          }),
      },
    );
  return (
    <Panel title={BENCH_SCREEN_WORDS.swings}>
      <Link to={`/students/${student.id}/compare`} className="btn mb-2">
        {BENCH_SCREEN_WORDS.compareTwoSwings}
      </Link>
      <ul className="divide-y-[1.5px] divide-base-300">
        {swings.map((swing) => (
          <li key={swing.id} className="flex items-center gap-2">
            <Link
              to={`/students/${student.id}/bench/${swing.id}`}
              className="flex min-h-12 min-w-0 flex-1 flex-wrap items-center gap-x-4 hover:underline"
            >
              <span className="w-36 font-semibold">{dayText(swing.recordedOn, today)}</span>
              <span>
                {CLUB_WORDS[swing.club]}, {SPEED_WORDS[swing.speed].toLowerCase()}
              </span>
              <span className="text-base-content/80">
                {swing.track
                  ? BENCH_SCREEN_WORDS.motionFrames(swing.track.frames)
                  : `${swing.views.map((v) => VIEW_WORDS[v.kind]).join(BENCH_SCREEN_WORDS.and)}, ${
                      swing.marks.length === 0
                        ? BENCH_SCREEN_WORDS.notMarked
                        : BENCH_SCREEN_WORDS.marks(swing.marks.length)
                    }`}
              </span>
            </Link>
            <button type="button" className="btn btn-ghost" onClick={() => put(swing.id)}>
              {BENCH_SCREEN_WORDS.putAway}
            </button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
