import { UNDO_MINUTES } from '@inchstep/core/foundation';
import { type ProblemWords, p } from './problemWords.ts';

/** Who gets in, what is kept, and what the machine itself refuses. */
export const DOOR_PROBLEMS = {
  not_found: p(404, 'This is not here (any more).', 'Go back and open it again from the list.'),
  signed_out: p(401, 'You are signed out.', 'Sign in again; nothing you saved is lost.'),
  wrong_passphrase: p(401, 'That passphrase does not open this program.', 'Check capitals and try again.'),
  already_set_up: p(409, 'This program has a coach already.', 'Sign in with the passphrase.'),
  changed_meanwhile: p(
    409,
    'Somebody saved a newer version of this.',
    'Load the newest version and make your change again.',
  ),
  link_unknown: p(
    404,
    'This link opens nothing.',
    'Check that the whole address was copied, or ask your coach for a new link.',
  ),
  link_expired: p(410, 'This link has run out.', 'Ask your coach for a new one; nothing you sent is lost.'),
  link_revoked: p(
    410,
    'This link was closed by your coach.',
    'Ask your coach for a new one; nothing you sent is lost.',
  ),
  too_many_requests: p(429, 'Too many tries in a short time.', 'Wait a minute and try again.'),
  body_too_heavy: p(
    413,
    'This is too much to send at once.',
    'Send less: one swing, one session, or fewer drills.',
  ),
  clip_quota: p(
    413,
    'This link has sent as much film as it can in one week.',
    'Try again in a few days, or ask your coach to add the clip.',
  ),
  take_unasked: p(
    409,
    'The coach hasn’t asked this phone for a clip.',
    'Film again when the coach starts a take.',
  ),
  strange_address: p(400, 'An address must begin with a slash.', 'Ask for the page by its path alone.'),
  strange_host: p(
    421,
    'This program does not go by the name {host}.',
    'Open it by the address it printed at its start, or set PUBLIC_URL to the one you use.',
  ),
  strange_origin: p(
    403,
    'This was sent by a page of another site.',
    'Open the program itself and do it there; behind a proxy, set PUBLIC_URL.',
  ),
  write_header: p(
    403,
    'A change must carry the header {header}, which pages of other sites can’t send.',
    'Send it with any value; the program’s own pages do.',
  ),
  id_taken: p(
    409,
    'Something else is kept under this id already, so this was not kept.',
    'Enter it again; it then gets an id of its own.',
  ),
  letter_gone: p(
    409,
    'This letter has gone already.',
    'Write another that puts it right; what it decided can be undone where it was decided.',
  ),
  student_archived: p(409, 'This student is archived.', 'Bring the student back to the roster first.'),
  link_closed: p(
    410,
    'This page is closed. If something hurts: stop, rest, and tell your coach ({contact}); see a doctor or physiotherapist if it stays or is sharp.',
    'Ask your coach for a new link; nothing you sent is lost.',
  ),
  busy: p(503, 'The program is busy reading other files.', 'Wait a moment and send it again.'),
  disk_full: p(
    507,
    'There is no room left on this machine’s disk, so this was not kept.',
    'Make room and send it again; what is kept can still be read.',
  ),
  read_only: p(
    507,
    'The data folder can’t be written, so this was not kept.',
    'Make the folder writable and send it again; what is kept can still be read.',
  ),
  record_damaged: p(
    500,
    'A part of the record on this disk is damaged.',
    'Stop the program, run ./inchstep verify, and restore a backup.',
  ),
  archive_unreadable: p(
    400,
    'This file is no export of a student ({part}).',
    'Choose the ZIP as the program wrote it; nothing was taken in.',
  ),
  archive_newer: p(
    400,
    'This export was written by a newer Inch Step.',
    'Bring this program up to date first; nothing was taken in.',
  ),
  already_here: p(
    409,
    'This student is here already.',
    'Open the student, or erase the record first; nothing was taken in.',
  ),
  erase_due: p(
    409,
    `The ${UNDO_MINUTES} minutes are over: this is erased already.`,
    'An export or a backup made before holds it still.',
  ),
  no_backup_folder: p(
    409,
    'No folder for backups is set.',
    'Start the program with BACKUP_DIR, or make one with ./inchstep backup FILE.',
  ),
  camera_closed: p(
    401,
    'This camera’s lesson is over, or its code was renewed.',
    'Read the code on the coach’s screen again.',
  ),
  lesson_running: p(409, 'Another lesson with this student is going on.', 'Open that one, or end it first.'),
  lesson_begun: p(
    409,
    'This lesson has already started. You can end it, but not move or cancel it.',
    'End it, and agree another one.',
  ),
  lesson_not_begun: p(409, 'This lesson has not begun.', 'Begin it first.'),
  broken: p(
    500,
    'Something broke in the program.',
    'Try again; if it happens again, the log has the details.',
  ),
} as const satisfies Record<string, ProblemWords>;
