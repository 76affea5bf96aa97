import type { MadeSaid, StudentPage } from '@inchstep/contract/checkins';
import { SPEED_OF_STAGE } from '@inchstep/core/checkins';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';
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
  // Its name from the moment it is begun: a second tap on Send is the same check-in.
  const [id, setId] = useState(newId);
  const isSending = useRef(false);
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
      all.push({ id: newId(), file, kind: nextView(asked, all), recordedOn: filmedOn(file, page.today) });
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
    setId(newId());
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (pain === null || isSending.current) return;
    isSending.current = true;
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
    try {
      await sends.putWords(words, clips);
      setLast(id);
      clear();
    } finally {
      isSending.current = false;
    }
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

/** The next view that is asked for and not there yet; else one that is not there yet. The student may say otherwise. */
export const nextView = (
  asked: readonly ViewKind[],
  chosen: readonly { readonly kind: ViewKind }[],
): ViewKind =>
  [...asked, ...VIEW_KINDS].find((kind) => chosen.every((clip) => clip.kind !== kind)) ??
  asked[0] ??
  'face_on';

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
