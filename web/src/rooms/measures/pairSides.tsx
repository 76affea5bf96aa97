import type { Swing } from '@inchstep/contract/capture';
import { CLUB_WORDS } from '@inchstep/contract/words';
import type { ViewKind } from '@inchstep/core/intake';
import { type Laid, layTogether } from '@inchstep/core/measures';
import { dayText } from '../../platform/parts.tsx';
import type { Frames } from '../capture/index.ts';
import type { PairSide } from './drawPair.ts';

export const sideOf = ({ picture, clip }: Frames, title: string): PairSide | null =>
  picture && clip ? { picture, widthPx: clip.widthPx, heightPx: clip.heightPx, title } : null;

/** From one picture's pixels to the other's: the same landmarks at address, in this view, laid together. */
export function layOnto(then: Swing, now: Swing, kind: ViewKind): Laid | null {
  const marks = (swing: Swing) => swing.marks.filter((m) => m.view === kind && m.station === 'address');
  const pairs = marks(then).flatMap((a) => {
    const b = marks(now).find((m) => m.landmark === a.landmark);
    return b ? [[a, b] as const] : [];
  });
  return layTogether(
    pairs.map(([a]) => a),
    pairs.map(([, b]) => b),
    then.views?.find((view) => view.kind === kind)?.widthPx ?? 0,
  );
}

export function SwingChoice({
  label,
  swings,
  value,
  today,
  onChange,
}: {
  readonly label: string;
  readonly swings: readonly Swing[];
  readonly value: string;
  readonly today: string;
  readonly onChange: (id: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select className="select w-46 ps-2 text-sm" value={value} onChange={(e) => onChange(e.target.value)}>
        {swings.map((s) => (
          <option key={s.id} value={s.id}>
            {dayText(s.recordedOn, today)}, {CLUB_WORDS[s.club]}
          </option>
        ))}
      </select>
    </label>
  );
}
