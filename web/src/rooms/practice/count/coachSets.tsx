import type { SetLog } from '@inchstep/contract/practice';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { Outbox, SendingNow } from '../../../platform/outbox.ts';
import { keys, LISTS } from '../../../platform/queryKeys.ts';
import { sendSet } from '../queries.ts';
import { dropWaiting, putWaiting, queuesWith, waitingSets } from './setQueue.ts';

const JOURNAL = 'coach.';
const SCOPE = 'coach.sets';

/** A set in the coach's outbox, with the student it is of. */
type CoachSet = SetLog & { readonly studentId: string };

let box: Outbox | null = null;
let sendings: readonly SendingNow[] = [];
const readers = new Set<() => void>();
const listen = (reader: () => void) => {
  readers.add(reader);
  return () => void readers.delete(reader);
};
const become = (all: readonly SendingNow[]): void => {
  sendings = all;
  for (const reader of readers) reader();
};

/** A set that the coach counted: in the journal at once, in the outbox a moment later, at the program when it can be. */
export function putCoachSet(studentId: string, set: SetLog): void {
  putWaiting(JOURNAL + studentId, set);
  drain();
}

/** The coach has read why it was not taken. */
export const dropCoachSet = (id: string): void => void box?.letGo(id);

/** A student's sets that have not gone yet, also those that were refused, with the reason. */
export function useCoachSets(
  studentId: string,
): readonly Pick<SendingNow & SetLog, 'id' | 'reps' | 'refused'>[] {
  const all = useSyncExternalStore(listen, () => sendings);
  return useMemo(
    () =>
      all
        .map(({ id, body, refused, state }) => ({ ...(body as unknown as CoachSet), id, refused, state }))
        .filter((set) => set.studentId === studentId && set.state !== 'there'),
    [all, studentId],
  );
}

/** The outbox takes over what the journal holds, also what an earlier page left there; one after the other. */
let draining: Promise<void> = Promise.resolve();
const drain = (): void => {
  draining = draining.then(takeOver).catch(() => undefined);
};

async function takeOver(): Promise<void> {
  for (const journal of queuesWith(JOURNAL))
    for (const set of waitingSets(journal)) {
      if (!box) return;
      const body: CoachSet = { ...set, studentId: journal.slice(JOURNAL.length) };
      await box.put({ id: set.id, what: 'set', body: { ...body } });
      dropWaiting(journal, set.id);
    }
}

/** Sends what a coach counted from every screen of the program. */
export function CoachSender() {
  const client = useQueryClient();
  useEffect(() => {
    let over = false;
    // A piece of its own: no screen waits for it.
    void import('../../../platform/outbox.ts').then(({ Outbox }) => {
      if (over) return;
      box = new Outbox({
        scope: SCOPE,
        carry: {
          set: async ({ body }) => {
            const { studentId, ...set } = body as unknown as CoachSet;
            await sendSet(studentId, set);
          },
        },
        onChange: become,
        onTaken: ({ body }) => {
          const { studentId } = body as unknown as CoachSet;
          for (const queryKey of [keys.student(studentId), ...LISTS])
            void client.invalidateQueries({ queryKey });
        },
      });
      drain();
    });
    return () => {
      over = true;
      box?.close();
      box = null;
    };
  }, [client]);
  return null;
}
