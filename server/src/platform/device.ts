import { createHmac, randomBytes, randomUUID, timingSafeEqual } from 'node:crypto';
import type { Db } from './db.ts';
import { programFact, putProgramFact } from './programFacts.ts';

export const DEVICE_COOKIE = 'inchstep_device';
const KEY = 'device_key';

/** A mark for a device that was let in: it opens nothing, but nobody else's wrong passphrases stand before it. */
export const newDeviceMark = (db: Db): string => {
  const id = randomUUID();
  return `${id}.${sealOf(db, id)}`;
};

/** The device's id where the mark is ours; else null. */
export function knownDevice(db: Db, mark: string | undefined): string | null {
  const [id, seal] = (mark ?? '').split('.');
  if (!id || !seal) return null;
  const [said, ours] = [Buffer.from(seal), Buffer.from(sealOf(db, id))];
  return said.length === ours.length && timingSafeEqual(said, ours) ? id : null;
}

function sealOf(db: Db, id: string): string {
  const kept = programFact(db, KEY);
  const key = typeof kept === 'string' ? kept : randomBytes(32).toString('base64url');
  if (key !== kept) putProgramFact(db, KEY, key);
  return createHmac('sha256', key).update(id).digest('base64url');
}

const BROWSERS: readonly [name: string, mark: RegExp][] = [
  ['Edge', /\bEdg/],
  ['Firefox', /Firefox|FxiOS/],
  ['Chrome', /Chrome|CriOS|Chromium/],
  ['Safari', /Safari/],
];
const SYSTEMS: readonly [name: string, mark: RegExp][] = [
  ['iPhone', /iPhone/],
  ['iPad', /iPad/],
  ['Android', /Android/],
  ['Windows', /Windows/],
  ['Mac', /Macintosh/],
  ['Linux', /Linux/],
];

/** A device in two words, so that a coach knows which session is which. */
export function deviceOf(userAgent: string | undefined): string {
  const named = (table: readonly [string, RegExp][]) =>
    table.find(([, mark]) => mark.test(userAgent ?? ''))?.[0];
  return [named(BROWSERS) ?? 'A program', named(SYSTEMS)].filter((part) => part !== undefined).join(' on ');
}
