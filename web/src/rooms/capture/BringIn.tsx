import { readCsv } from '@inchstep/contract/formats';
import { problemText } from '@inchstep/contract/words';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Failed } from '../../platform/parts.tsx';
import { useBringTrack } from './deviceQueries.ts';
import { FilePick } from './FilePick.tsx';
import { fileKind } from './fileKind.ts';
import { type ChosenTable, ShotsImport } from './ShotsImport.tsx';
import { BRING_IN_WORDS } from './words.ts';

const TABLES = '.csv,.txt,.tsv,.trc,.c3d';
/** Larger tables than this are no shots. */
const LARGEST_TABLE = 3_000_000;

/** One door for what other devices saw: motion goes to the bench, shots to their columns. */
export function BringIn({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const input = useRef<HTMLInputElement>(null);
  const track = useBringTrack(studentId);
  const navigate = useNavigate();
  const [table, setTable] = useState<ChosenTable | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [share, setShare] = useState(0);
  const stop = useRef(new AbortController());

  const bringMotion = (file: File) => {
    stop.current = new AbortController();
    track.mutate(
      { file, recordedOn: today, onProgress: setShare, signal: stop.current.signal },
      { onSuccess: (swing) => void navigate(`/students/${studentId}/bench/${swing.id}`) },
    );
  };
  const choose = async (file: File) => {
    setTable(null);
    setWrong(null);
    track.reset();
    if (/\.(c3d|trc)$/i.test(file.name) || file.size > LARGEST_TABLE) return bringMotion(file);
    const text = await file.text();
    const rows = readCsv(text);
    if (!rows.ok) return setWrong(rows.problems.map(problemText).join(' '));
    const kind = fileKind(file.name, rows.value[0] ?? []);
    if (kind === 'motion') return bringMotion(file);
    if (kind === 'pressure') return setWrong(BRING_IN_WORDS.thisLooksLikePressure);
    setTable({ fileName: file.name, text, rows: rows.value });
  };
  return (
    <div className="mt-3 flex flex-col gap-3">
      <FilePick
        input={input}
        accept={TABLES}
        label={BRING_IN_WORDS.motionOrShotsFile}
        testId="bring-in"
        onFile={(file) => void choose(file)}
      />
      <button type="button" className="btn self-start" onClick={() => input.current?.click()}>
        <FileUp aria-hidden size={18} /> {BRING_IN_WORDS.motionOrShotsFrom}
      </button>
      {track.isPending && (
        <p role="status" className="flex items-center gap-3">
          {share < 1 ? BRING_IN_WORDS.sending(Math.round(100 * share)) : BRING_IN_WORDS.findingTheStations}
          <button type="button" className="btn" onClick={() => stop.current.abort()}>
            {BRING_IN_WORDS.stop}
          </button>
        </p>
      )}
      {track.error && track.error.name !== 'AbortError' && <Failed error={track.error} />}
      {wrong && (
        <p role="alert" className="font-semibold">
          {wrong}
        </p>
      )}
      {table && (
        <ShotsImport
          key={table.fileName + table.text.length}
          studentId={studentId}
          today={today}
          table={table}
          onDone={() => setTable(null)}
        />
      )}
    </div>
  );
}
