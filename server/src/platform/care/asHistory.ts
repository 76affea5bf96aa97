import { READING } from '@inchstep/contract/kept';
import { gistOf } from '../../rooms/measures/gist.ts';
import { readKept } from '../keptColumn.ts';
import type { Row } from './studentRows.ts';

/** Said of a letter that came in with a record and was never sent from here. */
export const CAME_WITH_A_RECORD = 'came_with_a_record';

type Change = (row: Row, at: string) => Row;

/**
 * What came from elsewhere is history: nothing of it is sent, opens a way in, goes on, or is trusted. By table, with the
 * moment of its coming; a table that is not named goes in as it was written.
 */
const CHANGES: Readonly<Record<string, Change>> = {
  // An address is agreed to again before anything goes there.
  students: (row) => ({ ...row, profile: unconfirmed(row.profile) }),
  // Who wrote the file may hold the token.
  links: (row, at) => ({ ...row, revoked_at: row.revoked_at ?? at }),
  // A letter that waited is the other program's to send; and so is the code with which its reader stops further ones.
  mails: (row, at) => ({
    ...row,
    stop_hash: null,
    next_try_at: null,
    ...(row.made_at === null && (row.failed_at ?? null) === null
      ? { made_at: at, goes_at: null, trouble: CAME_WITH_A_RECORD }
      : {}),
  }),
  replies: (row, at) => ({ ...row, goes_at: notAhead(row.goes_at, at) }),
  messages: (row, at) => ({ ...row, goes_at: notAhead(row.goes_at, at) }),
  lessons: (row, at) => ({ ...row, ended_at: row.started_at === null ? row.ended_at : (row.ended_at ?? at) }),
  drill_choices: (row) => ({ ...row, layers: datedCheckpoints(row) }),
  // What is made from another column says nothing of its own.
  readings: (row) => ({ ...row, gist: JSON.stringify(gistOf(readKept(READING, String(row.body)))) }),
};

export const asHistory = (table: string, row: Row, at: string): Row => CHANGES[table]?.(row, at) ?? row;

const notAhead = (goesAt: unknown, at: string): unknown =>
  typeof goesAt === 'string' && Date.parse(goesAt) > Date.parse(at) ? null : (goesAt ?? null);

function unconfirmed(profile: unknown): string {
  const told = JSON.parse(String(profile)) as { mail?: { address: string } | null };
  return JSON.stringify(told.mail ? { ...told, mail: { ...told.mail, agreedOn: null } } : told);
}

/** A checkpoint of an older file was set when its drills were chosen. */
function datedCheckpoints({ layers, at }: Row): string {
  const said = JSON.parse(String(layers ?? '{}')) as Record<string, number | { layer: number; at: string }>;
  return JSON.stringify(
    Object.fromEntries(
      Object.entries(said).map(([drill, word]) => [
        drill,
        typeof word === 'number' ? { layer: word, at } : word,
      ]),
    ),
  );
}
