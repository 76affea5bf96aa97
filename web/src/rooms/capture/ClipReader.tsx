import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { keys } from '../../platform/queryKeys.ts';
import { useSettings } from '../../platform/settings.tsx';
import { overtakenBy, type ReaderHands, readClips, whileNoBench } from './clipReader.ts';
import { tellLook } from './lookNow.ts';
import { lookThrough } from './lookThrough.ts';
import { measureSwing, networkErrors, saveSwing, swingsToLook } from './queries.ts';

const ASK_AGAIN_MS = 4000;
/** A look that could not run is tried once more after so long. */
const FORGIVE_MS = 10 * 60_000;

/** Reads new clips in the background wherever the coach is in the program; of several tabs one does. */
export function ClipReader() {
  const client = useQueryClient();
  const { readsClips } = useSettings();
  useEffect(() => {
    if (!readsClips) return;
    const stop = new AbortController();
    const save: ReaderHands['save'] = async (swing, work) => {
      const next = await saveSwing(swing, swing.version, work);
      if (work.marks.length > 0) await measureSwing(swing.id);
      client.setQueryData(keys.swing(swing.id), next);
      void client.invalidateQueries({ queryKey: keys.student(swing.studentId) });
      return next;
    };
    const hands: ReaderHands = {
      list: swingsToLook,
      look: async (url, kind, golfer, { onProgress, stopped }) => {
        const { table } = await networkErrors(golfer.studentId, golfer.recordedOn);
        return lookThrough(
          url,
          kind,
          { ...golfer, errors: table, named: {} },
          { onProgress, stopped: Promise.race([stopped, aborted(stop.signal)]), waiting: false },
        );
      },
      save,
      tell: tellLook,
      overtaken: (swing, leave) => overtakenBy(swingsToLook, swing, leave, ASK_AGAIN_MS),
      holding: whileNoBench,
    };
    const lead = () => rounds(hands, stop.signal);
    if (navigator.locks) {
      const asked = navigator.locks.request('inchstep.reads', { signal: stop.signal }, lead);
      asked.catch(() => undefined);
    } else void lead();
    return () => stop.abort();
  }, [client, readsClips]);
  return null;
}

const aborted = (signal: AbortSignal): Promise<void> =>
  new Promise((done) => signal.addEventListener('abort', () => done()));

async function rounds(hands: ReaderHands, signal: AbortSignal): Promise<void> {
  let leave = new Set<string>();
  let since = performance.now();
  while (!signal.aborted) {
    if (performance.now() - since > FORGIVE_MS) {
      leave = new Set();
      since = performance.now();
    }
    const did = await readClips(hands, leave).catch(() => false);
    if (!did) await Promise.race([new Promise((done) => setTimeout(done, ASK_AGAIN_MS)), aborted(signal)]);
  }
}
