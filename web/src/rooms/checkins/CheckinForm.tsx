import type { StudentPage } from '@inchstep/contract/checkins';
import { PAIN_WORDS } from '@inchstep/contract/words';
import { useEffect, useRef } from 'react';
import { dayOf, Failed } from '../../platform/parts.tsx';
import { pageClipUrl } from './queries.ts';
import { type CheckinBox, useCheckin } from './useCheckin.ts';
import { FORM_WORDS } from './words.ts';

/** A word, a clip, and the pain question every time. */
export function CheckinForm({
  token,
  page,
  hurts = 0,
}: {
  readonly token: string;
  readonly page: StudentPage;
  /** How often a run was stopped for pain: the question is answered, where is asked. */
  readonly hurts?: number;
}) {
  const box = useCheckin(token, page.today, page.request?.missing ?? []);
  const form = useRef<HTMLElement>(null);
  const { setPain } = box;
  useEffect(() => {
    if (hurts === 0) return;
    setPain(true);
    form.current?.scrollIntoView({ block: 'start' });
  }, [hurts, setPain]);
  const { pain, share, error, sent, submit } = box;
  return (
    <section ref={form} className="panel p-4" aria-label={FORM_WORDS.title}>
      <h2 className="text-xl">{FORM_WORDS.tell(page.coach.split(' ')[0] ?? '')}</h2>
      {sent && (
        <p role="status" className="my-2 font-semibold">
          {FORM_WORDS.sent}
        </p>
      )}
      <form className="mt-2 flex flex-col gap-3" onSubmit={(event) => void submit(event)}>
        <PainQuestion box={box} />
        <label className="flex flex-col gap-1">
          {FORM_WORDS.noticed}
          <textarea
            className="textarea w-full"
            rows={3}
            value={box.note}
            onChange={(e) => box.setNote(e.target.value)}
            maxLength={2000}
          />
        </label>
        {page.needsConsent ? (
          <p className="text-sm">{FORM_WORDS.guardian}</p>
        ) : (
          <ClipChoice box={box} limitMb={page.clipLimitMb} />
        )}
        {share !== null && (
          <div className="flex items-center gap-2">
            <progress className="progress flex-1" value={share} max={1} aria-label={FORM_WORDS.sending} />
            <button type="button" className="btn" onClick={box.stop}>
              {FORM_WORDS.stop}
            </button>
          </div>
        )}
        {error !== null && <Failed error={error} />}
        <button type="submit" className="btn btn-primary btn-lg" disabled={pain === null || share !== null}>
          {FORM_WORDS.send}
        </button>
      </form>
      {page.checkins.length > 0 && <Sent token={token} page={page} />}
    </section>
  );
}

function PainQuestion({ box: { pain, setPain, painWhere, setPainWhere } }: { readonly box: CheckinBox }) {
  return (
    <>
      <fieldset>
        <legend className="font-semibold">{FORM_WORDS.hurts}</legend>
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
              {value ? FORM_WORDS.yes : FORM_WORDS.no}
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
            {FORM_WORDS.where}
            <input
              className="input w-full"
              value={painWhere}
              onChange={(e) => setPainWhere(e.target.value)}
              maxLength={200}
            />
          </label>
        </>
      )}
    </>
  );
}

function ClipChoice({ box, limitMb }: { readonly box: CheckinBox; readonly limitMb: number }) {
  const { clips, choose, setKind, leaveOut, chooser } = box;
  return (
    <>
      <label className="flex flex-col gap-1">
        {FORM_WORDS.clip(limitMb)}
        <input
          data-testid="clip-input"
          ref={chooser}
          type="file"
          multiple
          className="file-input w-full"
          accept="video/mp4,video/quicktime,video/webm,.mp4,.mov,.webm"
          onChange={(e) => choose([...(e.target.files ?? [])])}
        />
      </label>
      <ul className="flex flex-col gap-2">
        {clips.map(({ id, file, kind }) => (
          <li key={id} className="flex flex-col gap-1 border-base-300 border-t pt-2">
            <span className="flex items-center gap-2">
              <span className="min-w-0 flex-1 truncate">{file.name}</span>
              <button type="button" className="btn" onClick={() => leaveOut(id)}>
                {FORM_WORDS.leaveOut}
              </button>
            </span>
            <select
              aria-label={FORM_WORDS.viewOfClip}
              className="select w-full"
              value={kind}
              onChange={(e) => setKind(id, e.target.value as typeof kind)}
            >
              <option value="face_on">{FORM_WORDS.faceOn}</option>
              <option value="down_the_line">{FORM_WORDS.downTheLine}</option>
            </select>
          </li>
        ))}
      </ul>
    </>
  );
}

function Sent({ token, page }: { readonly token: string; readonly page: StudentPage }) {
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{FORM_WORDS.before}</summary>
      <ul className="flex flex-col gap-2">
        {page.checkins.map((checkin) => (
          <li key={checkin.id} className="border-t border-base-300 pt-2">
            <p className="text-sm">
              {dayOf(checkin.at)} {checkin.reply ? '' : FORM_WORDS.notAnswered}
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
