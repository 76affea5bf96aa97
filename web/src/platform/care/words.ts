import { UNDO_MINUTES } from '@inchstep/core/foundation';
import { format } from 'date-fns';

/** Sentences of the screen "Data and devices". */
export const CARE_WORDS = {
  title: 'Data and devices',
  kept: 'What is kept here',
  backups: 'Backups',
  noFolder:
    'No folder for nightly backups is set. Start the program with BACKUP_DIR, or make one by hand: ./inchstep backup FILE.',
  noBackup: 'None yet. The first is made tonight, or now.',
  backupNow: 'Back up now',
  lookNow: 'Look through everything',
  neverLooked: 'The record has not been looked through yet.',
  nightly: 'Each night; the last seven nights and a night of each of the last four weeks stay.',
  records: 'Move or forget a record',
  pick: 'Whose record',
  nobody: 'choose a student',
  export: 'Export as ZIP',
  exportWhat:
    'Everything of this student as JSON, CSV, clips and letters; it can be taken in again elsewhere.',
  takeIn: 'Take in a ZIP',
  eraseAll: 'Erase this student …',
  eraseClip: 'Erase …',
  eraseGo: `Erase in ${UNDO_MINUTES} minutes`,
  keep: 'Keep it',
  waiting: 'To be erased',
  takeBack: 'Take back',
  receipts: 'Erased',
  sessions: 'Signed in',
  here: 'this one',
  end: 'End',
  endOthers: 'End all others',
  links: 'Students’ links',
  noLinks: 'No student’s link is open.',
  close: 'Close',
  neverUsed: 'not used yet',
  passphrase: 'Passphrase',
  before: 'The one now',
  after: 'The new one, at least 10 characters',
  change: 'Change it',
  changed: 'Changed. Every other session has ended.',
  contact: 'How students reach you',
  contactWhat:
    'Telephone or mail. Shown to a student whose page is closed, so that pain is never told to nobody.',
  keepContact: 'Keep',
} as const;

export const FOUND_WORDS: Readonly<Record<string, string>> = {
  pages: 'pages of the database are damaged',
  damaged: 'the database can’t be read',
  keys: 'rows point to nothing',
  events: 'students’ threads and rows differ',
  unsigned: 'rows without the note of their writing',
  half: 'notes of a writing without its row',
  clip_missing: 'clips are missing',
  to_erase: 'erased items not yet removed from the disk; the program will finish this by itself',
  clip_changed: 'clips are not what was put in',
};

/** What would go, counted; tables a coach would not name are left out. */
const COUNT_WORDS: Readonly<Record<string, readonly [one: string, many: string]>> = {
  clips: ['clip', 'clips'],
  swings: ['swing', 'swings'],
  shot_sets: ['set of shots', 'sets of shots'],
  diagnoses: ['diagnosis', 'diagnoses'],
  plans: ['plan', 'plans'],
  set_logs: ['practice set', 'practice sets'],
  checkins: ['check-in', 'check-ins'],
  mails: ['letter', 'letters'],
  enclosures: ['thing put with an answer', 'things put with answers'],
};

export function countsText(counts: Readonly<Record<string, number>>): string {
  const parts = Object.entries(COUNT_WORDS).flatMap(([key, [one, many]]) => {
    const n = counts[key] ?? 0;
    return n > 0 ? [`${n} ${n === 1 ? one : many}`] : [];
  });
  const bytes = counts.clipBytes ?? 0;
  return [...parts, ...(bytes > 0 ? [`${sizeText(bytes)} of film`] : [])].join(', ') || 'the profile';
}

export function sizeText(bytes: number): string {
  const mb = bytes / 1024 ** 2;
  if (mb >= 1000) return `${(mb / 1024).toFixed(1)} GB`;
  return mb >= 10 ? `${mb.toFixed(0)} MB` : `${mb.toFixed(1)} MB`;
}

export const momentText = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');

