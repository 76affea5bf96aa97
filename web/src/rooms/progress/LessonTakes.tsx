import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { Reading } from '@inchstep/contract/measures';
import { VIEW_WORDS } from '@inchstep/contract/words';
import { takeState } from '@inchstep/core/capture';
import { dayPair } from '@inchstep/core/measures';
import { useState } from 'react';
import { Link } from 'react-router';
import { dayText, Panel } from '../../platform/parts.tsx';
import { useSettings } from '../../platform/settings.tsx';
import { useLookNow, useSwings } from '../capture/index.ts';
import { CameraStep, MeasureTapes, useReadings } from '../measures/index.ts';
import { useDrillChoices, useLibrary } from '../prescription/index.ts';
import { TAKES_WORDS } from './words.lesson.ts';

/** Phones send takes, and another device may read them. */
const AGAIN_MS = 4000;

interface OfStudent {
  readonly studentId: string;
  readonly today: string;
}

/** Today's takes, each with how far it is read, and what they come to together. */
export function LessonTakes({
  student,
  today,
  felt,
}: {
  readonly student: Student;
  readonly today: string;
  /** Whether the student has said today what it felt like: the tapes are shown after that. */
  readonly felt: boolean;
}) {
  const [shown, show] = useState(false);
  const studentId = student.id;
  const swings = useSwings(studentId, AGAIN_MS);
  const readings = useReadings(studentId, AGAIN_MS);
  const { readsClips, change } = useSettings();
  const takes = (swings.data ?? []).filter(({ recordedOn }) => recordedOn === today);
  const newest = takes.find(({ marks, track }) => marks.length > 0 && track === null);
  if (takes.length === 0) return null;
  return (
    <Panel
      title={TAKES_WORDS.title}
      aside={
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={readsClips}
            onChange={(e) => change({ readsClips: e.target.checked })}
          />
          {TAKES_WORDS.reads}
        </label>
      }
    >
      <ol className="flex flex-col" aria-label={TAKES_WORDS.title} aria-live="polite">
        {takes.map((swing, i) => (
          <Take
            key={swing.id}
            swing={swing}
            number={takes.length - i}
            reading={readings.data?.find(({ swingId }) => swingId === swing.id) ?? null}
          />
        ))}
      </ol>
      {newest && <CameraStep student={student} swing={newest} />}
      {felt || shown ? (
        <Together studentId={studentId} today={today} readings={readings.data ?? []} />
      ) : (
        readings.data?.some(({ recordedOn }) => recordedOn === today) && (
          <p className="mt-2 flex flex-wrap items-center gap-2">
            {TAKES_WORDS.askFirst}
            <button type="button" className="btn" onClick={() => show(true)}>
              {TAKES_WORDS.showAll}
            </button>
          </p>
        )
      )}
    </Panel>
  );
}

function Take({
  swing,
  number,
  reading,
}: {
  readonly swing: Swing;
  readonly number: number;
  readonly reading: Reading | null;
}) {
  const look = useLookNow();
  const { readsClips } = useSettings();
  const state = takeState(swing, reading);
  const here = look?.swingId === swing.id ? look : null;
  const proposed = swing.marks.some(({ by }) => by === 'network');
  const views = swing.views.map(({ kind }) => VIEW_WORDS[kind]?.toLowerCase() ?? kind);
  const told = () => {
    if (here)
      return TAKES_WORDS.looks(VIEW_WORDS[here.view]?.toLowerCase() ?? '', Math.round(100 * here.share));
    if (state.code === 'waits') return readsClips ? TAKES_WORDS.waits : TAKES_WORDS.byHand;
    if (state.code === 'unseen') return TAKES_WORDS.unseen[state.trouble];
    if (state.code === 'reading') return TAKES_WORDS.reading;
    return TAKES_WORDS.read(state.measures, state.unsure, proposed);
  };
  return (
    <li className="flex items-center gap-3 border-base-300 border-t py-1 first:border-t-0">
      <span className="w-16 shrink-0 font-semibold">{TAKES_WORDS.take(number)}</span>
      <span className="flex-1">
        {/* Both cameras of one moment are one swing, and said to be. */}
        <span className="block text-sm text-base-content/80">{TAKES_WORDS.views(views)}</span>
        {told()}
      </span>
      {here && (
        <progress
          className="progress w-24"
          value={here.share}
          max={1}
          aria-label={TAKES_WORDS.lookingThrough}
        />
      )}
      <Link className="btn" to={`/students/${swing.studentId}/bench/${swing.id}`}>
        {TAKES_WORDS.bench}
      </Link>
    </li>
  );
}

/** The measures that the drill in use moves, pooled over today's swings, with the last day before as a ghost. */
function Together({ studentId, today, readings }: OfStudent & { readonly readings: readonly Reading[] }) {
  const { byId } = useLibrary();
  const choices = useDrillChoices(studentId);
  const drills = choices.data?.find(({ endedAt }) => endedAt === null)?.drills ?? [];
  const moved = new Set(drills.flatMap((id) => byId(id)?.moves ?? []));
  const { swings, now, before, beforeOn } = dayPair(readings, today);
  if (swings === 0) return null;
  const telling = now.filter(({ id }) => moved.has(id));
  const shown =
    telling.length > 0 ? telling : now.filter(({ verdict }) => verdict === 'low' || verdict === 'high');
  return (
    <section className="mt-3" aria-label={TAKES_WORDS.together}>
      <h3 className="font-semibold">{TAKES_WORDS.pooled(swings, beforeOn && dayText(beforeOn, today))}</h3>
      {shown.length === 0 ? (
        <p>{TAKES_WORDS.nothingOut}</p>
      ) : (
        <div className="mt-1 max-w-xl">
          <MeasureTapes measures={shown} before={new Map(before.map(({ id, value }) => [id, value]))} />
        </div>
      )}
    </section>
  );
}
