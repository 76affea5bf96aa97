import type { Care } from '@inchstep/contract/care';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { useSteadyId } from '../ids.ts';
import { dayOf, dayText, Failed, Panel } from '../parts.tsx';
import { ErasureList } from './ErasureList.tsx';
import {
  askErasure,
  type Subject,
  useCareAct,
  useClipsOf,
  useErasurePreview,
  useEverybody,
} from './queries.ts';
import { TakeIn } from './TakeIn.tsx';
import { CARE_WORDS, countsText, RECORD_PANEL_WORDS, sizeText } from './words.ts';

/** One student's record: taken out, taken in, or forgotten. */
export function RecordPanel({ care }: { readonly care: Care }) {
  const [search, setSearch] = useSearchParams();
  const everybody = useEverybody();
  const [subject, setSubject] = useState<Subject | null>(null);
  const studentId = search.get('student') ?? '';
  const pick = (id: string) => {
    setSubject(null);
    setSearch(id === '' ? {} : { student: id }, { replace: true });
  };
  return (
    <Panel title={CARE_WORDS.records} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex flex-1 flex-col gap-1 font-semibold">
          {CARE_WORDS.pick}
          <select className="select w-full min-w-52" value={studentId} onChange={(e) => pick(e.target.value)}>
            <option value="">{CARE_WORDS.nobody}</option>
            {(everybody.data?.rows ?? []).map(({ studentId: id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {studentId !== '' && (
          <a className="btn" href={urlOf(wire.care.exportStudent, { id: studentId })} download>
            <Download aria-hidden size={18} /> {CARE_WORDS.export}
          </a>
        )}
        <TakeIn />
      </div>
      {studentId !== '' && (
        <>
          <p className="text-sm">{CARE_WORDS.exportWhat}</p>
          <Clips
            studentId={studentId}
            today={dayOf(care.now)}
            onErase={(clip) => setSubject({ what: 'clip', subjectId: clip })}
          />
          {subject ? (
            <BeforeErasing subject={subject} onDone={() => setSubject(null)} />
          ) : (
            <button
              type="button"
              className="btn self-start"
              onClick={() => setSubject({ what: 'student', subjectId: studentId })}
            >
              {CARE_WORDS.eraseAll}
            </button>
          )}
        </>
      )}
      <ErasureList care={care} />
    </Panel>
  );
}

function Clips({
  studentId,
  today,
  onErase,
}: {
  readonly studentId: string;
  readonly today: string;
  readonly onErase: (clip: string) => void;
}) {
  const clips = useClipsOf(studentId);
  if (!clips.data || clips.data.length === 0) return null;
  return (
    <ul
      className="max-h-40 divide-y-[1.5px] divide-base-300 overflow-y-auto"
      aria-label={RECORD_PANEL_WORDS.clips}
    >
      {clips.data.map((clip) => (
        <li key={clip.id} className="flex items-center gap-3 py-1">
          <span className="flex-1">
            {dayText(clip.recordedOn, today)}, {clip.fileName}
            {clip.trouble ? RECORD_PANEL_WORDS.whatIsNoted : `, ${sizeText(clip.bytes)}`}
          </span>
          <button
            type="button"
            className="btn btn-ghost"
            aria-label={RECORD_PANEL_WORDS.erase(clip.fileName)}
            onClick={() => onErase(clip.id)}
          >
            {CARE_WORDS.eraseClip}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Says what would go before anything is asked for. */
function BeforeErasing({ subject, onDone }: { readonly subject: Subject; readonly onDone: () => void }) {
  const preview = useErasurePreview(subject);
  const ask = useCareAct(askErasure);
  const id = useSteadyId();
  if (preview.error) return <Failed error={preview.error} />;
  if (!preview.data) return null;
  const { name, counts, backups } = preview.data;
  const go = () =>
    ask.mutate(
      { id: id.current(), ...subject },
      {
        onSuccess: () => {
          id.renew();
          onDone();
          toast(RECORD_PANEL_WORDS.eraseUntil);
        },
      },
    );
  return (
    <div role="alert" className="panel flex flex-col gap-2 border-error p-3">
      <p>
        {subject.what === 'student' ? (
          <>
            <b>{name}</b> {RECORD_PANEL_WORDS.goesFromThisProgram(countsText(counts))}
          </>
        ) : (
          <>
            {RECORD_PANEL_WORDS.thisClip} <b>{name}</b>{' '}
            {RECORD_PANEL_WORDS.goesSwingsAndCheck(sizeText(counts.clipBytes ?? 0))}
          </>
        )}
      </p>
      {backups > 0 && (
        <p className="text-sm">
          {backups === 1
            ? RECORD_PANEL_WORDS.backupInTheFolder
            : RECORD_PANEL_WORDS.backupsInTheFolder(backups)}
        </p>
      )}
      <div className="flex gap-2">
        <button type="button" className="btn btn-error" disabled={ask.isPending} onClick={go}>
          {CARE_WORDS.eraseGo}
        </button>
        <button type="button" className="btn" onClick={onDone}>
          {CARE_WORDS.keep}
        </button>
      </div>
      {ask.error && <Failed error={ask.error} />}
    </div>
  );
}
