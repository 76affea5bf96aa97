import type { StudentPage } from '@inchstep/contract/checkins';
import { PAIN_WORDS } from '@inchstep/contract/words';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import { isText, useDraft } from '../../platform/drafts.ts';
import { idOfFile, useSteadyId } from '../../platform/ids.ts';
import { dayOf, Failed } from '../../platform/parts.tsx';
import { keys } from '../../platform/queryKeys.ts';
import { pageClipUrl, sendCheckin, sendClip } from './queries.ts';

/** A word, a clip, and the pain question every time. */
export function CheckinForm({ token, page }: { readonly token: string; readonly page: StudentPage }) {
  const client = useQueryClient();
  const [pain, setPain] = useState<boolean | null>(null);
  const [painWhere, setPainWhere] = useDraft(`pain.${token.slice(0, 12)}`, isText);
  const [note, setNote] = useDraft(`note.${token.slice(0, 12)}`, isText);
  const [file, setFile] = useState<File | null>(null);
  const [kind, setKind] = useState<'face_on' | 'down_the_line'>('face_on');
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [sent, setSent] = useState(false);
  // Sent again after a broken connection, it is still one check-in with one clip.
  const id = useSteadyId();
  const writtenAt = useRef<string | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (pain === null) return;
    setError(null);
    setSent(false);
    // Pain counts from when it was first told, however often it has to be sent.
    writtenAt.current ??= new Date().toISOString();
    stop.current = new AbortController();
    try {
      const clipIds: string[] = [];
      if (file) {
        setShare(0);
        const clip = await sendClip(
          token,
          idOfFile(file, `${token} ${kind}`),
          file,
          kind,
          page.today,
          setShare,
          stop.current.signal,
        );
        clipIds.push(clip.id);
      }
      await sendCheckin(token, {
        id: id.current(),
        pain,
        painWhere: painWhere ?? '',
        note: note ?? '',
        felt: null,
        clipIds,
        writtenAt: writtenAt.current,
      });
      id.renew();
      writtenAt.current = null;
      setSent(true);
      setNote(null);
      setFile(null);
      // The file field keeps its own copy of the name; left there it would look as if it went again.
      if (chooser.current) chooser.current.value = '';
      setPain(null);
      setPainWhere(null);
      void client.invalidateQueries({ queryKey: keys.page(token) });
    } catch (failure) {
      if (!(failure instanceof DOMException)) setError(failure);
    } finally {
      setShare(null);
    }
  };
  return (
    <section className="panel p-4" aria-label="Tell your coach">
      <h2 className="text-xl">Tell {page.coach.split(' ')[0]}</h2>
      {sent && (
        <p role="status" className="my-2 font-semibold">
          Sent. It is in the coach’s queue.
        </p>
      )}
      <form className="mt-2 flex flex-col gap-3" onSubmit={(event) => void submit(event)}>
        <fieldset>
          <legend className="font-semibold">Does anything hurt?</legend>
          <div className="mt-1 grid grid-cols-2 gap-2">
            {[false, true].map((value) => (
              <label key={String(value)} className={`btn h-14 ${pain === value ? 'btn-primary' : ''}`}>
                <input
                  type="radio"
                  name="pain"
                  className="sr-only"
                  checked={pain === value}
                  onChange={() => setPain(value)}
                />
                {value ? 'Yes' : 'No'}
              </label>
            ))}
          </div>
        </fieldset>
        {pain && (
          <>
            <p role="alert" className="font-semibold">
              {PAIN_WORDS}
            </p>
            <label className="flex flex-col gap-1">
              Where?
              <input
                className="input w-full"
                value={painWhere ?? ''}
                onChange={(e) => setPainWhere(e.target.value)}
                maxLength={200}
              />
            </label>
          </>
        )}
        <label className="flex flex-col gap-1">
          What did you notice?
          <textarea
            className="textarea w-full"
            rows={3}
            value={note ?? ''}
            onChange={(e) => setNote(e.target.value)}
            maxLength={2000}
          />
        </label>
        {page.needsConsent ? (
          <p className="text-sm">Clips wait until a guardian has agreed.</p>
        ) : (
          <>
            <label className="flex flex-col gap-1">
              A clip, if you have one (up to {page.clipLimitMb} MB)
              <input
                data-testid="clip-input"
                ref={chooser}
                type="file"
                className="file-input w-full"
                accept="video/mp4,video/quicktime,video/webm,.mp4,.mov,.webm"
                onChange={(e) => setFile(e.target.files?.[0] ?? null)}
              />
            </label>
            {file && (
              <select
                aria-label="View of the clip"
                className="select w-full"
                value={kind}
                onChange={(e) => setKind(e.target.value as typeof kind)}
              >
                <option value="face_on">Face-on: phone in front, belt high</option>
                <option value="down_the_line">Down the line: phone behind, on the hand line</option>
              </select>
            )}
          </>
        )}
        {share !== null && (
          <div className="flex items-center gap-2">
            <progress className="progress flex-1" value={share} max={1} aria-label="Sending the clip" />
            <button type="button" className="btn" onClick={() => stop.current?.abort()}>
              Stop
            </button>
          </div>
        )}
        {error !== null && <Failed error={error} />}
        <button type="submit" className="btn btn-primary btn-lg" disabled={pain === null || share !== null}>
          Send
        </button>
      </form>
      {page.checkins.length > 0 && <Sent token={token} page={page} />}
    </section>
  );
}

function Sent({ token, page }: { readonly token: string; readonly page: StudentPage }) {
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">What you sent before</summary>
      <ul className="flex flex-col gap-2">
        {page.checkins.map((checkin) => (
          <li key={checkin.id} className="border-t border-base-300 pt-2">
            <p className="text-sm">
              {dayOf(checkin.at)} {checkin.reply ? '' : '(not answered yet)'}
            </p>
            <p>{checkin.note}</p>
            {checkin.clips.map((clip) => (
              // biome-ignore lint/a11y/useMediaCaption: a silent swing has no words to caption
              <video
                key={clip.id}
                className="mt-1 max-h-64 rounded"
                controls
                preload="none"
                src={pageClipUrl(token, clip.id)}
              />
            ))}
          </li>
        ))}
      </ul>
    </details>
  );
}
