import type { ReplyFacts } from '@inchstep/core/checkins';
import { dateText } from './dateText.ts';
import { HOUSE_WORDS } from './libraryWords.ts';
import { PAIN_WORDS, STAGE_WORDS } from './practice.ts';
import { faultName, measureName } from './reasons.ts';
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
        PAIN_WORDS,
        'Tell me where it is and when it comes, and we will look at it together before you go on.',
      ]
    : [
        betterText(facts, firstName, valueIn(lengths)),
        practisedText(facts),
        keyText(facts, library),
        leaveAloneText(facts),
        sendText(facts),
      ];
  return parts.filter((part) => part !== '').join('\n\n');
}

function betterText(facts: ReplyFacts, firstName: string, show: ReturnType<typeof valueIn>): string {
  if (facts.better.length === 0) return `${firstName}, thank you for sending this.`;
  const lines = facts.better.map((m) => {
    const sure = m.verdict === 'real' ? 'is better' : 'is probably better';
    return `${measureName(m.id)} ${sure}: ${show(m.before, m.unit)} then, ${show(m.after, m.unit)} now.`;
  });
  return `${firstName}, first what moved. ${lines.join(' ')}`;
}

function practisedText({ practised }: ReplyFacts): string {
  if (practised.repsDone === 0) return 'I have no repetitions from you yet since we last spoke.';
  const rate =
    practised.passRate === null
      ? ''
      : ` and ${Math.round(practised.passRate * 100)} % of those you judged counted`;
  // A plan laid anew today has asked for nothing yet.
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
  return `${gate}The one piece now: ${words?.name ?? facts.key.drill}, ${stage?.name.toLowerCase() ?? facts.key.stage}${speed}. ${words?.cue ?? ''} It counts when: ${(words?.counts ?? '').toLowerCase()}`;
}

const leaveAloneText = ({ leave }: ReplyFacts): string =>
  leave.length === 0
    ? ''
    : `Leave alone for now: ${leave.map((id) => faultName(id).toLowerCase()).join(', ')}. It should ease by itself.`;

function sendText({ sendNext }: ReplyFacts): string {
  if (!sendNext) return '';
  const view =
    sendNext.view === 'face_on' ? 'face-on, phone at belt height' : 'down the line, phone on the hand line';
  return `Next, send ${sendNext.swings} swings ${view}, by ${dateText(sendNext.by)}.`;
}
