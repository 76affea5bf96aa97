import type { SchoolBand, SchoolPage } from '@inchstep/contract/intake';
import { measureName, unitWord } from '@inchstep/contract/words';
import type { SchoolQuestion } from '@inchstep/core/intake';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { Failed, Panel, Shown } from '../../platform/parts.tsx';
import { Tape } from '../../platform/tape.tsx';
import { useUnits } from '../../platform/units.ts';
import { useEditBand, useResetBand, useSchools } from './queries.ts';
import { ORIGIN_WORDS, PRESET_WORDS, QUESTION_WORDS, SCHOOLS_SCREEN_WORDS } from './words.ts';

/** What each school wants, and every band with its origin; the coach may set another and go back. */
export function SchoolsScreen() {
  const schools = useSchools();
  const [preset, setPreset] = useState<SchoolPage['preset']>('centre_and_turn');
  const [search, setSearch] = useState('');
  const { length, lengths } = useUnits();
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-4 p-4">
      <h1 className="text-3xl">{SCHOOLS_SCREEN_WORDS.schoolsAndBands}</h1>
      <div role="tablist" aria-label={SCHOOLS_SCREEN_WORDS.schools} className="flex flex-wrap gap-2">
        {(Object.keys(PRESET_WORDS) as SchoolPage['preset'][]).map((key) => (
          <button
            key={key}
            type="button"
            role="tab"
            aria-selected={preset === key}
            className={`btn ${preset === key ? 'btn-primary' : ''}`}
            onClick={() => setPreset(key)}
          >
            {PRESET_WORDS[key]}
          </button>
        ))}
      </div>
      <Shown query={schools} what={SCHOOLS_SCREEN_WORDS.theSchools}>
        {(all) => {
          const page = all.find((p) => p.preset === preset);
          if (!page) return null;
          const words = search.toLowerCase();
          const shown = page.bands.filter((b) => measureName(b.measure).toLowerCase().includes(words));
          return (
            <div className="grid items-start gap-4 lg:grid-cols-[19rem_1fr]">
              <Panel title={SCHOOLS_SCREEN_WORDS.whatItTeaches}>
                <dl className="flex flex-col gap-2">
                  {(Object.keys(page.answers) as SchoolQuestion[]).map((question) => (
                    <div key={question}>
                      <dt className="text-sm text-base-content/80">{QUESTION_WORDS[question].ask}</dt>
                      <dd className="font-semibold">
                        {QUESTION_WORDS[question].options[page.answers[question]]}
                      </dd>
                    </div>
                  ))}
                </dl>
              </Panel>
              <Panel
                title={SCHOOLS_SCREEN_WORDS.bands}
                aside={
                  <input
                    aria-label={SCHOOLS_SCREEN_WORDS.findAMeasure}
                    placeholder={SCHOOLS_SCREEN_WORDS.findAMeasure}
                    className="input w-56"
                    value={search}
                    onChange={(e) => setSearch(e.target.value)}
                  />
                }
              >
                <p className="mb-2 text-sm text-base-content/80">
                  {SCHOOLS_SCREEN_WORDS.forAPlayer(length(70, 0))}
                </p>
                <ul className="divide-y-[1.5px] divide-base-300">
                  {shown.map((band) => (
                    <BandRow
                      key={`${preset}${band.measure}${band.now.lo}${band.now.hi}${lengths}`}
                      preset={preset}
                      band={band}
                    />
                  ))}
                </ul>
              </Panel>
            </div>
          );
        }}
      </Shown>
    </div>
  );
}

const shown = (edge: number | null): string => (edge === null ? '' : String(Math.round(edge * 100) / 100));
const read = (text: string): number | null => (text.trim() === '' ? null : Number(text.replace(',', '.')));

function BandRow({ preset, band }: { readonly preset: SchoolPage['preset']; readonly band: SchoolBand }) {
  const edit = useEditBand();
  const reset = useResetBand();
  const { perInch, lengths } = useUnits();
  const perUnit = band.unit === 'in' ? perInch : 1;
  const inUnits = (edge: number | null) => shown(edge === null ? null : edge * perUnit);
  const [lo, setLo] = useState(inUnits(band.now.lo));
  const [hi, setHi] = useState(inUnits(band.now.hi));
  const [reason, setReason] = useState(band.edit?.reason ?? '');
  const changed = lo !== inUnits(band.now.lo) || hi !== inUnits(band.now.hi);
  // An edge that was not touched stays what it is to the last digit.
  const edgeOf = (text: string, was: number | null): number | null => {
    const typed = read(text);
    return text === inUnits(was) ? was : typed === null ? null : typed / perUnit;
  };
  const name = measureName(band.measure);
  const save = (event: FormEvent) => {
    event.preventDefault();
    const { measure } = band;
    const before = { lo: band.now.lo, hi: band.now.hi, reason: band.edit?.reason ?? '' };
    const undo = () =>
      band.edit ? edit.mutate({ preset, measure, ...before }) : reset.mutate({ preset, measure });
    edit.mutate(
      { preset, measure, lo: edgeOf(lo, band.now.lo), hi: edgeOf(hi, band.now.hi), reason },
      {
        onSuccess: () =>
          toast(SCHOOLS_SCREEN_WORDS.yourOwnBand(name), {
            action: { label: SCHOOLS_SCREEN_WORDS.undo, onClick: undo },
          }),
      },
    );
  };
  const edges = { ...band.now, step: band.step, unit: band.unit };
  return (
    <li className="py-2">
      <form onSubmit={save} className="grid items-center gap-x-4 gap-y-1 sm:grid-cols-[15rem_1fr_auto]">
        <div>
          <p className="font-semibold">{name}</p>
          <p className="text-sm text-base-content/80">
            {SCHOOLS_SCREEN_WORDS.from}{' '}
            {band.origin.map((o) => ORIGIN_WORDS[o] ?? o).join(SCHOOLS_SCREEN_WORDS.between)}
          </p>
        </div>
        <Tape name={name} band={edges} compact />
        <div className="flex flex-wrap items-center gap-2">
          <Edge label={SCHOOLS_SCREEN_WORDS.lowEdge(name)} value={lo} onChange={setLo} />
          {SCHOOLS_SCREEN_WORDS.to}
          <Edge label={SCHOOLS_SCREEN_WORDS.highEdge(name)} value={hi} onChange={setHi} />
          <span className="min-w-8">{unitWord(band.unit, lengths)}</span>
          {(changed || band.edit) && (
            <input
              aria-label={SCHOOLS_SCREEN_WORDS.whyOf(name)}
              placeholder={SCHOOLS_SCREEN_WORDS.why}
              className="input w-36"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          )}
          {changed && (
            <button type="submit" className="btn btn-primary" disabled={edit.isPending}>
              {SCHOOLS_SCREEN_WORDS.keep}
            </button>
          )}
          {band.edit && !changed && (
            <button
              type="button"
              className="btn"
              aria-label={SCHOOLS_SCREEN_WORDS.backToTheHouseOf(name)}
              onClick={() => reset.mutate({ preset, measure: band.measure })}
            >
              {SCHOOLS_SCREEN_WORDS.backToTheHouse}
            </button>
          )}
        </div>
      </form>
      {edit.error && <Failed error={edit.error} />}
    </li>
  );
}

function Edge({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      placeholder={SCHOOLS_SCREEN_WORDS.open}
      className="input w-20"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