/** Minutes and seconds until a moment; never below nothing. */
export function untilText(dueAt: string, now: string): string {
  const seconds = Math.max(0, Math.round((Date.parse(dueAt) - Date.parse(now)) / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** What the backup rail says. */
export const BACKUP_RAIL_WORDS = {
  backupsOf: (shown: number, what: number) => `Backups of ${shown} of the last ${what} days`,
  wkAgo: (what: number) => `${what} wk ago`,
} as const;

/** What the data screen says. */
export const DATA_SCREEN_WORDS = {
  whatIsKept: 'what is kept',
} as const;

/** What the door panel says. */
export const DOOR_PANEL_WORDS = {
  kept: 'Kept.',
  telephoneOrMail: 'Telephone or mail',
} as const;

/** What the erasure list says. */
export const ERASURE_LIST_WORDS = {
  in: ', in',
  minutes: 'minutes',
  aStudent: 'a student',
  aClip: 'a clip',
  receipt: (id: string) => `(receipt ${id})`,
  clipOf: (name: string) => `A clip of ${name}`,
} as const;

/** What the kept panel says. */
export const KEPT_PANEL_WORDS = {
  backingUp: 'Backing up …',
  lookingThrough: 'Looking through …',
  lastOneCouldNot: (trouble: string) => `The last one could not be finished: ${trouble}`,
  readBackWhole: 'read back whole',
  notReadBackYet: 'not read back yet',
  lookedThrough: (at: string) => `Looked through ${at}:`,
  allWhole: 'all whole',
  rowsAndFilms: (rows: number, clips: number) => `, ${rows} rows and ${clips} films.`,
  lookedThroughNotAll: (at: string) => `Looked through ${at}: not all is whole.`,
  stopTheProgram: 'Stop the program and restore a backup: ./inchstep restore FILE.',
} as const;

/** What the record panel says. */
export const RECORD_PANEL_WORDS = {
  clips: 'Clips',
  whatIsNoted: ' (what is noted of it makes no sense)',
  erase: (fileName: string) => `Erase ${fileName}`,
  eraseUntil: `In ${UNDO_MINUTES} minutes. Until then you can undo it.`,
  goesFromThisProgram: (counts: string) => `goes from this program, with ${counts}.`,
  thisClip: 'This clip of',
  goesSwingsAndCheck: (clipBytes: string) =>
    `goes (${clipBytes}), and pictures, clips and talks that were made of it. Swings and check-ins that show it stay without it, and what was measured stays.`,
  backupInTheFolder: 'The backup in the folder holds it until the rota lets it go.',
  backupsInTheFolder: (backups: number) =>
    `The ${backups} backups in the folder hold it until the rota lets them go.`,
  taken: 'Taken in',
  stop: 'Stop',
} as const;

/** Words of the panel that shows an imported file before it is kept. */
export const TAKE_IN_WORDS = {
  title: (name: string) => `Student record: ${name}`,
  holds: (rows: number, clips: number) =>
    `This file is complete: ${rows} ${rows === 1 ? 'entry' : 'entries'} and ${clips} ${clips === 1 ? 'clip' : 'clips'}. Nothing has been imported yet.`,
  links: 'The student’s old links stay closed. Create a new link when you’re ready.',
  mail: (address: string) =>
    `Letters used to go to ${address}. No letter is sent there until you record at intake that the student agrees.`,
  unsent: (letters: number) =>
    letters === 1
      ? 'One letter was still waiting. It won’t be sent from this program.'
      : `${letters} letters were still waiting. They won’t be sent from this program.`,
  drill: {
    new: (name: string) =>
      `The drill “${name}” is new here. It’s added to your library, but no other student is offered it until you turn it on there.`,
    same: (name: string) => `The drill “${name}” is the same as yours.`,
    other: (name: string) => `The drill “${name}” differs from yours. Your version stays.`,
  },
  differences: 'Show differences',
  what: 'Field',
  ours: 'Yours',
  theirs: 'In the file',
  keep: (name: string) => `Import ${name}`,
  drop: 'Cancel import',
  isHere: (name: string) => `${name} was imported.`,
} as const;

/** What the space tape says. */
export const SPACE_TAPE_WORDS = {
  ofRecordInFilms: (databaseBytes: string, clipBytes: string, clips: number, freeBytes: string) =>
    `${databaseBytes} of record, ${clipBytes} in ${clips} films; ${freeBytes} free`,
  solid: 'solid',
  record: (databaseBytes: string) => `record ${databaseBytes}`,
  hatched: 'hatched',
  films: (clips: number, clipBytes: string) => `${clips} films ${clipBytes}`,
  freeOnThisDisk: (freeBytes: string) => `${freeBytes} free on this disk`,
} as const;

/** What the ways in panel says. */
export const WAYS_IN_PANEL_WORDS = {
  aDevice: 'A device',
  lastUsed: (lastUsedAt: string) => `last used ${lastUsedAt}`,
  used: (day: string) => `used ${day}`,
  openUntil: (used: string, until: string) => `${used}, open until ${until}`,
} as const;
