import { useEffect, useState } from 'react';
import { newId } from '../../platform/ids.ts';
import { type Hurt, keepHurt, readHurt, SLIP_MS } from './hurts.ts';
import type { PageBox } from './usePageBox.ts';
import type { PageLine } from './usePageLine.ts';

/**
 * Pain on this phone: it holds the drills from the press on, signal or not, until the program was told and says
 * itself that they are free again.
 */
export function usePain(token: string, box: PageBox, line: PageLine) {
  const [hurt, setHurt] = useState(() => readHurt(token));
  const become = (next: Hurt | null) => {
    keepHurt(token, next);
    setHurt(next);
  };
  const sending = box.sendings.find(({ id }) => id === hurt?.id);
  const [toldAt, setToldAt] = useState(0);
  const gone = sending?.state === 'there';
  useEffect(() => {
    if (!gone || !hurt || hurt.told) return;
    setToldAt(Date.now());
    const told = { ...hurt, told: true };
    keepHurt(token, told);
    setHurt(told);
  }, [gone, hurt, token]);
  // What was heard after the coach was told says whether the drills are held: from there on the program decides.
  const settled = hurt?.told === true && line.heardAt > toldAt && !line.lost;
  useEffect(() => {
    if (!settled) return;
    keepHurt(token, null);
    setHurt(null);
  }, [settled, token]);
  const send = (next: Hurt, heldUntil: number | null) => {
    become(next);
    void box.putPain({ id: next.id, where: next.where, writtenAt: next.at }, heldUntil);
  };
  // A page that was closed between the press and the queue says it now.
  const isLost = hurt !== null && !hurt.told && sending === undefined;
  const { putPain } = box;
  useEffect(() => {
    if (!isLost || !hurt || line.studentId === null) return;
    const soon = setTimeout(
      () => void putPain({ id: hurt.id, where: hurt.where, writtenAt: hurt.at }, null),
      Math.max(500, hurt.until - Date.now()),
    );
    return () => clearTimeout(soon);
  }, [isLost, hurt, line.studentId, putPain]);
  return {
    hurt,
    /** The runner's key: it may have been a slip. */
    press: () => {
      if (hurt) return;
      const until = Date.now() + SLIP_MS;
      send({ id: newId(), at: new Date().toISOString(), where: '', until, told: false }, until);
    },
    /** Said in so many words: it goes at once. Answers the report's id. */
    say: (where: string): string => {
      const next = hurt ?? { id: newId(), at: new Date().toISOString(), where, until: 0, told: false };
      send({ ...next, where: where || next.where, until: 0 }, null);
      return next.id;
    },
    takeBack: () => {
      if (!hurt || hurt.told || hurt.until <= Date.now()) return;
      box.letGo(hurt.id);
      become(null);
    },
  };
}
export type PainHere = ReturnType<typeof usePain>;
