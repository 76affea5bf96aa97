import type { LessonFile } from '@inchstep/contract/checkins';
import { NOTE_WORDS, STAGE_WORDS } from '@inchstep/contract/words';
import { useLibrary } from '../prescription/index.ts';
import { lineOf } from './Thread.tsx';
import { LESSON_WORDS } from './words.lesson.ts';

type Moment = LessonFile['moments'][number];

const WIDTH = 1200;
const TAPE = 34;
const TALL = 74;
const EVERY_MINUTES = 5;

/** The lesson as a length of tape: a tick a minute, and what happened where it happened. */
export function LessonStrip({ file, minutes }: { readonly file: LessonFile; readonly minutes: number }) {
  const { nameOf } = useLibrary();
  const { lesson, moments } = file;
  const started = Date.parse(lesson.startedAt ?? '');
  const long = Math.max(lesson.minutes, Math.ceil(minutes), 10);
  const x = (at: string) =>
    Math.min(WIDTH - 10, Math.max(10, ((Date.parse(at) - started) / 60_000 / long) * WIDTH));
  const texts = moments.map((moment) => ({ moment, text: textOf(moment, nameOf) }));
  return (
    <figure className="w-full">
      <svg
        viewBox={`0 0 ${WIDTH} ${TALL}`}
        // Too fine for a telephone; the list below says the same.
        className="hidden w-full text-[var(--tape-ink)] sm:block"
        role="img"
        aria-label={LESSON_WORDS.strip(minutes)}
      >
        <rect x={0} y={TALL - TAPE} width={WIDTH} height={TAPE} fill="var(--tape)" />
        <rect
          x={0}
          y={TALL - 7}
          width={Math.min(WIDTH, (minutes / long) * WIDTH)}
          height={7}
          fill="currentColor"
        />
        {Array.from({ length: long + 1 }, (_, minute) => (
          <path
            key={minute}
            d={`M ${(minute / long) * WIDTH} ${TALL - TAPE} v ${minute % EVERY_MINUTES === 0 ? 12 : 6}`}
            stroke="currentColor"
          />
        ))}
        {Array.from({ length: Math.floor((long - 1) / 10) }, (_, ten) => (
          <text
            key={ten}
            x={((ten + 1) * 10 * WIDTH) / long}
            y={TALL - 9}
            textAnchor="middle"
            fontSize={12}
            fill="currentColor"
          >
            {(ten + 1) * 10}
          </text>
        ))}
        {texts.map(({ moment, text }) => (
          <Mark key={moment.id} moment={moment} x={x(moment.at)} text={text} />
        ))}
      </svg>
      <ol className="sr-only max-sm:not-sr-only max-sm:text-sm">
        {texts.map(({ moment, text }) => (
          <li key={moment.id}>{text}</li>
        ))}
      </ol>
      {moments.length <= 1 && <figcaption className="text-sm">{LESSON_WORDS.noMoments}</figcaption>}
    </figure>
  );
}

/** A set stands as tall as it counted, a word hangs as a flag, whatever was decided or taken is a wedge. */
function Mark({ moment, x, text }: { readonly moment: Moment; readonly x: number; readonly text: string }) {
  const top = TALL - TAPE;
  if (moment.what === 'set') {
    const share = passedShare(moment.reps);
    return (
      <g stroke="currentColor" strokeWidth={1.5}>
        <title>{text}</title>
        <rect x={x - 4} y={top - 30} width={8} height={30} fill="var(--color-base-100)" />
        <rect x={x - 4} y={top - 30 * share} width={8} height={30 * share} fill="currentColor" />
      </g>
    );
  }
  const path =
    moment.what === 'note' ? `M ${x} ${top} v -26 h 14 l -5 6 l 5 6 h -14` : `M ${x} ${top} l -6 -14 h 12 z`;
  return (
    <path d={path} stroke="currentColor" strokeWidth={1.5} fill="var(--color-base-100)">
      <title>{text}</title>
    </path>
  );
}

const passedShare = (reps: string): number => {
  const judged = reps.replaceAll('?', '');
  return judged === '' ? 0 : judged.replaceAll('F', '').length / judged.length;
};

export function textOf(moment: Moment, nameOf: (drill: string) => string): string {
  if (moment.what === 'event') return lineOf({ ...moment, lessonId: null }, nameOf);
  if (moment.what === 'note') return `${NOTE_WORDS[moment.tag]}: ${moment.text}`;
  const passed = moment.reps.replaceAll(/[F?]/g, '').length;
  return `${nameOf(moment.drill)}, ${STAGE_WORDS[moment.stage]?.name.toLowerCase()}: ${passed} / ${moment.reps.length}`;
}
