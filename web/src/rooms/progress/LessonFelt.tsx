import type { Student } from '@inchstep/contract/intake';
import { measureName } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import { BAND_ROWS } from '@inchstep/core/intake';
import { dayPair } from '@inchstep/core/measures';
import { feelRecordOf } from '@inchstep/core/prescription';
import { type FormEvent, useState } from 'react';
import { Failed, Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { MeasureTapes, useReadings } from '../measures/index.ts';
import { useDrillChoices, useLibrary, useNoteFeel } from '../prescription/index.ts';
import { LessonThen } from './LessonThen.tsx';
import { useAddNote } from './lessonQueries.ts';
import { FELT_WORDS } from './words.lesson.ts';

interface Answer {
  readonly measure: string;
  readonly felt: number;
  readonly measured: Told | null;
}

/** A value as surely as it is known. */
interface Told {
  readonly value: number;
  readonly sd: number;
}

/** What the student felt, asked before the tape is shown; then both stand side by side, and are kept. */
export function LessonFelt({
  student,
  lessonId,
  today,
  latestSwing,
}: {
  readonly student: Student;
  readonly lessonId: string;
  readonly today: string;
  readonly latestSwing: string | null;
}) {
  const { byId } = useLibrary();
  const choices = useDrillChoices(student.id);
  const readings = useReadings(student.id);
  const note = useAddNote(student.id, lessonId);
  const feel = useNoteFeel(student.id);
  const { perInch, lengths, value } = useUnits();
  const choice = choices.data?.find(({ endedAt }) => endedAt === null);
  const measures = [...new Set((choice?.drills ?? []).flatMap((id) => byId(id)?.moves ?? []))].filter(
    (id) => !id.startsWith('ball.'),
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const measure = chosen ?? measures[0] ?? '';
  const [typed, setTyped] = useState('');
  const [answer, setAnswer] = useState<Answer | null>(null);
  const unit = unitOf(measure);
  const show = (amount: number) => value(amount, unit);
  const measuredNow = () => {
    const reading = readings.data?.find(({ swingId, recordedOn }) =>
      latestSwing === null ? recordedOn === today : swingId === latestSwing,
    );
    return reading?.measures.find(({ id }) => id === measure) ?? null;
  };
  const keep = (felt: number) => {
    const measured = measuredNow();
    const text = `${measureName(measure)}: ${felt === 0 ? FELT_WORDS.still.toLowerCase() : show(felt)}`;
    note.mutate(
      { tag: 'felt', text, measure, felt, swingId: latestSwing, writtenAt: new Date().toISOString() },
      { onSuccess: () => setAnswer({ measure, felt, measured }) },
    );
    const record = measured && feelRecordOf({ measure, felt }, measured, choice?.forFault ?? null);
    if (record) feel.mutate(record);
  };
  const number = Number(typed.replace(',', '.')) / (unit === 'in' ? perInch : 1);
  const ready = typed.trim() !== '' && Number.isFinite(number) && number >= 0;
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (ready) keep(number);
  };
  if (measures.length === 0) return <Panel title={FELT_WORDS.title}>{FELT_WORDS.none}</Panel>;
  return (
    <Panel title={FELT_WORDS.title}>
      <p className="text-sm">{FELT_WORDS.first}</p>
      <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={send}>
        <label className="flex flex-col">
          {FELT_WORDS.measure}
          <select className="select h-12 w-72" value={measure} onChange={(e) => setChosen(e.target.value)}>
            {measures.map((id) => (
              <option key={id} value={id}>
                {measureName(id)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col">
          {FELT_WORDS.amount(unit === 'in' ? lengths : unit)}
          <input
            className="input h-12 w-32"
            inputMode="decimal"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-primary h-12" disabled={!ready || note.isPending}>
          {FELT_WORDS.keep}
        </button>
        <button type="button" className="btn h-12" onClick={() => keep(0)} disabled={note.isPending}>
          {FELT_WORDS.still}
        </button>
      </form>
      {answer && <Against studentId={student.id} today={today} answer={answer} />}
      {note.error && <Failed error={note.error} />}
    </Panel>
  );
}

/** Felt against measured, the day against the one before, and both swings in the picture. */
function Against({
  studentId,
  today,
  answer: { measure, felt, measured },
}: {
  readonly studentId: string;
  readonly today: string;
  readonly answer: Answer;
}) {
  const readings = useReadings(studentId);
  const { value } = useUnits();
  const show = (amount: number) => value(amount, unitOf(measure));
  const day = dayPair(readings.data ?? [], today);
  // Asked before the clip was read: the answer is held against it as soon as it is.
  const now: Told | null = measured ?? day.now.find(({ id }) => id === measure) ?? null;
  return (
    <>
      <p className="mt-3 text-2xl font-semibold" aria-live="polite">
        {now === null
          ? FELT_WORDS.unmeasured
          : FELT_WORDS.against(
              felt === 0 ? FELT_WORDS.still.toLowerCase() : show(felt),
              `${show(now.value)} ± ${show(Z95 * now.sd)}`,
            )}
      </p>
      <div className="mt-3 grid gap-3 xl:grid-cols-[20rem_1fr]">
        <MeasureTapes
          measures={day.now.filter(({ id }) => id === measure)}
          before={new Map(day.before.map(({ id, value: was }) => [id, was]))}
        />
        <LessonThen studentId={studentId} today={today} />
      </div>
    </>
  );
}

const unitOf = (measure: string) => BAND_ROWS.find((row) => row.id === measure)?.unit ?? 'in';
