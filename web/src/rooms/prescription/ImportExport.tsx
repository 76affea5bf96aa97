import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { type ChangeEvent, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { useLibrary } from './library.tsx';
import { useImportDrills } from './queries.ts';
import { IMPORT_EXPORT_WORDS } from './words.ts';

/** A new drill; the coach's own as a file, out and in. */
export function ImportExport() {
  const { own } = useLibrary();
  const file = useRef<HTMLInputElement>(null);
  const [unreadable, setUnreadable] = useState('');
  const take = useImportDrills();
  const read = async (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    event.target.value = '';
    if (!chosen) return;
    setUnreadable('');
    try {
      take.mutate(JSON.parse(await chosen.text()), {
        onSuccess: ({ added, changed }) => toast(IMPORT_EXPORT_WORDS.drillsAddedChanged(added, changed)),
      });
    } catch {
      setUnreadable(IMPORT_EXPORT_WORDS.isNotAJson(chosen.name));
    }
  };
  return (
    <div className="mt-3 flex flex-col gap-2 border-t-[1.5px] border-base-300 pt-3">
      <Link className="btn btn-primary" to="/library/new/edit">
        {IMPORT_EXPORT_WORDS.newDrill}
      </Link>
      <div className="flex gap-2">
        <button type="button" className="btn flex-1" onClick={() => file.current?.click()}>
          {IMPORT_EXPORT_WORDS.takeInAFile}
        </button>
        {own.length > 0 && (
          <a className="btn flex-1" href={urlOf(wire.prescription.exportDrills)} download="drills.json">
            {IMPORT_EXPORT_WORDS.writeToAFile}
          </a>
        )}
      </div>
      <input
        ref={file}
        type="file"
        accept="application/json,.json"
        className="hidden"
        aria-label={IMPORT_EXPORT_WORDS.fileOfDrills}
        onChange={(event) => void read(event)}
      />
      {unreadable && (
        <p role="alert" className="text-sm font-semibold text-error">
          {unreadable}
        </p>
      )}
      {take.error && <Failed error={take.error} />}
    </div>
  );
}
