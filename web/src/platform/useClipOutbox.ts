import { useEffect, useRef, useState } from 'react';
import { ClipOutbox, type ClipSending, type Deliver } from './clipOutbox.ts';

/** An outbox for as long as the screen stands (none while `scope` is unknown); what it leaves unsent goes when the screen is opened again. */
export function useClipOutbox(scope: string | null, endpoint: string, deliver: Deliver) {
  const [sendings, setSendings] = useState<readonly ClipSending[]>([]);
  const hands = useRef(deliver);
  hands.current = deliver;
  const box = useRef<ClipOutbox | null>(null);
  useEffect(() => {
    setSendings([]);
    if (scope === null) return;
    const made = new ClipOutbox({
      scope,
      endpoint,
      deliver: (clip, whole) => hands.current(clip, whole),
      onChange: setSendings,
    });
    box.current = made;
    return () => made.close();
  }, [scope, endpoint]);
  return {
    sendings,
    put: (clip: Parameters<ClipOutbox['put']>[0]) => box.current?.put(clip) ?? Promise.resolve(),
    letGo: (id: string) => void box.current?.letGo(id),
    again: () => void box.current?.flush(),
  };
}
