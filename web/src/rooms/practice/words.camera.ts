/** What a phone in the bay says. */
export const CAMERA_WORDS = {
  title: 'A camera of this lesson',
  films: (student: string, coach: string) => `${student}, with ${coach}`,
  which: 'Which side does this phone film?',
  sees: 'What this phone sees',
  refused: 'The camera was refused. Allow it for this page in the phone’s settings, then press a side again.',
  busy: 'Another app has the camera. Close it, then press a side again.',
  none: 'No camera answers here. Press a side again, or use another phone.',
  consent: 'A guardian has not agreed yet that this child is filmed. Nothing is kept until then.',
  noTls:
    'Without a certificate this page may not use the camera itself: the phone’s own camera is opened instead.',
  over: 'The lesson is over. What this phone filmed still goes; leave the page open until it has.',
  waits: 'Wait for the coach to ask for a take.',
  filmNow: 'Film this take',
  take: (number: number) => `Take ${number}:`,
  state: {
    films: 'is being filmed',
    sends: 'is on its way',
    waits: 'waits for the connection, and goes by itself',
    there: 'has arrived',
    refused: 'was not taken',
  },
} as const;

/** What the coach's side of it says. */
export const CAMERA_DESK_WORDS = {
  title: 'Phones as cameras',
  open: 'Show the code',
  anew: 'A new code',
  read: 'Read it with a phone’s camera, choose a side, and leave the page open.',
  code: 'The code that a phone reads',
  local:
    'This page was opened at an address that only this machine knows. Start the program with HOST=0.0.0.0 and open it by the machine’s address in the bay’s network.',
  warns: 'The phone warns of this address',
  trust: (address: string) =>
    `The program made its own certificate. Open ${address} on the phone: it says how the phone comes to trust it. This must be the fingerprint there:`,
  nobody: 'No phone is here yet.',
  here: (views: string) => `Here: ${views}.`,
  take: 'Take a swing',
  takeKey: 'T',
  asked: 'Both begin in a moment.',
  takes: 'Takes',
  arrived: (views: string) => (views === '' ? 'on the way' : `${views} there`),
  bench: 'To the bench',
} as const;
