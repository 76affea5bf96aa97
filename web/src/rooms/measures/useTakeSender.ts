import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import type { ViewKind } from '@inchstep/core/intake';
import { useQueryClient } from '@tanstack/react-query';
import { clipBodyOf } from '../../platform/carryClip.ts';
import { ToldError } from '../../platform/httpError.ts';
import { newId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useMe } from '../../platform/session.ts';
import { useClipOutbox } from '../../platform/useClipOutbox.ts';
import { sendDeskTake } from './queries.ts';
import { TAKE_BUTTON_WORDS } from './words.ts';

/** A camera of this device, the view it films, and its picture; null while it has none. */
export interface LiveCamera {
  readonly kind: ViewKind;
  readonly track: () => MediaStreamTrack | null;
}

/** What one camera saw of a take. */
export interface Filmed {
  readonly file: File;
  readonly kind: ViewKind;
}

/** Of several cameras those that recorded: one that broke takes nothing from the others. */
export async function filmedOf(
  films: readonly Promise<Filmed>[],
): Promise<{ readonly whole: readonly Filmed[]; readonly broken: Error | null }> {
  const settled = await Promise.allSettled(films);
  const whole = settled.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
  const bad = settled.find((one) => one.status === 'rejected');
  return { whole, broken: bad ? new ToldError(TAKE_BUTTON_WORDS.oneBroke) : null };
}

/**
 * Takes of this device's cameras on their way to the bench: kept here first, sent in pieces, both views of one take as one
 * swing. A closed tab or a full disk over there loses none.
 */
export function useTakeSender(studentId: string, onTaken: (swingId: string) => void) {
  const me = useMe();
  const client = useQueryClient();
  const today = me.data?.today ?? '';
  const pieces = urlOf(wire.capture.beginPieces, { id: studentId });
  const box = useClipOutbox(`coach.${studentId}`, pieces, async (clip, whole) => {
    const { note } = clipBodyOf(clip);
    const swingId = note.swingId ?? '';
    await sendDeskTake(studentId, swingId, whole);
    void client.invalidateQueries({ queryKey: keys.student(studentId) });
    void client.invalidateQueries({ queryKey: keys.swing(swingId) });
    // With two cameras the take is there when its last clip is.
    if (note.last === 'yes') onTaken(swingId);
  });
  const put = async (filmed: readonly Filmed[]) => {
    const swingId = newId();
    for (const [i, { file, kind }] of filmed.entries()) {
      const note = { swingId, last: i === filmed.length - 1 ? 'yes' : 'no' };
      void box.put({ id: newId(), kind, recordedOn: today, file, note });
      // The first is to be sent first.
      await new Promise((done) => setTimeout(done, 2));
    }
  };
  return { sendings: box.sendings, put, letGo: box.letGo, again: box.again };
}
