import type { NoteTag } from '@inchstep/core/practice';
import type { LessonSummary } from '@inchstep/core/progress';
import { dateText } from './dateText.ts';
import { HOUSE_WORDS } from './libraryWords.ts';
import { VIEW_WORDS } from './measures.ts';
import { STAGE_WORDS } from './practice.ts';
import { faultName, measureName } from './reasons.ts';
import { type Lengths, valueIn } from './values.ts';
import type { LibraryWords } from './wordsFrom.ts';

/** Keys of one press, as they stand before what was said. */
export const NOTE_WORDS: Readonly<Record<NoteTag, string>> = {
  felt: 'felt',
  feels_like: 'Feels like',
  said: 'Said',
  try_next: 'Try next',
  leave: 'Leave',
  note: 'Note',
};

type Parts = LessonSummary;

/**
 * A lesson's summary drafted from what was done in it: what moved, the one piece, how much and when, how to know
 * that it counted, what to leave, what to send. The coach edits it before it goes out; nothing in it is guessed.
 */
export function draftLesson(
  facts: LessonSummary,
  firstName: string,
  library: LibraryWords = HOUSE_WORDS,
  lengths: Lengths = 'in',
): string {
  const parts = [
    betterText(facts, firstName, lengths),
    countsText(facts, library),
    pieceText(facts, library),
    weekText(facts),
    notesText(facts),
    leaveText(facts),
    nextText(facts),
  ];
  return parts.filter((part) => part !== '').join('\n\n');
}

function betterText({ better }: Parts, firstName: string, lengths: Lengths): string {
  const show = valueIn(lengths);
  if (better.length === 0) return `${firstName}, this is what we did today.`;
  const lines = better.map(({ id, unit, before, after, verdict }) => {
    const sure = verdict === 'real' ? 'has moved' : 'has probably moved';
    return `${measureName(id)} ${sure} the right way, from ${show(before, unit)} to ${show(after, unit)}.`;
  });
  return `${firstName}, first the good news. ${lines.join(' ')}`;
}

function countsText({ counts }: Parts, library: LibraryWords): string {
  const lines = counts.map(({ drill, stage, passed, judged }) => {
    const rung = STAGE_WORDS[stage]?.name.toLowerCase() ?? stage;
    return `${library.nameOf(drill)}, ${rung}: ${passed} of ${judged} counted.`;
  });
  return lines.length === 0 ? '' : `What we repeated. ${lines.join(' ')}`;
}

function pieceText({ piece }: Parts, library: LibraryWords): string {
  if (!piece) return '';
  const words = library.wordsOf(piece.drill);
  const rung = STAGE_WORDS[piece.stage]?.name.toLowerCase() ?? piece.stage;
  const counts = words?.counts ? ` It counts when: ${words.counts}` : '';
  return `Your one piece until we meet again: ${library.nameOf(piece.drill)}, ${rung}. ${words?.cue ?? ''}${counts}`;
}

function weekText({ week }: Parts): string {
  if (!week) return '';
  const days = week.days === 1 ? 'one day' : `${week.days} days`;
  return `In the next seven days: ${week.reps} repetitions on ${days}, beginning ${dateText(week.first)}. Your page has each of them.`;
}

const notesText = ({ notes }: Parts): string =>
  notes.map(({ tag, text }) => `${NOTE_WORDS[tag]}: ${text}`).join('\n');

const leaveText = ({ leave }: Parts): string =>
  leave.length === 0
    ? ''
    : `Nothing to do about ${leave.map((id) => faultName(id).toLowerCase()).join(', ')}: it follows from the one piece.`;

function nextText({ next, send }: Parts): string {
  const views = send.kinds.map((kind) => VIEW_WORDS[kind]?.toLowerCase() ?? kind).join(' and ');
  const lesson = next
    ? ` We meet again ${dateText(next.day)}${next.time === null ? '' : ` at ${next.time}`}.`
    : '';
  return `Send me ${send.swings} swings ${views} by ${dateText(send.dueOn)}.${lesson}`;
}

export const LESSON_MAIL = { subject: 'Your lesson' } as const;
