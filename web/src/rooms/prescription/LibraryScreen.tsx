import { faultName, LIMIT_WORDS, PHASE_WORDS, PLACE_WORDS } from '@inchstep/contract/words';
import { FAULTS, PHASES } from '@inchstep/core/diagnosis';
import { PLACES } from '@inchstep/core/intake';
import { type Drill, LIMIT_OF_LOAD, type LoadClass } from '@inchstep/core/prescription';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Empty, HeadRow, Panel } from '../../platform/parts.tsx';
import { PRESET_WORDS } from '../intake/index.ts';
import { DrillPage } from './DrillPage.tsx';
import { loadsText, needsText } from './drillText.ts';
import { ImportExport } from './ImportExport.tsx';
import { useLibrary } from './library.tsx';
import { findDrills, type LibraryWish, NO_WISH } from './libraryFilter.ts';
import { LIBRARY_WORDS } from './words.ts';

/** Every drill, found by what it mends, where it can be done, with what, and what it loads. */
export function LibraryScreen() {
  const { drillId } = useParams();
  const [wish, setWish] = useState(NO_WISH);
  const library = useLibrary();
  const found = findDrills(wish, library);
  const aside = library.own.filter((entry) => entry.retired);
  return (
    <div className="mx-auto grid max-w-[80rem] grid-cols-[minmax(0,1fr)] items-start gap-4 p-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="flex flex-col gap-3">
        <h1 className="sr-only">{LIBRARY_WORDS.heading}</h1>
        <Panel
          title={LIBRARY_WORDS.title}
          aside={<span className="text-sm">{LIBRARY_WORDS.count(found.length)}</span>}
        >
          <Wishes wish={wish} onChange={setWish} />
          <ImportExport />
        </Panel>
        <nav aria-label={LIBRARY_WORDS.list} className="panel max-h-[30rem] overflow-y-auto">
          {found.map((drill) => (
            <Link
              key={drill.id}
              to={`/library/${drill.id}`}
              aria-current={drill.id === drillId ? 'page' : undefined}
              className="flex min-h-11 items-center justify-between gap-2 border-b border-base-300 px-3 hover:underline aria-[current]:bg-primary aria-[current]:text-primary-content"
            >
              {library.nameOf(drill.id)}
              <span className="text-sm">{PHASE_WORDS[drill.phase]?.toLowerCase()}</span>
            </Link>
          ))}
          {aside.length > 0 && (
            <p className="border-b border-base-300 bg-base-200 px-3 py-2 text-sm font-semibold">
              {LIBRARY_WORDS.aside}
            </p>
          )}
          {aside.map(({ drill, words }) => (
            <Link
              key={drill.id}
              to={`/library/${drill.id}`}
              className="flex min-h-11 items-center border-b border-base-300 px-3 italic hover:underline"
            >
              {words.name}
            </Link>
          ))}
          {found.length === 0 && <p className="p-3">{LIBRARY_WORDS.none}</p>}
        </nav>
      </div>
      {drillId && library.byId(drillId) ? (
        <DrillPage key={drillId} id={drillId} />
      ) : found[0] ? (
        <Table drills={found} />
      ) : (
        <Empty title={LIBRARY_WORDS.nothingTitle}>{LIBRARY_WORDS.nothing}</Empty>
      )}
    </div>
  );
}

function Wishes({
  wish,
  onChange,
}: {
  readonly wish: LibraryWish;
  readonly onChange: (wish: LibraryWish) => void;
}) {
  const set = <K extends keyof LibraryWish>(key: K, value: LibraryWish[K]) =>
    onChange({ ...wish, [key]: value });
  return (
    <div className="flex flex-col gap-2">
      <input
        aria-label={LIBRARY_WORDS.words}
        placeholder={LIBRARY_WORDS.words}
        className="input w-full"
        value={wish.words}
        onChange={(e) => set('words', e.target.value)}
      />
      <Pick
        label={LIBRARY_WORDS.mends}
        value={wish.fault}
        onChange={(v) => set('fault', v)}
        options={FAULTS.map((f) => [f.id, faultName(f.id)])}
      />
      <Pick
        label={LIBRARY_WORDS.phase}
        value={wish.phase}
        onChange={(v) => set('phase', v as LibraryWish['phase'])}
        options={PHASES.map((p) => [p, PHASE_WORDS[p] ?? p])}
      />
      <Pick
        label={LIBRARY_WORDS.place}
        value={wish.place}
        onChange={(v) => set('place', v as LibraryWish['place'])}
        options={PLACES.map((p) => [p, PLACE_WORDS[p] ?? p])}
      />
      <Pick
        label={LIBRARY_WORDS.school}
        value={wish.school}
        onChange={(v) => set('school', v as LibraryWish['school'])}
        options={Object.entries(PRESET_WORDS)}
      />
      <Pick
        label={LIBRARY_WORDS.spares}
        value={wish.spare}
        onChange={(v) => set('spare', v as LibraryWish['spare'])}
        options={(Object.keys(LIMIT_OF_LOAD) as LoadClass[]).map((l) => [
          l,
          LIMIT_WORDS[LIMIT_OF_LOAD[l]] ?? l,
        ])}
      />
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={wish.aids !== null}
          onChange={(e) => set('aids', e.target.checked ? ['stick', 'phone'] : null)}
        />{' '}
        {LIBRARY_WORDS.fewAids}
      </label>
      <button type="button" className="btn" onClick={() => onChange(NO_WISH)}>
        {LIBRARY_WORDS.clear}
      </button>
    </div>
  );
}

function Pick({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [id: string, text: string])[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="grid grid-cols-[6.5rem_1fr] items-center gap-2 text-sm">
      {label}
      <select className="select w-full" value={value} onChange={(e) => onChange(e.target.value)}>
        <option value="">{LIBRARY_WORDS.any}</option>
        {options.map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

function Table({ drills }: { readonly drills: readonly Drill[] }) {
  const { nameOf } = useLibrary();
  return (
    <Panel title={LIBRARY_WORDS.list}>
      <div className="overflow-x-auto">
        <table className="table">
          <HeadRow columns={LIBRARY_WORDS.columns} />
          <tbody>
            {drills.map((drill) => (
              <tr key={drill.id}>
                <td>
                  <Link
                    to={`/library/${drill.id}`}
                    className="flex min-h-11 items-center font-semibold hover:underline"
                  >
                    {nameOf(drill.id)}
                  </Link>
                </td>
                <td>{drill.fixes.map((f) => faultName(f.fault)).join(', ')}</td>
                <td>{needsText(drill)}</td>
                <td>{loadsText(drill)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Panel>
  );
}
