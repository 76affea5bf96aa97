import { SIGN_WORDS } from '@inchstep/contract/words';
import { type ShotSign, shotSigns } from '@inchstep/core/capture';
import { dayText } from '../../platform/parts.tsx';
import { useShotSet, useShots } from '../capture/index.ts';
import type { Ticked } from './queries.ts';
import { SHOT_TICKS_WORDS } from './words.ts';

/** What the newest shots show or rule out, taken over with one press; the coach's own ticks stay. */
export function ShotTicks({
  studentId,
  swingId,
  today,
  ticked,
  onChange,
}: {
  readonly studentId: string;
  readonly swingId: string | null;
  readonly today: string;
  readonly ticked: readonly Ticked[];
  readonly onChange: (ticked: Ticked[]) => void;
}) {
  const shots = useShots(studentId);
  // Shots tied to the swing in question come before newer ones.
  const set = shots.data?.find((s) => swingId !== null && s.swingId === swingId) ?? shots.data?.[0];
  const rows = useShotSet(set?.id);
  const signs = rows.data ? shotSigns(rows.data.shots).filter(isDecided) : [];
  const open = signs.filter(({ finding }) => !ticked.some((t) => t.id === finding));
  const shown = signs.filter((s) => s.seen === 'present');
  if (!set || signs.length === 0) return null;
  return (
    <div className="mb-3 rounded border-[1.5px] border-base-300 p-2">
      <p className="text-sm">
        {SHOT_TICKS_WORDS.shots(set.count, dayText(set.recordedOn, today))}{' '}
        {shown.length === 0 ? SHOT_TICKS_WORDS.noHabitShown : SHOT_TICKS_WORDS.shown(shown.length)}
        {SHOT_TICKS_WORDS.ruledOut(signs.length - shown.length)}
      </p>
      <button
        type="button"
        className="btn mt-1 w-full"
        disabled={open.length === 0}
        title={open.map((s) => `${s.finding}: ${SIGN_WORDS[s.seen]}`).join('\n')}
        onClick={() => onChange([...ticked, ...open.map(({ finding, seen }) => ({ id: finding, seen }))])}
      >
        {open.length === 0 ? SHOT_TICKS_WORDS.takenOver : SHOT_TICKS_WORDS.takeOverWhat}
      </button>
    </div>
  );
}

const isDecided = (sign: ShotSign): sign is ShotSign & { seen: 'present' | 'absent' } =>
  sign.seen !== 'not_looked';
