import type { Clip, SwingView } from '@inchstep/contract/capture';

/** A clip as a view of a swing about which nothing is known yet. */
export const viewOf = (clip: Clip): SwingView => ({
  kind: clip.kind,
  clipId: clip.id,
  widthPx: clip.widthPx,
  heightPx: clip.heightPx,
  camera: {},
  groundMarks: [],
  stationTimes: {},
});
