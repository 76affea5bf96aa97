import type { Swing } from '@inchstep/contract/capture';
import { useClips, useSwings } from '../capture/index.ts';
import { ThenAndNow } from '../checkins/index.ts';

/** Today's newest filmed swing held against the last ones before today, at the same moment. */
export function LessonThen({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const swings = useSwings(studentId);
  const clips = useClips(studentId);
  const all = swings.data ?? [];
  const now = all.filter(({ recordedOn }) => recordedOn === today).flatMap(named)[0];
  const clip = clips.data?.find(({ id }) => id === now?.clipId);
  // Oldest first: what is offered first is the last one.
  const before = all.filter(({ recordedOn }) => recordedOn < today).reverse();
  if (!now || !clip) return null;
  return <ThenAndNow key={clip.id} now={clip} nowTimes={now.stationTimes} swings={before} today={today} />;
}

const named = ({ views }: Swing) =>
  views.filter(({ clipId, stationTimes }) => clipId !== null && Object.keys(stationTimes).length > 0);
