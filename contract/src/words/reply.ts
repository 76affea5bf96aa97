import type { ReplyFacts } from '@inchstep/core/checkins';
import { Z95 } from '@inchstep/core/foundation';
import { dateText } from './dateText.ts';
import { HOUSE_WORDS } from './libraryWords.ts';
import { PAIN_CARE, STAGE_WORDS } from './practice.ts';
import { faultName, measureName } from './reasons.ts';
import { askText } from './requestWords.ts';
import { type Lengths, valueIn } from './values.ts';
import type { LibraryWords } from './wordsFrom.ts';

/**
 * A reply drafted from facts, in the order: better, key piece, how, leave, send next. The coach
 * edits it before it goes out; nothing in it is guessed.
 */
export function draftReply(
  facts: ReplyFacts,
  firstName: string,
  library: LibraryWords = HOUSE_WORDS,
  lengths: Lengths = 'in',
): string {
  const parts = facts.pain
    ? [
        `${firstName}, thank you for saying that it hurts.`,
        PAIN_CARE,
        'Tell me where it is and when it comes, and we will look at it together before you go on.',
      ]
    : [
        betterText(facts, firstName, valueIn(lengths)),
        worseText(facts, valueIn(lengths)),
        feltText(facts, valueIn(lengths)),
        practisedText(facts),
        keyText(facts, library),
        leaveAloneText(facts),
        sendText(facts, library),
      ];
  return parts.filter((part) => part !== '').join('\n\n');
}

function betterText(facts: ReplyFacts, firstName: string, show: ReturnType<typeof valueIn>): string {
  const { better, worse, film } = facts;
  const opening = `${firstName}, thank you for sending this.`;
  if (better.length === 0) {
    const seen = FILM_TEXT[film];
    return [opening, worse.length === 0 ? seen : ''].filter((part) => part !== '').join(' ');
  }
  const lines = better.map((m) => {
    const sure = m.verdict === 'real' ? 'is better' : 'is probably better';
    return `${measureName(m.id)} ${sure}: ${show(m.before, m.unit)} then, ${show(m.after, m.unit)} now.`;
  });
  const late = film === 'waits' ? ` ${FILM_TEXT.waits}` : '';
  return `${firstName}, first what moved. ${lines.join(' ')}${late}`;
}

/** What the letter says of the new clips where no measure has changed. */
const FILM_TEXT: Record<ReplyFacts['film'], string> = {
  none: 'No clip came this time, so I can’t say what has changed.',
  waits: 'Your new clips are being measured. I’ll tell you the results in my next letter.',
  measured: 'I measured your new clips. Nothing has clearly changed yet.',
  unseen: 'I couldn’t measure your new clips. Please film your whole body.',
};

function worseText({ worse, atEdge }: ReplyFacts, show: ReturnType<typeof valueIn>): string {
  const lines = worse.map((m) => {
    const sure = m.verdict === 'real' ? 'has gone the other way' : 'has probably gone the other way';
    return `${measureName(m.id)} ${sure}: ${show(m.before, m.unit)} then, ${show(m.after, m.unit)} now.`;
  });
  const edges = atEdge.map((id) => `${measureName(id)} is at its edge: do no more of it than now.`);
  return [...lines, ...edges].join(' ');
}

/** Felt beside measured, where both are known: the most useful thing to hear, also where nothing was felt. */
function feltText({ felt }: ReplyFacts, show: ReturnType<typeof valueIn>): string {
  if (!felt?.measured) return '';
  const name = measureName(felt.measure);
  const { value, sd } = felt.measured;
  const real = `${show(value, felt.unit)}, give or take ${show(Z95 * sd, felt.unit)}`;
  return felt.felt === 0
    ? `You felt nothing move there; ${name} was ${real}.`
    : `You felt ${show(felt.felt, felt.unit)}; ${name} was ${real}.`;
}

function practisedText({ practised }: ReplyFacts): string {
  if (practised.repsDone === 0) return 'I have no repetitions from you yet since we last spoke.';
  const rate =
    practised.passRate === null
      ? ''
      : ` and ${Math.round(practised.passRate * 100)} % of those you judged counted`;
  // A plan rebuilt today has asked for nothing yet.
  const asked = practised.repsPlanned > 0 ? ` of ${practised.repsPlanned}` : '';
  return `You logged ${practised.repsDone}${asked} repetitions${rate}.`;
}

const GATE_TEXT: Record<NonNullable<ReplyFacts['gate']>, string> = {
  advance: 'You have earned the next rung.',
  hold: 'Stay on this rung for now; it is not yours yet.',
  continue: 'A few more on this rung before we decide.',
  back: 'Go back one rung and make it easy again.',
};

function keyText(facts: ReplyFacts, library: LibraryWords): string {
  if (!facts.key) return '';
  const words = library.wordsOf(facts.key.drill);
  const stage = STAGE_WORDS[facts.key.stage];
  const speed = facts.key.speedPct > 0 ? ` at about ${facts.key.speedPct} % speed` : '';
  const gate = facts.gate ? `${GATE_TEXT[facts.gate]} ` : '';
  const { layer, layers, day } = facts.key;
  const point = layers > 1 ? words?.layers?.[layer - 1] : undefined;
  const counts = `It counts when: ${(point ?? words?.counts ?? '').toLowerCase()}`;
  return [
    `${gate}The one piece now: ${words?.name ?? facts.key.drill}, ${stage?.name.toLowerCase() ?? facts.key.stage}${speed}.`,
    words?.cue ?? '',
    counts,
    day ? dayText(day) : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
}

/** "A session is 8 sets: 16 rehearsals and 8 balls." */
function dayText({ sets, reps, balls }: NonNullable<NonNullable<ReplyFacts['key']>['day']>): string {
  const some = (count: number, one: string) => (count === 1 ? `one ${one}` : `${count} ${one}s`);
  const parts = [reps > 0 ? some(reps, 'rehearsal') : '', balls > 0 ? some(balls, 'ball') : ''];
  return `A session is ${some(sets, 'set')}: ${parts.filter((part) => part !== '').join(' and ')}.`;
}

const leaveAloneText = ({ leave }: ReplyFacts): string =>
  leave.length === 0
    ? ''
    : `Leave alone for now: ${leave.map((id) => faultName(id).toLowerCase()).join(', ')}. It should ease by itself.`;

function sendText({ sendNext }: ReplyFacts, library: LibraryWords): string {
  if (!sendNext) return '';
  const nameOf = (id: string) => library.wordsOf(id)?.name ?? id;
  return `Next, send me this by ${dateText(sendNext.dueOn)}: ${askText(sendNext, nameOf)}.`;
}
