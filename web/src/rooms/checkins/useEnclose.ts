import type { Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { newId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { sendEnclosure } from './enclosedQueries.ts';

export interface Made {
  readonly kind: Enclosure['kind'];
  readonly title: string;
  readonly file: File;
  readonly clipIds: readonly string[];
  readonly talk: TalkDocument | null;
}
/** One on its way, under an id of its own: sent again it counts once. */
export interface OnItsWay extends Made {
  readonly id: string;
  readonly share: number;
  readonly error: Error | null;
}

/** Sends what was made to the answer of a check-in; what does not come through stays here and can be sent again. */
export function useEnclose(studentId: string, checkinId: string) {
  const client = useQueryClient();
  const [onTheWay, setOnTheWay] = useState<readonly OnItsWay[]>([]);
  const change = useCallback((id: string, more: Partial<OnItsWay>) => {
    setOnTheWay((all) => all.map((one) => (one.id === id ? { ...one, ...more } : one)));
  }, []);
  const letGo = useCallback((id: string) => setOnTheWay((all) => all.filter((one) => one.id !== id)), []);
  const send = useCallback(
    async (one: OnItsWay) => {
      const { id, kind, title, file, clipIds, talk } = one;
      const fields = { id, kind, title, clipIds: clipIds.join(), talk: talk ? JSON.stringify(talk) : '' };
      change(id, { error: null, share: 0 });
      try {
        await sendEnclosure(checkinId, fields, file, (share) => change(id, { share }));
        await client.invalidateQueries({ queryKey: keys.student(studentId) });
        letGo(id);
      } catch (error) {
        change(id, { error: error as Error });
      }
    },
    [studentId, checkinId, client, change, letGo],
  );
  const enclose = useCallback(
    (made: Made) => {
      const one = { ...made, id: newId(), share: 0, error: null };
      setOnTheWay((all) => [...all, one]);
      void send(one);
    },
    [send],
  );
  return { onTheWay, enclose, again: send, letGo };
}
