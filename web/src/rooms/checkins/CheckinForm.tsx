import type { StudentPage } from '@inchstep/contract/checkins';
import { CLUB_WORDS, PAIN_CARE } from '@inchstep/contract/words';
import { AID_STATES } from '@inchstep/core/capture';
import { CLUBS } from '@inchstep/core/intake';
import { lazy, Suspense, useState } from 'react';
import { Loading } from '../../platform/parts.tsx';
import { HowFelt } from './HowFelt.tsx';
import { type CheckinBox, useCheckin } from './useCheckin.ts';
import type { PageBox } from './usePageBox.ts';
import type { PainHere } from './usePain.ts';
import { FILM_HERE_WORDS, MADE_WORDS } from './words.page.ts';
import { FORM_WORDS } from './words.ts';

/** A word, a clip, and the pain question every time. */
export function CheckinForm({
  token,
  page,
  box: sends,
  pain: hurting,
}: {
  readonly token: string;
  readonly page: StudentPage;
  readonly box: PageBox;
  readonly pain: PainHere;
}) {
  const box = useCheckin(token, sends, hurting, page);
  const { pain, sent, submit } = box;
  return (
    <section className="panel p-4" aria-label={FORM_WORDS.title}>
      <h2 className="text-xl">{FORM_WORDS.tell(page.coach.split(' ')[0] ?? '')}</h2>
      {sent && (
        <p role="status" className="my-2 font-semibold">
          {sent === 'there' ? FORM_WORDS.sent : FORM_WORDS.keptHere}
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
          <ClipChoice box={box} page={page} />
        )}
        <button type="submit" className="btn btn-primary btn-lg" disabled={pain === null}>
          {FORM_WORDS.send}
        </button>
      </form>
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
            {PAIN_CARE}
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

const FilmHere = lazy(() => import('./FilmHere.tsx').then((m) => ({ default: m.FilmHere })));

function ClipChoice({ box, page }: { readonly box: CheckinBox; readonly page: StudentPage }) {
  const { clips, choose, take, chooser } = box;
  const [filming, setFilming] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-expanded={filming}
        className="btn btn-lg"
        onClick={() => setFilming(!filming)}
      >
        {filming ? FILM_HERE_WORDS.close : FILM_HERE_WORDS.open}
      </button>
      {filming && (
        <Suspense fallback={<Loading what={FILM_HERE_WORDS.camera} />}>
          <FilmHere wanted={page.request?.missing[0] ?? 'face_on'} bodyIn={page.heightIn} onFilm={take} />
        </Suspense>
      )}
      <label className="flex flex-col gap-1">
        {FORM_WORDS.clip(page.clipLimitMb)}
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
      <Chosen box={box} />
      {clips.length > 0 && <HowMade box={box} />}
      {clips.length > 0 && page.feel && <HowFelt feel={page.feel} felt={box.felt} onFelt={box.setFelt} />}
    </>
  );
}

function Chosen({ box: { clips, setKind, leaveOut } }: { readonly box: CheckinBox }) {
  return (
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
  );
}

/** How the swings were made, as it was asked for; the student may say otherwise. */
function HowMade({ box: { made, setMade } }: { readonly box: CheckinBox }) {
  return (
    <fieldset className="grid grid-cols-3 gap-2">
      <legend className="mb-1">{MADE_WORDS.title}</legend>
      <Pick
        label={MADE_WORDS.club}
        value={made.club}
        options={CLUBS.map((club) => [club, CLUB_WORDS[club] ?? club])}
        onPick={(club) => setMade({ ...made, club: club as typeof made.club })}
      />
      <Pick
        label={MADE_WORDS.speed}
        value={made.speed}
        options={Object.entries(MADE_WORDS.speeds)}
        onPick={(speed) => setMade({ ...made, speed: speed as typeof made.speed })}
      />
      <Pick
        label={MADE_WORDS.aid}
        value={made.aid}
        options={AID_STATES.map((aid) => [aid, MADE_WORDS.aids[aid]])}
        onPick={(aid) => setMade({ ...made, aid: aid as typeof made.aid })}
      />
    </fieldset>
  );
}

function Pick({
  label,
  value,
  options,
  onPick,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly options: readonly (readonly [string, string])[];
  readonly onPick: (value: string | null) => void;
}) {
  return (
    <label className="flex flex-col text-sm">
      {label}
      <select
        className="select w-full px-2"
        value={value ?? ''}
        onChange={(event) => onPick(event.target.value || null)}
      >
        <option value="">{MADE_WORDS.open}</option>
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
