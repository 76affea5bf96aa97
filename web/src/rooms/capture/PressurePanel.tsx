import type { Pressure, SwingView } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { readCsv } from '@inchstep/contract/formats';
import { urlOf } from '@inchstep/contract/wire/address';
import { problemText, STATION_WORDS } from '@inchstep/contract/words';
import { pressureAtStations, readPressure, STATIONS, type Station } from '@inchstep/core/capture';
import { line, scaleLinear } from 'd3';
import { Download, FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { usePressure, usePutPressure } from './deviceQueries.ts';
import { FilePick } from './FilePick.tsx';
import { STATION_KEYS } from './StationRail.tsx';
import { PRESSURE_PANEL_WORDS } from './words.ts';

const WIDTH = 700;
const HEIGHT = 150;
const PAD = 26;

/** Pressure under the lead foot against the swing's stations; the mat's clock is laid over by hand. */
export function PressurePanel({
  swingId,
  stationTimes,
}: {
  readonly swingId: string;
  readonly stationTimes: SwingView['stationTimes'];
}) {
  const pressure = usePressure(swingId);
  const put = usePutPressure(swingId);
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [moved, setMoved] = useState<number | null>(null);
  const choose = async (file: File) => {
    const csv = await file.text();
    const rows = readCsv(csv);
    const trace = rows.ok ? readPressure(rows.value) : rows;
    setWrong(trace.ok ? null : trace.problems.map(problemText).join(' '));
    if (trace.ok) put.mutate({ fileName: file.name, csv, offsetSeconds: null });
  };
  const trace = pressure.data;
  const offset = moved ?? trace?.offsetSeconds ?? 0;
  return (
    <details className="panel p-3" open={!!trace}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        {PRESSURE_PANEL_WORDS.pressureUnderTheFeet}
      </summary>
      <FilePick
        input={input}
        accept=".csv,.txt"
        label={PRESSURE_PANEL_WORDS.pressureFile}
        testId="pressure-file"
        onFile={(file) => void choose(file)}
      />
      {!trace ? (
        <p className="mb-2">{PRESSURE_PANEL_WORDS.matsCsvWithTime}</p>
      ) : (
        <>
          <Trace trace={trace} stationTimes={stationTimes} offset={offset} />
          <Clock
            offset={offset}
            onMove={setMoved}
            onRest={() => moved !== null && put.mutate({ offsetSeconds: moved })}
          />
          <Shares trace={trace} stationTimes={stationTimes} offset={offset} />
        </>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          <FileUp aria-hidden size={18} />{' '}
          {trace ? PRESSURE_PANEL_WORDS.anotherFile : PRESSURE_PANEL_WORDS.addAPressureFile}
        </button>
        {trace && (
          <>
            <a className="btn" href={urlOf(wire.capture.pressureCsv, { id: swingId })} download>
              <Download aria-hidden size={18} /> {PRESSURE_PANEL_WORDS.csv}
            </a>
            <TakeAway trace={trace} put={put} />
          </>
        )}
      </div>
      {wrong && (
        <p role="alert" className="mt-2 font-semibold">
          {wrong}
        </p>
      )}
      {put.error && <Failed error={put.error} />}
    </details>
  );
}

interface ClockProps {
  readonly offset: number;
  readonly onMove: (offset: number) => void;
  readonly onRest: () => void;
}

const Clock = ({ offset, onMove, onRest }: ClockProps) => (
  <label className="flex items-center gap-2 text-sm">
    {PRESSURE_PANEL_WORDS.matsClockS(offset >= 0 ? '+' : '−', Math.abs(offset).toFixed(2))}
    <input
      type="range"
      className="range range-sm flex-1"
      min={-2}
      max={2}
      step={0.01}
      value={offset}
      onChange={(e) => onMove(Number(e.target.value))}
      onPointerUp={onRest}
      onKeyUp={onRest}
    />
  </label>
);

interface SharesProps {
  readonly trace: Pressure;
  readonly stationTimes: SwingView['stationTimes'];
  readonly offset: number;
}

/** What the lead foot bears at each named station. */
function Shares({ trace, stationTimes, offset }: SharesProps) {
  const at = pressureAtStations(trace, stationTimes, offset);
  return (
    <ul className="my-2 flex flex-wrap gap-x-4 text-sm" data-testid="pressure-stations">
      {STATIONS.flatMap((station) => {
        const share = at[station];
        return share === undefined
          ? []
          : [
              <li key={station}>
                {STATION_WORDS[station]} ({STATION_KEYS[station].toUpperCase()}){' '}
                <span className="font-semibold">{PRESSURE_PANEL_WORDS.lead(share.toFixed(0))}</span>
              </li>,
            ];
      })}
    </ul>
  );
}

interface TakeAwayProps {
  readonly trace: Pressure;
  readonly put: ReturnType<typeof usePutPressure>;
}

/** Takes the trace from the swing; undo brings it and its clock back. */
function TakeAway({ trace: { times, leadPct, fileName, offsetSeconds }, put }: TakeAwayProps) {
  const bringBack = () => {
    const csv = `time_s,lead_pct\n${times.map((t, i) => `${t},${leadPct[i]}`).join('\n')}\n`;
    put.mutate({ fileName, csv, offsetSeconds: null }, { onSuccess: () => put.mutate({ offsetSeconds }) });
  };
  const takeAway = () =>
    put.mutate(null, {
      onSuccess: () =>
        toast(PRESSURE_PANEL_WORDS.pressureTakenAway, {
          action: { label: PRESSURE_PANEL_WORDS.undo, onClick: bringBack },
        }),
    });
  return (
    <button type="button" className="btn btn-ghost" onClick={takeAway}>
      {PRESSURE_PANEL_WORDS.takeAway}
    </button>
  );
}

function Trace({
  trace,
  stationTimes,
  offset,
}: {
  readonly trace: { readonly times: readonly number[]; readonly leadPct: readonly number[] };
  readonly stationTimes: SwingView['stationTimes'];
  readonly offset: number;
}) {
  const named = STATIONS.flatMap((s): [Station, number][] => {
    const time = stationTimes[s];
    return time === undefined ? [] : [[s, time]];
  });
  const from = Math.min((trace.times[0] ?? 0) + offset, ...named.map(([, t]) => t));
  const to = Math.max((trace.times.at(-1) ?? 1) + offset, ...named.map(([, t]) => t));
  const x = scaleLinear([from, to], [PAD, WIDTH - 8]);
  const y = scaleLinear([0, 100], [HEIGHT - 18, 8]);
  const path = line<number>(
    (_, i) => x((trace.times[i] as number) + offset),
    (pct) => y(pct),
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={PRESSURE_PANEL_WORDS.shareOfThePressure}
    >
      {[0, 50, 100].map((pct) => (
        <g key={pct}>
          <line x1={PAD} x2={WIDTH - 8} y1={y(pct)} y2={y(pct)} stroke="currentColor" opacity={0.3} />
          <text x={PAD - 4} y={y(pct) + 4} fontSize={11} textAnchor="end" fill="currentColor">
            {pct}
          </text>
        </g>
      ))}
      {named.map(([station, time]) => (
        <g key={station}>
          <line
            x1={x(time)}
            x2={x(time)}
            y1={8}
            y2={HEIGHT - 18}
            stroke="currentColor"
            strokeDasharray="2 4"
          />
          <text
            x={x(time)}
            y={HEIGHT - 5}
            fontSize={11.5}
            fontWeight={600}
            textAnchor="middle"
            fill="currentColor"
          >
            {STATION_KEYS[station].toUpperCase()}
          </text>
        </g>
      ))}
      <path d={path([...trace.leadPct]) ?? ''} fill="none" stroke="currentColor" strokeWidth={2.5} />
    </svg>
  );
}
