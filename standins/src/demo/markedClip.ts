import { FOUND_STATIONS } from '@inchstep/core/capture';
import type { Random } from '@inchstep/core/foundation';
import { readClip } from './clipFiles.ts';
import type { ClipTruth } from './clips.ts';
import type { Call } from './requests.ts';

export const truthOf = async (key: string): Promise<ClipTruth> =>
  JSON.parse((await readClip(`${key}.truth.json`)).toString('utf8')) as ClipTruth;

/** Seconds of the stations in a rendered clip. */
export const stationTimesOf = (truth: ClipTruth): Record<string, number> =>
  Object.fromEntries(FOUND_STATIONS.map((s) => [s, truth.stationFrames[s] / truth.framesPerSecond]));

/** The true places with a careful hand's error. */
export function handMarks(truth: ClipTruth, random: Random): ClipTruth['marks'][number][] {
  const off = (sd: number) => sd * (random() + random() + random() - 1.5) * 2;
  return truth.marks
    .filter((mark) => (FOUND_STATIONS as readonly string[]).includes(mark.station))
    .map((mark) => ({ ...mark, u: mark.u + off(mark.sdPx), v: mark.v + off(mark.sdPx) }));
}

interface Kept extends Record<string, unknown> {
  readonly id: string;
  readonly views: readonly { readonly clipId: string; readonly kind: string }[];
}

/** What a browser that looks clips through would have found in one that came with a check-in. */
export async function lookedThrough(
  by: { readonly call: Call; readonly random: Random },
  student: string,
  clip: string,
  key: string,
): Promise<void> {
  const swings = (await by.call('GET', `/api/students/${student}/swings`)) as Kept[];
  const swing = swings.find(({ views }) => views.some(({ clipId }) => clipId === clip));
  if (!swing) throw new Error('demo: the clip of the check-in made no swing');
  const truth = await truthOf(key);
  const [view] = swing.views;
  const marks = handMarks(truth, by.random)
    .filter((mark) => mark.view === view?.kind)
    .map((mark) => ({ ...mark, by: 'network' }));
  const { id, version, recordedOn, club, speed, aid, place, cue } = swing;
  const views = [{ ...view, stationTimes: stationTimesOf(truth) }];
  const made = { recordedOn, club, speed, aid, place, cue };
  await by.call('PUT', `/api/swings/${id}`, { version, ...made, views, marks });
  await by.call('POST', `/api/swings/${id}/measure`);
}
