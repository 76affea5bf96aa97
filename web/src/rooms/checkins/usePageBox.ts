import type { CheckinSend, PainSend } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import type { SetLog } from '@inchstep/contract/practice';
import { urlOf } from '@inchstep/contract/wire/address';
import type { ViewKind } from '@inchstep/core/intake';
import { useCallback, useEffect, useRef, useState } from 'react';
import { carryClip } from '../../platform/carryClip.ts';
import { Outbox, type SendingNow } from '../../platform/outbox.ts';
import type { Waiting } from '../../platform/sendingStore.ts';
import { dropWaiting, putWaiting, waitingSets } from '../practice/index.ts';
import { sendCheckin, sendPain, sendSet, takeClip } from './queries.ts';

/** A clip that goes with a check-in. */
export interface ChosenClip {
  readonly id: string;
  readonly file: File;
  readonly kind: ViewKind;
  readonly recordedOn: string;
}

/** The journal of sets is written at once, in one step; the box takes them over. */
const journalOf = (token: string): string => token.slice(0, 12);

/**
 * Everything that this phone sends for a student: kept here first, in order, each once, over a closed page, an empty
 * battery and a newer link. None before it is known whose page it is.
 */
export function usePageBox(token: string, studentId: string | null, onTaken: (what: Waiting) => void) {
  const [sendings, setSendings] = useState<readonly SendingNow[]>([]);
  const [closed, setClosed] = useState(false);
  const box = useRef<Outbox | null>(null);
  const hands = useRef({ token, onTaken });
  hands.current = { token, onTaken };
  const drain = useCallback(async () => {
    for (const set of waitingSets(journalOf(token))) {
      if (!box.current) return;
      await box.current.put({ id: set.id, what: 'set', body: { ...set } });
      dropWaiting(journalOf(token), set.id);
    }
  }, [token]);
  useEffect(() => {
    if (studentId === null) return;
    const by = () => hands.current.token;
    const made = new Outbox({
      scope: `page.${studentId}`,
      carry: {
        pain: async ({ body }) => void (await sendPain(by(), body as unknown as PainSend)),
        set: async ({ body }) => void (await sendSet(by(), body as unknown as SetLog)),
        checkin: async ({ body }) => void (await sendCheckin(by(), body as unknown as CheckinSend)),
        clip: carryClip(
          () => urlOf(wire.page.beginPieces, { token: by() }),
          (_, whole) => takeClip(by(), whole),
        ),
      },
      onChange: (all, isClosed) => {
        setSendings(all);
        setClosed(isClosed);
      },
      onTaken: (what) => hands.current.onTaken(what),
    });
    box.current = made;
    void drain();
    // A page that goes away has no time to wait for a second thought.
    const leave = () => void made.release();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      box.current = null;
      made.close();
    };
  }, [studentId, drain]);
  return {
    sendings,
    closed,
    putSet: (set: SetLog) => {
      putWaiting(journalOf(token), set);
      void drain();
    },
    putPain: (pain: PainSend, heldUntil: number | null) =>
      box.current?.put({ id: pain.id, what: 'pain', body: { ...pain }, heldUntil }),
    putWords: async (checkin: CheckinSend, clips: readonly ChosenClip[]) => {
      let kept = true;
      if (clips.length > 0) await askToKeep();
      for (const { id, file, kind, recordedOn } of clips) {
        const body = { kind, recordedOn, note: {} };
        kept = ((await box.current?.put({ id, what: 'clip', file, body })) ?? false) && kept;
      }
      const after = clips.map(({ id }) => id);
      await box.current?.put({ id: checkin.id, what: 'checkin', body: { ...checkin }, after });
      return kept;
    },
    letGo: (id: string) => void box.current?.letGo(id),
    again: () => void box.current?.flush(),
  };
}
export type PageBox = ReturnType<typeof usePageBox>;

/** A browser that is asked does not throw clips away when the phone is short of room. */
const askToKeep = async (): Promise<void> => void (await navigator.storage?.persist?.().catch(() => false));

/** Sets that wait or have just gone, as they were counted. */
export const setsIn = (sendings: readonly SendingNow[]): SetLog[] =>
  sendings
    .filter(({ what, state }) => what === 'set' && state !== 'refused')
    .map(({ body }) => body as unknown as SetLog);
