import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { measureName } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { midpoint, sub, type Vec3 } from '@inchstep/core/foundation';
import type { Pose } from '@inchstep/core/measures';
import { Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { dayText } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useSwings } from '../capture/index.ts';
import type { TargetAnswer } from './fit.worker.ts';
import type { StripPose } from './Strip.tsx';
import { captureFor, type Fit } from './useFit.ts';
import { LAYERS_WORDS } from './words.ts';

/** Poses of an earlier swing, moved so that both stood in the same place at address. */
export function useThen(
  student: Student,
  swingId: string | null,
  fit: Pick<Fit, 'answer' | 'posesOf'>,
): readonly StripPose[] {
  const swings = useSwings(student.id);
  const [poses, setPoses] = useState<readonly StripPose[]>([]);
  const swing = swings.data?.find((s) => s.id === swingId);
  const { posesOf } = fit;
  useEffect(() => {
    setPoses([]);
    if (!swing) return;
    let wanted = true;
    void posesOf(captureFor(student, swing)).then((found) => {
      if (wanted) setPoses(found);
    });
    return () => {
      wanted = false;
    };
  }, [student, swing, posesOf]);
  return alignedTo(fit.answer?.poses ?? [], poses);
}

/** The same stance for both: the middle of the ankles at address is laid on the other's. */
export function alignedTo(now: readonly StripPose[], then: readonly StripPose[]): readonly StripPose[] {
  const stance = (poses: readonly StripPose[]): Vec3 | null => {
    const pose = poses.find((p) => p.station === 'address')?.pose;
    return pose?.lead_ankle && pose.trail_ankle ? midpoint(pose.lead_ankle, pose.trail_ankle) : null;
  };
  const [here, there] = [stance(now), stance(then)];
  if (!here || !there) return [];
  const by = sub(here, there);
  return then.map(({ station, pose }) => ({
    station,
    pose: Object.fromEntries(
      Object.entries(pose).map(([l, p]) => [l, [p[0] + by[0], p[1] + by[1], p[2]] as Vec3]),
    ) as Pose,
  }));
}

/** What lies under the strips and the map: an earlier swing, the target; and the way to paper. */
export function Layers({
  student,
  swing,
  thenId,
  onThen,
  showTarget,
  onTarget,
  target,
  station,
}: {
  readonly student: Student;
  readonly swing: Swing;
  readonly thenId: string | null;
  readonly onThen: (id: string | null) => void;
  readonly showTarget: boolean;
  readonly onTarget: (show: boolean) => void;
  readonly target: TargetAnswer | null;
  readonly station: Station;
}) {
  const swings = useSwings(student.id);
  const me = useMe();
  const others = (swings.data ?? []).filter((s) => s.id !== swing.id && s.marks.length > 0);
  const mends = target?.poses.find((p) => p.station === station)?.mends ?? [];
  return (
    <div className="mt-2 flex flex-col gap-2 border-t-[1.5px] border-dashed border-base-300 pt-2 text-sm print:hidden">
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={showTarget}
          onChange={(e) => onTarget(e.target.checked)}
        />
        <span>{LAYERS_WORDS.thisBodyInside}</span>
      </label>
      {showTarget && (
        <p>
          {!target
            ? LAYERS_WORDS.workingItOut
            : mends.length === 0
              ? LAYERS_WORDS.nothingHereIsOutside
              : LAYERS_WORDS.itWouldChange(mends.map((id) => measureName(id)).join(', '))}
        </p>
      )}
      {others.length > 0 && (
        <label className="flex items-center gap-2">
          <span className="shrink-0">{LAYERS_WORDS.beside}</span>
          <select
            className="select min-w-0 flex-1"
            value={thenId ?? ''}
            onChange={(e) => onThen(e.target.value || null)}
          >
            <option value="">{LAYERS_WORDS.noOtherSwing}</option>
            {others.map((s) => (
              <option key={s.id} value={s.id}>
                {LAYERS_WORDS.marks(dayText(s.recordedOn, me.data?.today ?? ''), s.marks.length)}
              </option>
            ))}
          </select>
        </label>
      )}
      <button type="button" className="btn" onClick={() => window.print()}>
        <Printer aria-hidden size={18} /> {LAYERS_WORDS.print}
      </button>
    </div>
  );
}
