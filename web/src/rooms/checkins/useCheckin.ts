import type { ViewKind } from '@inchstep/core/intake';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import { isText, useDraft } from '../../platform/drafts.ts';
import { newId, useSteadyId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { sendCheckin } from './queries.ts';
import { type ChosenClip, sendClip } from './sendClip.ts';

/** As many as a check-in takes. */
const MOST_CLIPS = 4;

/** What a student writes to the coach until it has gone: drafts, clips on their way, the answer about pain. */
export function useCheckin(token: string, today: string, asked: readonly ViewKind[]) {
  const client = useQueryClient();
  const [pain, setPain] = useState<boolean | null>(null);
  const [painWhere, setPainWhere] = useDraft(`pain.${token.slice(0, 12)}`, isText);
  const [note, setNote] = useDraft(`note.${token.slice(0, 12)}`, isText);
  const [clips, setClips] = useState<readonly ChosenClip[]>([]);
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [sent, setSent] = useState(false);
  // Sent again after a broken connection, it is still one check-in with one clip.
  const id = useSteadyId();
  const writtenAt = useRef<string | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);
  const sendClips = async (): Promise<string[]> => {
    if (clips.length === 0) return [];
    setShare(0);
    stop.current = new AbortController();
    const { signal } = stop.current;
    for (const [i, clip] of clips.entries())
      await sendClip(token, clip, today, (part) => setShare((i + part) / clips.length), signal);
    return clips.map(({ id: clipId }) => clipId);
  };
  /** Each takes the next view that is asked for and not chosen yet; the student may say otherwise. */
  const choose = (files: readonly File[]) => {
    const all = [...clips];
    for (const file of files.slice(0, MOST_CLIPS - clips.length)) {
      const open = asked.find((kind) => all.every((clip) => clip.kind !== kind));
      all.push({ id: newId(), file, kind: open ?? asked[0] ?? 'face_on' });
    }
    setClips(all);
    // The same file can be chosen again after it was taken away.
    if (chooser.current) chooser.current.value = '';
  };
  const clear = () => {
    id.renew();
    writtenAt.current = null;
    setSent(true);
    setNote(null);
    setClips([]);
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
      const clipIds = await sendClips();
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
    clips,
    choose,
    setKind: (clipId: string, kind: ViewKind) =>
      setClips((all) => all.map((clip) => (clip.id === clipId ? { ...clip, kind } : clip))),
    leaveOut: (clipId: string) => setClips((all) => all.filter((clip) => clip.id !== clipId)),
    share,
    error,
    sent,
    chooser,
    submit,
    stop: () => stop.current?.abort(),
  };
}
export type CheckinBox = ReturnType<typeof useCheckin>;
