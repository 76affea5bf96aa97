import type { Swing } from '@inchstep/contract/capture';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { keys } from '../../platform/queryKeys.ts';
import { measureSwing, type SwingWork, saveSwing } from '../capture/index.ts';
import { AUTOSAVE_WORDS } from './words.ts';

const WAIT_MS = 500;

/**
 * Keeps the bench's work on the server shortly after each change, and measures it anew. `text` says
 * “Saved” only when nothing newer waits; leaving the bench or the page sends what still does.
 */
export function useAutosave(swing: Swing, work: SwingWork): { text: string; busy: boolean } {
  const client = useQueryClient();
  const version = useRef(swing.version);
  const kept = useRef(work);
  const latest = useRef(work);
  const running = useRef(Promise.resolve());
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const save = useRef(async () => {});
  const saveNow = async () => {
    const now = latest.current;
    if (now === kept.current) return;
    try {
      const next = await saveSwing(swing, version.current, now);
      version.current = next.version;
      kept.current = now;
      if (now.marks.length > 0) await measureSwing(swing.id);
      client.setQueryData(keys.swing(swing.id), next);
      void client.invalidateQueries({ queryKey: keys.student(swing.studentId) });
      if (latest.current !== now) return;
      setText(AUTOSAVE_WORDS.saved);
      setBusy(false);
    } catch (error) {
      setText(error instanceof HttpError ? error.message : AUTOSAVE_WORDS.notSavedCheck);
      setBusy(false);
    }
  };
  // Before any other effect, so that what leaves the bench is what was last on the screen.
  useLayoutEffect(() => {
    latest.current = work;
    save.current = saveNow;
  });

  useEffect(() => {
    if (work === kept.current) return;
    setBusy(true);
    setText(AUTOSAVE_WORDS.saving);
    // One save after the other: each needs the version that the one before brought back.
    const timer = setTimeout(() => {
      running.current = running.current.then(() => save.current());
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [work]);

  useEffect(() => {
    const leave = () => {
      if (latest.current === kept.current) return;
      void saveSwing(swing, version.current, latest.current, true).catch(() => undefined);
    };
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
  }, [swing]);
  useEffect(
    () => () => {
      if (latest.current === kept.current) return;
      // What is cached is older than what is being sent: the bench must ask again when it comes back.
      client.removeQueries({ queryKey: keys.swing(swing.id) });
      running.current = running.current.then(() => save.current());
    },
    [client, swing.id],
  );
  return { text, busy };
}
