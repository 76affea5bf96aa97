import type { Swing } from '@inchstep/contract/capture';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { measureSwing, type SwingWork, saveSwing } from '../capture/index.ts';

const WAIT_MS = 500;

/** Keeps the bench's work on the server shortly after each change, and measures it anew. */
export function useAutosave(swing: Swing, work: SwingWork): { text: string; busy: boolean } {
  const client = useQueryClient();
  const version = useRef(swing.version);
  const kept = useRef(work);
  const running = useRef(Promise.resolve());
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    if (work === kept.current) return;
    setBusy(true);
    const save = async () => {
      if (work === kept.current) return;
      setText('Saving …');
      try {
        const next = await saveSwing(swing, version.current, work);
        version.current = next.version;
        kept.current = work;
        if (work.marks.length > 0) await measureSwing(swing.id);
        setText('Saved');
        setBusy(false);
        void client.invalidateQueries({ queryKey: ['students', swing.studentId] });
        client.setQueryData(['swings', swing.id], next);
      } catch (error) {
        setText(
          error instanceof HttpError
            ? error.message
            : 'Not saved. Check the connection; the next change tries again.',
        );
        setBusy(false);
      }
    };
    // One save after the other: each needs the version that the one before brought back.
    const timer = setTimeout(() => {
      running.current = running.current.then(save);
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [swing, work, client]);
  return { text, busy };
}
