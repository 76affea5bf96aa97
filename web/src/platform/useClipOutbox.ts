import { useEffect, useRef, useState } from 'react';
import { type ClipBody, carryClip, clipBodyOf, type Deliver } from './carryClip.ts';
import { Outbox, type SendingNow } from './outbox.ts';

/** How far a clip is. */
export interface ClipSending extends Pick<SendingNow, 'id' | 'share' | 'state' | 'refused'> {
  readonly note: ClipBody['note'];
  readonly kind: ClipBody['kind'];
}

/** An outbox for as long as the screen stands (none while `scope` is unknown); what it leaves unsent goes when the screen is opened again. */
export function useClipOutbox(scope: string | null, endpoint: string, deliver: Deliver) {
  const [sendings, setSendings] = useState<readonly ClipSending[]>([]);
  const hands = useRef({ deliver, endpoint });
  hands.current = { deliver, endpoint };
  const box = useRef<Outbox | null>(null);
  useEffect(() => {
    setSendings([]);
    if (scope === null) return;
    const made = new Outbox({
      scope,
      carry: {
        clip: carryClip(
          () => hands.current.endpoint,
          (clip, whole) => hands.current.deliver(clip, whole),
        ),
      },
      onChange: (all) => setSendings(all.map(clipSendingOf)),
    });
    box.current = made;
    return () => made.close();
  }, [scope]);
  return {
    sendings,
    put: ({ id, file, ...body }: ClipBody & { readonly id: string; readonly file: File }) =>
      box.current?.put({ id, what: 'clip', file, body: { ...body } }) ?? Promise.resolve(false),
    letGo: (id: string) => void box.current?.letGo(id),
    again: () => void box.current?.flush(),
  };
}

function clipSendingOf({ id, share, state, refused, body }: SendingNow): ClipSending {
  const { note, kind } = clipBodyOf({ body });
  return { id, share, state, refused, note, kind };
}
