import type { Report, ReportMeasure } from '@inchstep/core/progress';
import { dateText } from './dateText.ts';
import { CLUB_WORDS } from './measures.ts';
import { LIMIT_WORDS, PAIN_CARE, PLACE_WORDS, STAGE_WORDS } from './practice.ts';
import { faultName, measureName } from './reasons.ts';
import { type Lengths, valueIn } from './values.ts';
import type { LibraryWords } from './wordsFrom.ts';

/** A measure drawn on its tape: where it is, give or take, and where it was. */
export interface ReportTape {
  readonly name: string;
  readonly band: {
    readonly lo: number | null;
    readonly hi: number | null;
    readonly step: number;
    readonly unit: string;
  };
  readonly value: number;
  readonly half95: number;
  readonly before: number | null;
}

export interface ReportSection {
  readonly heading: string;
  readonly lines: readonly string[];
  readonly tapes: readonly ReportTape[];
}

/** A report as it is read: on the screen and on paper the same. */
export interface ReportPage {
  readonly title: string;
  readonly lead: string;
  readonly sections: readonly ReportSection[];
}

export const REPORT_WORDS = {
  readers: { student: 'For the student', parent: 'For a parent', coach: 'For a second coach' },
  pdf: 'As PDF',
  print: 'Print',
} as const;

type Show = ReturnType<typeof valueIn>;

interface Telling {
  readonly report: Report;
  readonly show: Show;
  readonly nameOf: (drill: string) => string;
  /** Whom it is about, at the head of a sentence: you, or by name. */
  readonly who: string;
  readonly has: string;
}

/** Sentences from a report's facts; nothing in it says more than the verdicts do. */
export function reportPage(report: Report, library: LibraryWords, lengths: Lengths): ReportPage {
  const own = report.for === 'student';
  const telling: Telling = {
    report,
    show: valueIn(lengths),
    nameOf: (drill) => library.wordsOf(drill)?.name ?? drill,
    who: own ? 'You' : report.firstName,
    has: own ? 'have' : 'has',
  };
  const sections = [
    holdSection(telling),
    workSection(telling),
    changeSection(telling),
    whenSection(telling),
    practiceSection(telling),
    filmSection(telling),
    ...(report.handover ? handoverSections(telling, report.handover) : []),
  ];
  return {
    title: own ? 'Where you stand' : `Where ${report.name} stands`,
    lead: `${dateText(report.day)} ${report.day.slice(0, 4)}`,
    sections: sections.filter(({ lines, tapes }) => lines.length > 0 || tapes.length > 0),
  };
}

const plain = (heading: string, lines: readonly string[]): ReportSection => ({ heading, lines, tapes: [] });

const holdSection = ({ report, who }: Telling): ReportSection =>
  plain('On hold', report.hold ? [`${who} reported pain: all drills rest. ${PAIN_CARE}`] : []);

function workSection({ report, nameOf }: Telling): ReportSection {
  const { work } = report;
  if (!work) return plain('Current work', ['No fault is being worked on right now.']);
  return plain('Current work', [
    `${faultName(work.fault)}, since ${dateText(work.since)}.`,
    ...work.drills.map(({ drill, stage }) =>
      stage === null
        ? `${nameOf(drill)}.`
        : `${nameOf(drill)}, now on the rung “${STAGE_WORDS[stage]?.name.toLowerCase() ?? stage}”.`,
    ),
  ]);
}

function changeSection(telling: Telling): ReportSection {
  const { report } = telling;
  return {
    heading: 'What has changed',
    lines:
      report.measures.length === 0
        ? ['Nothing has been measured of it yet.']
        : report.measures.map((one) => changeText(one, telling)),
    tapes: report.measures.map(({ measure, band, now, half95, before }) => ({
      name: measureName(measure),
      band: { lo: band.lo, hi: band.hi, step: band.step, unit: band.unit },
      value: now,
      half95,
      before,
    })),
  };
}

const WAYS: Record<ReportMeasure['direction'], string> = {
  better: 'better',
  worse: 'further off',
  level: 'different, inside its band',
};

