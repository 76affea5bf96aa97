import type { MadeSaid, StudentPage } from '@inchstep/contract/checkins';
import { SPEED_OF_STAGE } from '@inchstep/core/checkins';
import type { ViewKind } from '@inchstep/core/intake';
import { lightFormat } from 'date-fns';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { isText, useDraft } from '../../platform/drafts.ts';
import { newId } from '../../platform/ids.ts';
import { inHand } from './installPage.ts';
import type { ChosenClip, PageBox } from './usePageBox.ts';
import type { PainHere } from './usePain.ts';

/** As many as a check-in takes. */
const MOST_CLIPS = 4;

/** What a student writes to the coach: drafts until it is kept, then the box brings it. */
export function useCheckin(token: string, sends: PageBox, hurting: PainHere, page: StudentPage) {
  const asked = page.request?.missing ?? [];
  const [pain, setPain] = useState<boolean | null>(null);
  const [painWhere, setPainWhere] = useDraft(`pain.${token.slice(0, 12)}`, isText);
  const [note, setNote] = useDraft(`note.${token.slice(0, 12)}`, isText);
  const [clips, setClips] = useState<readonly ChosenClip[]>([]);
  const [last, setLast] = useState<string | null>(null);
  const [made, setMade] = useState(() => madeFor(page));
  const [felt, setFelt] = useState<number | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const { hurt } = hurting;
  // It was said with the runner's key already.
  useEffect(() => {
    if (hurt) setPain(true);
  }, [hurt]);
  const films = clips.length;
  useEffect(() => {
    if (films > 0) inHand.add('films');
    else inHand.delete('films');
    return () => void inHand.delete('films');
  }, [films]);
  /** Each takes the next view that is asked for and not chosen yet; the student may say otherwise. */
  const choose = (files: readonly File[]) => {
    const all = [...clips];
    for (const file of files.slice(0, MOST_CLIPS - clips.length)) {
      const open = asked.find((kind) => all.every((clip) => clip.kind !== kind));
      const kind = open ?? asked[0] ?? 'face_on';
      all.push({ id: newId(), file, kind, recordedOn: filmedOn(file, page.today) });
    }
    setClips(all);
    // The same file can be chosen again after it was taken away.
    if (chooser.current) chooser.current.value = '';
  };
  /** A film of this very camera, from where it was set to look. */
  const take = (file: File, kind: ViewKind) =>
    setClips((all) =>
      all.length < MOST_CLIPS ? [...all, { id: newId(), file, kind, recordedOn: page.today }] : all,
    );
  const clear = () => {
    setNote(null);
    setClips([]);
    setPain(null);
    setPainWhere(null);
    setFelt(null);
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (pain === null) return;
    const id = newId();
    const painId = pain ? hurting.say(painWhere ?? '') : null;
    const words = {
      id,
      pain,
      painWhere: (painWhere ?? '') || (pain ? (hurt?.where ?? '') : ''),
      painId,
      note: note ?? '',
      felt: null,
      feltOf: page.feel && felt !== null && clips.length > 0 ? { measure: page.feel.measure, felt } : null,
      clipIds: clips.map((clip) => clip.id),
      made,
      // Pain counts from when it was first told, however late this goes.
      writtenAt: (pain ? hurt?.at : null) ?? new Date().toISOString(),
    };
    await sends.putWords(words, clips);
    setLast(id);
    clear();
  };
  const state = sends.sendings.find(({ id }) => id === last)?.state;
  return {
    pain,
    setPain,
    painWhere: painWhere ?? '',
    setPainWhere,
    note: note ?? '',
    setNote,
    clips,
    choose,
    take,
    made,
    setMade,
    felt,
    setFelt,
    setKind: (clipId: string, kind: ViewKind) =>
      setClips((all) => all.map((clip) => (clip.id === clipId ? { ...clip, kind } : clip))),
    leaveOut: (clipId: string) => setClips((all) => all.filter((clip) => clip.id !== clipId)),
    /** Of what was written last: still here, or in the coach's queue; null before, and where it was refused. */
    sent: state === 'there' ? ('there' as const) : state && state !== 'refused' ? ('here' as const) : null,
    chooser,
    submit,
  };
}
export type CheckinBox = ReturnType<typeof useCheckin>;

/** As the request asks, else nothing is said. */
function madeFor({ request }: StudentPage): MadeSaid {
  const speed = request?.stage && SPEED_OF_STAGE[request.stage];
  return { club: request?.club ?? null, speed: speed ?? null, aid: request?.aid ?? null };
}

/** The day the file itself names; one that lies ahead, or has none, was filmed today. */
function filmedOn(file: File, today: string): string {
  const day = lightFormat(file.lastModified, 'yyyy-MM-dd');
  return day < today ? day : today;
}
