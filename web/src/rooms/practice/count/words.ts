import { SET_REPS } from '@inchstep/core/practice';

/** What the runner says while it counts. */
export const RUNNER_WORDS = {
  counts: 'It counts when:',
  counted: 'Counted',
  missed: 'Missed',
  notSure: 'Not sure',
  logSet: 'Log this set',
  felt: (felt: number | null) =>
    felt === null ? 'How did it feel? Not answered yet' : `How did it feel? ${felt} of 10`,
  feltNot: 'Clear answer',
  title: (drill: string) => `Counting: ${drill}`,
  step: {
    rehearse: (rep: number, of: number) =>
      of === SET_REPS ? `Repetition ${rep} of ${of}` : `Rehearse, ${rep} of ${of - 1}`,
    ball: 'One ball',
    look: 'Look',
    done: 'Done',
    stopped: 'Stopped',
  },
  set: (set: number, of: number | null) => (of === null ? `Set ${set}` : `Set ${set} of ${of}`),
  aid: { on: 'aid on', off: 'aid away' },
  feel: 'without the drill: its feel alone',
  hold: 'stop there and hold',
  met: 'How did you meet it? (if you know)',
  lookAt: 'Look at the picture before you go on. A look is no repetition.',
  looked: 'Looked, go on',
  count: (passed: number, judged: number) => `${passed} of ${judged} counted`,
  pace: (seconds: number) => `${Math.round(seconds)} s each`,
  more: 'One more set',
  doneText: (reps: number) => `That was all of it: ${reps} repetitions.`,
  pain: 'It hurts: stop',
  stoppedText: 'Stop here. Pain is never part of the drill; rest, and have it looked at if it stays.',
  slip: 'A slip of the finger, nothing hurts',
  nextLayer: 'This checkpoint holds. Add the next one',
  keys: 'P or page down: counted · F or page up: missed · U: not sure · Enter: looked · Backspace: take one back · S: it hurts',
  takeBack: 'Take one back',
} as const;

/** What a coach’s count says beside the runner. */
export const COUNT_WORDS = {
  here: 'Count a set now',
  anew: 'Start over',
  where: 'Where does it hurt?',
  hold: 'Pause the drills',
  held: 'The drills are paused for pain until you lift the pause.',
  waiting: (count: number) =>
    count === 1 ? 'One set waits for a signal.' : `${count} sets wait for a signal.`,
  refused: (reps: number, why: string) => `A set of ${reps} was not saved: ${why}`,
  letGo: 'Dismiss',
  others: (reps: number, coach: boolean, minutes: number) =>
    `${coach ? 'Another coach' : 'The student'} is counting this drill on another device: ${reps} ${reps === 1 ? 'repetition' : 'repetitions'} so far today, the last ${minutes < 1 ? 'just now' : minutes === 1 ? 'a minute ago' : `${minutes} minutes ago`}. Your count starts at 0; let one of you count.`,
} as const;
