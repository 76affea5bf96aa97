import type { Capture } from '../capture/index.ts';

/** What no frame rate takes away: when a start can be seen to have begun. */
const SEEING_SD_MS = 25;
/** A phone's usual thirty frames a second where nothing else is known. */
const USUAL_FRAME_S = 1 / 30;
/** A moment lies anywhere within its frame. */
const WITHIN_FRAME = 1 / Math.sqrt(12);

interface ClipTiming {
  /** The pelvis starts toward the target this long before the top, ms; negative is after it. */
  readonly valueMs: number;
  readonly sdMs: number;
}

/** The lead of the pelvis from the moments that were named in a clip; several views are averaged. */
export function clipTiming({ views }: Pick<Capture, 'views'>): ClipTiming | null {
  const each = views.flatMap(({ moments }) => {
    if (!moments) return [];
    const frameMs = 1000 * (moments.frameS ?? USUAL_FRAME_S);
    const variance = SEEING_SD_MS ** 2 + 2 * (frameMs * WITHIN_FRAME) ** 2;
    return [{ valueMs: 1000 * (moments.topS - moments.startDownS), variance }];
  });
  if (each.length === 0) return null;
  const n = each.length;
  const valueMs = each.reduce((sum, one) => sum + one.valueMs, 0) / n;
  // The eye that names the start is the same in both views: only the frames average out.
  const frames = each.reduce((sum, one) => sum + (one.variance - SEEING_SD_MS ** 2), 0) / n ** 2;
  return { valueMs, sdMs: Math.sqrt(SEEING_SD_MS ** 2 + frames) };
}
