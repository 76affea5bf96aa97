import { fromKept, type KeptDocument, toKeep, UnreadableDocument } from '@inchstep/contract/kept';
import { customType } from 'drizzle-orm/sqlite-core';
import { Refusal } from './errors.ts';

/** A text column that holds a versioned document: older versions are brought up when they are read. */
export const keptColumn = <T extends object>(name: string, kept: KeptDocument<T>) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify(toKeep(kept, value)),
    fromDriver: (text) => readKept(kept, text),
  })(name);

/** The same for what is read without Drizzle. */
export function readKept<T extends object>(kept: KeptDocument<T>, text: string): T {
  try {
    return fromKept(kept, JSON.parse(text));
  } catch (error) {
    if (!(error instanceof UnreadableDocument)) throw error;
    throw new Refusal('document_unreadable', { document: error.document, why: error.why, at: error.at });
  }
}
