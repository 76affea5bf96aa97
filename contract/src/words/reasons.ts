import { Z95 } from '@inchstep/core/foundation';
import type { SchoolQuestion } from '@inchstep/core/intake';
import { BLOCKER_WORDS, FAULT_WORDS, FINDING_WORDS } from './faults.ts';
import { HOUSE_WORDS } from './libraryWords.ts';
import { MEASURE_WORDS } from './measures.ts';
import { AID_WORDS, LIMIT_WORDS, PLACE_WORDS } from './practice.ts';
import { type Lengths, valueIn } from './values.ts';
import type { LibraryWords } from './wordsFrom.ts';

/** A chance is never told as certain. */
export const chanceText = (probability: number): string =>
  probability > 0.99 ? 'over 99 %' : `${Math.round(probability * 100)} %`;

export const faultName = (id: string): string => FAULT_WORDS[id] ?? id;
export const measureName = (id: string): string => MEASURE_WORDS[id]?.name ?? id;
export const drillName = (id: string): string => HOUSE_WORDS.nameOf(id);

/** A finding as a look: "hips not open at impact". */
export function findingName(id: string): string {
  const seen = FINDING_WORDS[id];
  if (seen) return seen;
  const [measure, side] = id.split('.') as [string, 'low' | 'high'];
  return MEASURE_WORDS[measure]?.[side] ?? id;
}

interface WeighedWords {
  readonly finding: string;
  readonly weight: number;
  readonly source: string;
  readonly measure?:
    | {
        readonly id: string;
        readonly value: number;
        readonly sd: number;
        readonly severity: number;
        readonly band: { readonly lo: number | null; readonly hi: number | null; readonly unit: string };
      }
    | undefined;
}

/** One plain line for a piece of evidence, with the number behind it. */
export function weighedText(entry: WeighedWords, lengths: Lengths = 'in'): string {
  const { measure } = entry;
  if (!measure)
    return entry.weight > 0
      ? `Seen: ${findingName(entry.finding)}.`
      : `Looked for and not seen, or it points elsewhere: ${findingName(entry.finding)}.`;
  const { unit, lo, hi } = measure.band;
  const show = valueIn(lengths);
  const band =
    lo === null
      ? `up to ${show(hi ?? 0, unit)}`
      : hi === null
        ? `from ${show(lo, unit)}`
        : `${show(lo, unit)} to ${show(hi, unit)}`;
  const spread = unit === 'clock' ? `${Math.round(Z95 * measure.sd * 60)} min` : show(Z95 * measure.sd, unit);
  return `${measureName(measure.id)} ${show(measure.value, unit)}, give or take ${spread}; the band is ${band}.`;
}

/** What the student is sure of beside what the film shows. */
export const feltAgainstText = ({ felt, shown }: { readonly felt: string; readonly shown: string }): string =>
  `The student ${findingName(felt)}; the film shows: ${findingName(shown)}. Show both, side by side.`;

/** Two looks of which one must be wrong, and which to take again. */
export const contradictionText = (both: {
  readonly findings: readonly [string, string];
  readonly repeat: string;
}): string =>
  `“${findingName(both.findings[0])}” and “${findingName(both.findings[1])}” can’t both be so. Look again: ${findingName(both.repeat)}?`;

export function leaveText(why: {
  readonly code: string;
  readonly root?: string | undefined;
  readonly findings?: readonly [string, string] | undefined;
}): string {
  if (why.findings)
    return `stands against another look: “${findingName(why.findings[0])}” or “${findingName(why.findings[1])}”, not both`;
  if (why.code === 'follows')
    return `follows from “${faultName(why.root ?? '')}”; it should ease when that does`;
  return why.code === 'later' ? 'real, but not first' : 'not sure enough yet';
}

export function nextLookText(look: {
  readonly kind: string;
  readonly id: string;
  readonly between: readonly string[];
}): string {
  const between = look.between.map(faultName).join('” or “');
  const ask =
    look.kind === 'measure'
      ? `Measure “${measureName(look.id)}”`
      : look.kind === 'view'
        ? 'Film down the line'
        : look.kind === 'object_test'
          ? `Try with a post: ${findingName(look.id)}?`
          : `Look or ask: ${findingName(look.id)}?`;
  return `${ask} It says most about “${between}”.`
    .replace('? It', '? It')
    .replace('” It', '”. It')
    .replace('line It', 'line. It');
}

