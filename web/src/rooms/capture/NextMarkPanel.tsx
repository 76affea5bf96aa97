import { LANDMARK_WORDS, measureName, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { NextMark } from '@inchstep/core/measures';
import { Crosshair } from 'lucide-react';
import { NEXT_MARK_PANEL_WORDS } from './words.ts';

/** A mark that settles less than this share of one measure is not worth a coach's time. */
const WORTH_MARKING = 0.05;

/** The one place whose mark would tell most, so that a swing is read from as few as will do. */
export function NextMarkPanel({
  next,
  placed,
  named,
  onGo,
}: {
  readonly next: readonly NextMark[] | null;
  readonly placed: number;
  /** Is any station named at a frame? */
  readonly named: boolean;
  readonly onGo: (mark: NextMark) => void;
}) {
  if (next === null) return null;
  const best = worthMarking(next);
  return (
    <section
      aria-label={NEXT_MARK_PANEL_WORDS.markNext}
      className="border-t-[1.5px] border-dashed border-base-300 pt-2"
    >
      <h3 className="text-sm">
        <span className="font-semibold">{NEXT_MARK_PANEL_WORDS.markNext}</span>
        {NEXT_MARK_PANEL_WORDS.placed(placed)}
      </h3>
      {best ? (
        <>
          <button
            type="button"
            className="btn mt-1 h-auto min-h-12 w-full justify-start gap-2 py-1 text-left"
            onClick={() => onGo(best)}
          >
            <Crosshair aria-hidden size={18} className="shrink-0" />
            <span className="flex-1 leading-tight">
              {LANDMARK_WORDS[best.landmark]}, {STATION_WORDS[best.station]}
              <span className="block text-sm font-normal">{VIEW_WORDS[best.view]}</span>
            </span>
            <kbd className="font-semibold">N</kbd>
          </button>
          <p className="mt-1 text-sm">
            {best.about.length > 0
              ? NEXT_MARK_PANEL_WORDS.tellsMostAbout(best.about.map(measureName).join(', '))
              : NEXT_MARK_PANEL_WORDS.everythingIsToldFrom}
          </p>
        </>
      ) : (
        <p className="text-sm">
          {named ? NEXT_MARK_PANEL_WORDS.nothingLeftToMark : NEXT_MARK_PANEL_WORDS.nameAStation}
        </p>
      )}
    </section>
  );
}

/** The best of what is left, while it is worth a mark: hips always are, the rest if it settles something. */
export function worthMarking(next: readonly NextMark[]): NextMark | null {
  const best = next[0];
  if (!best) return null;
  return best.about.length === 0 || best.settles >= WORTH_MARKING ? best : null;
}
