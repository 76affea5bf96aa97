import type { Care, Verified } from '@inchstep/contract/care';
import { Archive, SearchCheck } from 'lucide-react';
import { Failed, Panel } from '../parts.tsx';
import { BackupRail } from './BackupRail.tsx';
import { beginBackup, beginLook, useCareAct } from './queries.ts';
import { SpaceTape } from './SpaceTape.tsx';
import { CARE_WORDS, FOUND_WORDS, KEPT_PANEL_WORDS, momentText, sizeText } from './words.ts';

/** How much is kept, what backups there are, and whether all of it is whole. */
export function KeptPanel({ care }: { readonly care: Care }) {
  const backup = useCareAct(beginBackup);
  const look = useCareAct(beginLook);
  const busy = care.running !== null || backup.isPending || look.isPending;
  return (
    <Panel title={CARE_WORDS.kept} className="flex flex-col gap-4">
      <SpaceTape storage={care.storage} />
      <div>
        <h3 className="text-lg">{CARE_WORDS.backups}</h3>
        {care.backupDir === null ? <p className="mt-1">{CARE_WORDS.noFolder}</p> : <Backups care={care} />}
      </div>
      <LookResult found={care.verified} />
      {care.running && (
        <div role="status">
          <p>
            {care.running.what === 'backup' ? KEPT_PANEL_WORDS.backingUp : KEPT_PANEL_WORDS.lookingThrough}
          </p>
          <progress
            className="progress progress-primary w-full"
            aria-label={care.running.what}
            value={care.running.done}
            max={Math.max(1, care.running.of)}
          />
        </div>
      )}
      {care.trouble && (
        <p role="alert" className="font-semibold text-error">
          {KEPT_PANEL_WORDS.lastOneCouldNot(care.trouble)}
        </p>
      )}
      {(backup.error ?? look.error) && <Failed error={backup.error ?? look.error} />}
      <div className="flex flex-wrap gap-2">
        {care.backupDir !== null && (
          <button type="button" className="btn btn-primary" disabled={busy} onClick={() => backup.mutate()}>
            <Archive aria-hidden size={18} /> {CARE_WORDS.backupNow}
          </button>
        )}
        <button type="button" className="btn" disabled={busy} onClick={() => look.mutate()}>
          <SearchCheck aria-hidden size={18} /> {CARE_WORDS.lookNow}
        </button>
      </div>
    </Panel>
  );
}

const SHOWN = 3;

function Backups({ care: { backups, backupDir, now } }: { readonly care: Care }) {
  return (
    <>
      <p className="text-sm break-all">{backupDir}</p>
      <p className="mb-2 text-sm">{CARE_WORDS.nightly}</p>
      <BackupRail backups={backups} now={now} />
      {backups.length === 0 ? (
        <p>{CARE_WORDS.noBackup}</p>
      ) : (
        <ul className="mt-1">
          {backups.slice(0, SHOWN).map((line) => (
            <li key={line.name} className="flex flex-wrap gap-x-3 py-0.5">
              <span className="font-semibold">{momentText(line.at)}</span>
              <span>{sizeText(line.bytes)}</span>
              <span>
                {line.verifiedAt ? KEPT_PANEL_WORDS.readBackWhole : KEPT_PANEL_WORDS.notReadBackYet}
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function LookResult({ found }: { readonly found: Verified | null }) {
  if (!found) return <p>{CARE_WORDS.neverLooked}</p>;
  if (found.ok)
    return (
      <p>
        {KEPT_PANEL_WORDS.lookedThrough(momentText(found.at))} <b>{KEPT_PANEL_WORDS.allWhole}</b>
        {KEPT_PANEL_WORDS.rowsAndFilms(found.rows, found.clips)}
      </p>
    );
  return (
    <div role="alert" className="panel border-error p-3">
      <p className="font-semibold">{KEPT_PANEL_WORDS.lookedThroughNotAll(momentText(found.at))}</p>
      <ul className="list-disc pl-5">
        {found.found.map(({ code, about, count }) => (
          <li key={code + about}>
            {count} {FOUND_WORDS[code] ?? code}
          </li>
        ))}
      </ul>
      <p>{KEPT_PANEL_WORDS.stopTheProgram}</p>
    </div>
  );
}
