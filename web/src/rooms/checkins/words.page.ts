/** What waits on the phone. */
export const ON_THIS_PHONE_WORDS = {
  title: 'On this phone',
  waits: (sets: number, words: number, clips: number) => {
    const some = (count: number, one: string) => (count === 1 ? `one ${one}` : `${count} ${one}s`);
    const parts = [
      sets > 0 ? some(sets, 'set') : '',
      words > 0 ? some(words, 'message') : '',
      clips > 0 ? some(clips, 'clip') : '',
    ].filter((part) => part !== '');
    const said = parts.length > 0 ? parts.join(', ') : 'a report';
    return `Kept on this phone: ${said}.`;
  },
  byItself: 'It goes by itself as soon as there is a signal.',
  closed: 'This link is closed; it goes when you open a newer link on this phone.',
  noRoom: 'There is no room on this phone to keep all of it: leave this page open until it has gone.',
  part: (percent: number) => `Clip, ${percent} %`,
  clipWaits: 'Clip waits',
  sending: 'Sending the clip',
  leaveOut: 'Leave it out',
  a: { set: 'A set', checkin: 'A message', clip: 'A clip', pain: 'A report of pain' },
  notTaken: (what: string) => `Not taken: ${what}`,
  letItGo: 'Let it go',
} as const;

/** What the page says when it hurts. */
export const PAIN_STOP_WORDS = {
  title: 'Stopped: it hurts',
  soon: (coach: string) => `${coach} is being told. Until that has gone, ${coach} does not know.`,
  noSignal: (coach: string) =>
    `There is no signal. ${coach} will be told as soon as there is one, and does not know yet. Stay off these drills until you have talked.`,
  where: 'Where does it hurt?',
  say: 'Say it',
  slip: (seconds: number) => `A slip of the finger, nothing hurts (${seconds})`,
} as const;

/** What the page says without a signal. */
export const NO_SIGNAL_WORDS = {
  note: (when: string) =>
    `No signal. This is what this phone knows since ${when}; what you log is kept and goes later.`,
  again: 'Try now',
} as const;

/** What was said before. */
export const ALL_SAID_WORDS = {
  title: 'All that was said',
  what: 'what was said',
  you: 'You',
  along: 'what came along',
} as const;

/** What the phone says when it films by itself. */
export const FILM_HERE_WORDS = {
  open: 'Film it here',
  close: 'Put the camera away',
  which: 'From where?',
  sees: 'What the camera sees',
  walk: (seconds: number) => `Walk to the ball: ${seconds}`,
  films: (seconds: number) => `Filming: ${seconds}`,
  press: { rests: 'Film in 8 seconds', walks: 'Wait', films: 'That was it' },
  refused: 'The camera was refused. Allow it for this page in the browser, or choose a film below.',
  busy: 'Another program holds the camera. Close it, or choose a film below.',
  none: 'No camera can be used here. Film with the phone’s own camera and choose the film below.',
  camera: 'the camera',
} as const;

/** How the swings of a check-in were made. */
export const MADE_WORDS = {
  title: 'How did you swing?',
  club: 'Club',
  speed: 'Speed',
  aid: 'Aid',
  open: '–',
  speeds: { half: 'Half', three_quarter: 'Three quarter', full: 'Full' },
  aids: { on: 'On', off: 'Away' },
} as const;

/** What is asked of how it felt. */
export const HOW_FELT_WORDS = {
  title: (name: string) => `How far did it feel? ${name}`,
  amount: (unit: string) =>
    `In ${({ in: 'inches', cm: 'centimetres', deg: 'degrees' } as Record<string, string>)[unit] ?? unit}`,
  still: 'It stayed still',
  hint: 'Say it before you look. There is no wrong answer; leave it out if you can’t tell.',
} as const;

/** Said where this phone's day is another one than the coach's, and where the phone has no room. */
export const OTHER_DAY_WORDS = {
  differs: (here: string, today: string) =>
    `On this phone it is ${here}. On your coach’s calendar it is ${today}. What you do now counts for ${today}; the time on your phone is kept with it.`,
  understood: 'OK',
  noRoom:
    'This phone can’t keep what you count: it has no room, or the browser forbids it. Keep this page open until everything is sent.',
} as const;
