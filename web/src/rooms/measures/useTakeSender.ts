import type { Clip } from '@inchstep/contract/capture';
import { viewOf } from '@inchstep/contract/capture';
import type { ViewKind } from '@inchstep/core/intake';
import { postWhole } from '../../platform/clipOutbox.ts';
import { newId } from '../../platform/ids.ts';
import { useMe } from '../../platform/session.ts';
import { useClipOutbox } from '../../platform/useClipOutbox.ts';
import { useMade, useNewSwing } from '../capture/index.ts';

/**
 * Takes of this device's camera on their way to the bench: kept here first, sent in pieces, each made a swing once. A
 * closed tab or a full disk over there loses none.
 */
export function useTakeSender(studentId: string, onTaken: (swingId: string) => void) {
  const me = useMe();
  const create = useNewSwing(studentId);
  const today = me.data?.today ?? '';
  const [made] = useMade(studentId, today);
  const of = `/api/students/${studentId}`;
  const box = useClipOutbox(`coach.${studentId}`, `${of}/pieces`, async ({ note, recordedOn }, whole) => {
    const clip = await postWhole<Clip>(`${of}/clips/whole`, whole);
    const swingId = note.swingId ?? '';
    await create.mutateAsync({ id: swingId, recordedOn, ...made, views: [viewOf(clip)], marks: [] });
    onTaken(swingId);
  });
  const put = (file: File, kind: ViewKind) =>
    void box.put({ id: newId(), kind, recordedOn: today, file, note: { swingId: newId() } });
  return { sendings: box.sendings, put, letGo: box.letGo, again: box.again };
}
