import { exaggerateText, measureName } from '@inchstep/contract/words';
import { BAND_ROWS } from '@inchstep/core/intake';
import {
  FEEL_SIDES,
  type FeelSide,
  type FeelSizing,
  feelSizingFor,
  wantedSide,
} from '@inchstep/core/prescription';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { useFeels, useForgetFeel, useNoteFeel } from './queries.ts';
import { FEEL_PANEL_WORDS } from './words.ts';

const SHOWN = 5;
const OPPOSITE: Record<FeelSide, FeelSide> = { more: 'less', less: 'more' };
const UNIT_WORDS: Readonly<Record<string, string>> = { deg: 'degrees' };

/** What the student felt against what was measured; sizes the exaggeration in the cue. */
export function FeelPanel({
  studentId,
  measures,
  fault,
}: {
  readonly studentId: string;
  readonly measures: readonly string[];
  /** What is worked on: it says which way each measure is to go. */
  readonly fault: string;
}) {
  const feels = useFeels(studentId);
  const note = useNoteFeel(studentId);
  const forget = useForgetFeel(studentId);
  const [measure, setMeasure] = useState(measures[0] ?? '');
  const wanted = wantedSide(measure, fault);
  const [other, setOther] = useState(false);
  const side = other ? OPPOSITE[wanted ?? 'more'] : (wanted ?? 'more');
  const [felt, setFelt] = useState('');
  const [measured, setMeasured] = useState('');
  const { perInch, lengths, value } = useUnits();
  const unitOf = (id: string) => BAND_ROWS.find((row) => row.id === id)?.unit;
  const amount = (of: number, id: string) => value(of, unitOf(id) ?? 'ratio');
  const known = unitOf(measure);
  // Typed in the coach's units, kept in the measure's own.
  const number = (text: string) => Number(text.replace(',', '.')) / (known === 'in' ? perInch : 1);
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const feel = { measure, felt: number(felt), measured: number(measured), side };
    note.mutate(feel, {
      onSuccess: (id) => {
        setFelt('');
        setMeasured('');
        toast(FEEL_PANEL_WORDS.noted, {
          action: { label: FEEL_PANEL_WORDS.undo, onClick: () => forget.mutate(id) },
        });
      },
    });
  };
  const unit = known === 'in' ? `, ${lengths}` : known ? `, ${UNIT_WORDS[known] ?? known}` : '';
  const ready = measure !== '' && felt.trim() !== '' && number(felt) >= 0 && number(measured) > 0;
  return (
    <Panel title={FEEL_PANEL_WORDS.feltAgainstMeasured}>
      <Shown query={feels} what={FEEL_PANEL_WORDS.whatWasFelt}>
        {({ records }) => (
          <>
            <p className="font-semibold">{sizingText(feelSizingFor(records, [measure], fault))}</p>
            <ul className="mt-1 text-sm">
              {records.slice(0, SHOWN).map((r) => (
                <li key={r.id}>
                  {FEEL_PANEL_WORDS.feltAndWas(
                    measureName(r.measure),
                    r.felt === 0 ? FEEL_PANEL_WORDS.still : amount(r.felt, r.measure),
                    amount(r.measured, r.measure),
                    r.side === null ? '' : FEEL_PANEL_WORDS.way[r.side].toLowerCase(),
                  )}
                </li>
              ))}
            </ul>
          </>
        )}
      </Shown>
      {measures.length > 0 && (
        <form onSubmit={keep} className="mt-2 flex flex-wrap items-end gap-2">
          <select
            aria-label={FEEL_PANEL_WORDS.whichChange}
            className="select w-full"
            value={measure}
            onChange={(e) => {
              setMeasure(e.target.value);
              setOther(false);
            }}
          >
            {measures.map((id) => (
              <option key={id} value={id}>
                {measureName(id)}
              </option>
            ))}
          </select>
          <Way side={side} onChange={(id) => setOther(id !== (wanted ?? 'more'))} />
          <Amount label={FEEL_PANEL_WORDS.feltIn(unit)} value={felt} onChange={setFelt} />
          <Amount label={FEEL_PANEL_WORDS.measuredIn(unit)} value={measured} onChange={setMeasured} />
          <button type="submit" className="btn" disabled={!ready || note.isPending}>
            {FEEL_PANEL_WORDS.note}
          </button>
        </form>
      )}
      {note.error && <Failed error={note.error} />}
    </Panel>
  );
}

/** Which way the measure went. */
function Way({ side, onChange }: { readonly side: FeelSide; readonly onChange: (side: FeelSide) => void }) {
  return (
    <fieldset className="join w-full">
      <legend className="sr-only">{FEEL_PANEL_WORDS.whichWay}</legend>
      {FEEL_SIDES.map((id) => (
        <button
          key={id}
          type="button"
          aria-pressed={side === id}
          className={`btn join-item flex-1 ${side === id ? 'btn-primary' : ''}`}
          onClick={() => onChange(id)}
        >
          {FEEL_PANEL_WORDS.way[id]}
        </button>
      ))}
    </fieldset>
  );
}

function Amount({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="flex flex-col text-sm">
      {label}
      <input
        className="input w-24"
        inputMode="decimal"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

function sizingText({ factor, records, lo95, hi95 }: FeelSizing): string {
  if (factor !== null) return exaggerateText(factor);
  if (records === 0) return FEEL_PANEL_WORDS.askHowBig;
  return FEEL_PANEL_WORDS.notClearYetBetween(
    lo95.toFixed(1),
    hi95.toFixed(1),
    records,
    records === 1 ? 'note' : 'notes',
  );
}
