import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import { isText, useDraft } from '../../platform/drafts.ts';
import { idOfFile, useSteadyId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { sendCheckin, sendClip } from './queries.ts';

/** What a student writes to the coach until it has gone: drafts, a clip on its way, the answer about pain. */
export function useCheckin(token: string, today: string, asked: 'face_on' | 'down_the_line') {
  const client = useQueryClient();
  const [pain, setPain] = useState<boolean | null>(null);
  const [painWhere, setPainWhere] = useDraft(`pain.${token.slice(0, 12)}`, isText);
  const [note, setNote] = useDraft(`note.${token.slice(0, 12)}`, isText);
  const [file, setFile] = useState<File | null>(null);
  // The view that is asked for, until the student says otherwise.
  const [chosen, setKind] = useState<'face_on' | 'down_the_line' | null>(null);
  const kind = chosen ?? asked;
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [sent, setSent] = useState(false);
  // Sent again after a broken connection, it is still one check-in with one clip.
  const id = useSteadyId();
  const writtenAt = useRef<string | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);
  const sendFile = async (): Promise<string[]> => {
    if (!file) return [];
    setShare(0);
    stop.current = new AbortController();
    const use = idOfFile(file, `${token} ${kind}`);
    const clip = await sendClip(token, use, file, kind, today, setShare, stop.current.signal);
    return [clip.id];
  };
  const clear = () => {
    id.renew();
    writtenAt.current = null;
    setSent(true);
    setNote(null);
    setFile(null);
    setKind(null);
    // The file field keeps its own copy of the name; left there it would look as if it went again.
    if (chooser.current) chooser.current.value = '';
    setPain(null);
    setPainWhere(null);
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (pain === null) return;
    setError(null);
    setSent(false);
    // Pain counts from when it was first told, however often it has to be sent.
    writtenAt.current ??= new Date().toISOString();
    try {
      const clipIds = await sendFile();
      await sendCheckin(token, {
        id: id.current(),
        pain,
        painWhere: painWhere ?? '',
        note: note ?? '',
        felt: null,
        clipIds,
        writtenAt: writtenAt.current,
      });
      clear();
      void client.invalidateQueries({ queryKey: keys.page(token) });
    } catch (failure) {
      if (!(failure instanceof DOMException)) setError(failure);
    } finally {
      setShare(null);
    }
  };
  return {
    pain,
    setPain,
    painWhere: painWhere ?? '',
    setPainWhere,
    note: note ?? '',
    setNote,
    file,
    setFile,
    kind,
    setKind,
    share,
    error,
    sent,
    chooser,
    submit,
    stop: () => stop.current?.abort(),
  };
}
export type CheckinBox = ReturnType<typeof useCheckin>;