const CHOICE_WORDS = {
  trail_leg: 'trail leg',
  centre: 'centre',
  turn_thought: 'turn thought',
  forward_bearing: 'direction coming down',
  setup_bias: 'setup',
  trail_foot: 'trail foot',
  head: 'head',
  lead_knee: 'lead knee',
  turn_amount: 'how far the hips turn',
  drop: 'drop starting down',
  lead_leg: 'lead leg coming down',
  through: 'through the ball',
  begin_at: 'where to begin',
} satisfies Record<SchoolQuestion, string>;
export const choiceText = (choice: string): string => {
  const [question, option] = choice.split('.') as [SchoolQuestion, string];
  return `${CHOICE_WORDS[question]}: ${option.replaceAll('_', ' ')}`;
};

/** After another drill, or after the fault that leaves the top without depth. */
const afterText = (about: string, nameOf: LibraryWords['nameOf']): string =>
  FAULT_WORDS[about]
    ? `Depth at the top comes first: “${faultName(about)}”.`
    : `Comes after “${nameOf(about)}”.`;

export function refusalText(
  refusal: { readonly code: string; readonly about: string },
  { nameOf }: LibraryWords = HOUSE_WORDS,
): string {
  const { code, about } = refusal;
  const list = (words: Readonly<Record<string, string>>) =>
    about
      .split('/')
      .map((id) => words[id] ?? id)
      .join(' or ');
  switch (code) {
    case 'limit':
      return `Not with this limit: ${LIMIT_WORDS[about] ?? about}.`;
    case 'aid':
      return `Needs ${list(AID_WORDS)}, which the student does not have.`;
    case 'place':
      return `Only works at: ${list(PLACE_WORDS).toLowerCase()}.`;
    case 'school':
      return `Another school’s drill (${choiceText(about)}).`;
    case 'clash':
      return `Fights a drill in use: ${nameOf(about)}.`;
    case 'overdo':
      return `Overdone, it makes “${faultName(about)}”, which is already there, and no drill that guards it can go with it.`;
    case 'prerequisite':
      return BLOCKER_WORDS[about] ?? afterText(about, nameOf);
    default:
      return 'Too weak for this fault.';
  }
}

const PART_WORDS: Readonly<Record<string, (about: string) => string>> = {
  root: (about) => `made for “${faultName(about)}”`,
  downstream: (about) => `also helps “${faultName(about)}”`,
  own_thought: (about) => `your school’s own thought (${choiceText(about)})`,
  allowed_thought: (about) => `another school’s thought (${choiceText(about)})`,
  guards: (about) => `keeps “${HOUSE_WORDS.nameOf(about)}” from being overdone`,
  cue_kind: (about) =>
    about === 'external' ? 'an object to feel, as the student likes' : 'an inner feel, as the student likes',
  cue_side: (about) => `thinks of the ${about} side, as the student likes`,
  self_judged: () => 'the student can judge it alone',
  filmable: () => 'its measure shows in the view the student films',
  places: (about) =>
    `works at: ${about
      .split('/')
      .map((p) => PLACE_WORDS[p]?.toLowerCase() ?? p)
      .join(', ')}`,
  worked: () => 'worked with this student before',
  stalled: () => 'stalled with this student before',
  disliked: () => 'the student did not like it before',
  gain: (about) => {
    const [gain, usual, courses] = about.split('/');
    return `gained ${gain} steps per 100 repetitions in ${courses === '1' ? 'one course' : `${courses} courses`} of your students (other drills: ${usual})`;
  },
  record: (about) => `worked with ${about.replace('/', ' of ')} of your students`,
  load: (about) => `loads the ${LIMIT_WORDS[about] ?? about} a little`,
};
export const partText = (part: { readonly code: string; readonly about: string }): string =>
  PART_WORDS[part.code]?.(part.about) ?? part.code;