function changeText(
  { measure, band, look, direction, before, now, since, inBand }: ReportMeasure,
  telling: Telling,
): string {
  const { report, show } = telling;
  const name = measureName(measure);
  const at = (value: number) => show(value, band.unit);
  const moved = before === null ? '' : `: ${at(before)} on ${dateText(since)}, ${at(now)} now`;
  const said = {
    real: `${name} is really ${WAYS[direction]}${moved}.`,
    maybe: `${name} is probably ${WAYS[direction]}${moved}. More films will tell.`,
    none: `${name} is the same as on ${dateText(since)}, to within ${at(band.step)}.`,
    cant_tell: `${name}: it can’t be told yet whether it has changed. It stands at about ${at(now)}.`,
  }[look.verdict];
  if (report.for !== 'coach') return said;
  const span =
    look.lo95 === null || look.hi95 === null
      ? ''
      : ` Change between ${at(look.lo95)} and ${at(look.hi95)}, 19 times in 20;`;
  return `${said}${span} in band ${Math.round(100 * inBand)} in 100.`;
}

function whenSection({ report }: Telling): ReportSection {
  const dates = report.measures.flatMap(({ measure, when }) =>
    when === null || when.likely <= report.day
      ? []
      : [
          `${measureName(measure)} should be in its band about ${dateText(when.likely)}; eight times in ten between ${dateText(when.lo80)} and ${dateText(when.hi80)}, if practice goes on.`,
        ],
  );
  const owned = report.owned
    ? ['The change is owned: in band on two days a week apart, cold, at full speed and without the drill.']
    : [];
  const lesson = report.nextLesson === null ? [] : [`Next lesson: ${dateText(report.nextLesson)}.`];
  return plain('What comes', [...owned, ...dates, ...lesson]);
}

function practiceSection({ report, who, has }: Telling): ReportSection {
  const { repsDone, repsPlanned, passRate, since } = report.practised;
  if (repsDone === 0 && repsPlanned === 0) return plain('Practice', []);
  const asked = repsPlanned > 0 ? ` of ${repsPlanned} planned` : '';
  const rate = passRate === null ? '' : `; ${Math.round(100 * passRate)} in 100 of those judged counted`;
  const from = since === null ? '' : ` since ${dateText(since)}`;
  return plain('Practice', [`${who} ${has} logged ${repsDone}${asked} repetitions${from}${rate}.`]);
}

function filmSection({ report }: Telling): ReportSection {
  const [next] = report.measures.flatMap((one) => one.next ?? []);
  if (!next) return plain('Film next', []);
  const words = [CLUB_WORDS[next.club] ?? next.club, PLACE_WORDS[next.place] ?? next.place]
    .filter((word) => word !== '')
    .map((word) => word.toLowerCase());
  const aid = next.aid === 'on' ? 'with the drill' : 'without the drill';
  const text = [...words, aid].join(', ');
  return plain('Film next', [
    `${text.charAt(0).toUpperCase()}${text.slice(1)}: it tells most about where the change holds.`,
  ]);
}

function handoverSections(
  { report, nameOf, who }: Telling,
  { limits, past, leave, lastWords }: NonNullable<Report['handover']>,
): ReportSection[] {
  const kept = report.measures.flatMap(({ measure, kept: all }) =>
    all.map(
      ({ share, upToDays, gaps }) =>
        `${measureName(measure)}: ${Math.round(100 * share)} in 100 of a gain was there ${
          upToDays === null ? 'after three weeks and more' : `after ${upToDays} days at most`
        } (${gaps === 1 ? 'one gap' : `${gaps} gaps`}).`,
    ),
  );
  const felt = report.measures.flatMap(({ measure, felt: one }) =>
    one === null
      ? []
      : [
          `${measureName(measure)} feels ${one.per.toFixed(1)} times what is measured (${one.lo95.toFixed(1)} to ${one.hi95.toFixed(1)}; ${one.records} asked).`,
        ],
  );
  return [
    plain(
      'Take care with',
      limits.length === 0 ? [] : [limits.map((limit) => LIMIT_WORDS[limit] ?? limit).join(', ')],
    ),
    plain(
      'Worked on so far',
      past.map(({ fault, drills, from, to }) => {
        const named = drills.map(({ drill, reached }) =>
          reached === null
            ? nameOf(drill)
            : `${nameOf(drill)} (to “${STAGE_WORDS[reached]?.name.toLowerCase() ?? reached}”)`,
        );
        return `${faultName(fault)}, ${dateText(from)} to ${to === null ? 'now' : dateText(to)}: ${named.join(', ')}.`;
      }),
    ),
    plain(
      'Left alone',
      leave.length === 0 ? [] : [`${leave.map(faultName).join(', ')}: goes with the root.`],
    ),
    plain('What lasts', kept),
    plain('Felt against measured', felt),
    plain('Last words', lastWords === '' ? [] : [`${who}: “${lastWords}”`]),
    plain('Before it is handed over', [`Ask ${report.firstName}, or a guardian, whether it may be.`]),
  ];
}
