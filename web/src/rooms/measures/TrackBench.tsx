import type { Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { readCsv } from '@inchstep/contract/formats';
import type { Student } from '@inchstep/contract/intake';
import type { Reading } from '@inchstep/contract/measures';
import { urlOf } from '@inchstep/contract/wire/address';
import { STATION_WORDS } from '@inchstep/contract/words';
import { readMotionTable, STATIONS, type Station, toGround } from '@inchstep/core/capture';
import { midpoint, type Vec3 } from '@inchstep/core/foundation';
import { type FloorStation, type Pose, type SmoothTrack, smoothTrack } from '@inchstep/core/measures';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { useTrackCsv } from '../capture/index.ts';
import { FloorMap } from './FloorMap.tsx';
import { MeasureTapes } from './MeasureTapes.tsx';
import { useMeasure, useReadings } from './queries.ts';
import { Strip, type StripPose } from './Strip.tsx';
import { TRACK_BENCH_WORDS } from './words.ts';

/** A swing that came as motion: scrub through it in time, from the front, the side and above. */
export function TrackBench({ student, swing }: { readonly student: Student; readonly swing: Swing }) {
  const readings = useReadings(student.id);
  const csv = useTrackCsv(swing.id);
  return (
    <Shown query={readings} what={TRACK_BENCH_WORDS.theMeasures}>
      {(all) => {
        const reading = all.find((r) => r.swingId === swing.id);
        if (!reading?.track) return <Unmeasured studentId={student.id} swingId={swing.id} />;
        return (
          <Shown query={csv} what={TRACK_BENCH_WORDS.theMotion}>
            {(text) => <OpenTrack student={student} swing={swing} reading={reading} text={text} />}
          </Shown>
        );
      }}
    </Shown>
  );
}

/** The page was left between bringing the file in and measuring it. */
function Unmeasured({ studentId, swingId }: { readonly studentId: string; readonly swingId: string }) {
  const measure = useMeasure(studentId);
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-3 p-4">
      <Empty
        title={TRACK_BENCH_WORDS.notMeasuredYet}
        action={
          <button
            type="button"
            className="btn btn-primary"
            disabled={measure.isPending}
            onClick={() => measure.mutate(swingId)}
          >
            {TRACK_BENCH_WORDS.measure}
          </button>
        }
      >
        {TRACK_BENCH_WORDS.motionFileIsHere}
      </Empty>
      {measure.error && <Failed error={measure.error} />}
    </div>
  );
}

/** The program's own CSV is in the ground frame already; reading it again can only fail if the server broke. */
function trackOf(text: string): SmoothTrack | null {
  const rows = readCsv(text);
  const raw = rows.ok ? readMotionTable(rows.value) : rows;
  const ground = raw.ok ? toGround(raw.value, false) : raw;
  return ground.ok ? smoothTrack(ground.value.motion) : null;
}

function OpenTrack({
  student,
  swing,
  reading,
  text,
}: {
  readonly student: Student;
  readonly swing: Swing;
  readonly reading: Reading;
  readonly text: string;
}) {
  const track = useMemo(() => trackOf(text), [text]);
  const times = reading.track?.stations ?? {};
  const found = STATIONS.filter((s) => times[s] !== undefined);
  const [seconds, setSeconds] = useState(times.top ?? 0);
  if (!track || !reading.track)
    return <Empty title={TRACK_BENCH_WORDS.noMotionHere}>{TRACK_BENCH_WORDS.bringTheFile}</Empty>;
  const frameAt = (t: number) =>
    Math.min(track.frames - 1, Math.max(0, Math.round((t - track.startSeconds) / track.stepSeconds)));
  const poseAt = (t: number): Pose =>
    Object.fromEntries([...track.points].map(([l, path]) => [l, path[frameAt(t)] as Vec3]));
  const poses: StripPose[] = found.map((station) => ({ station, pose: poseAt(times[station] ?? 0) }));
  const station = nearest(found, times, seconds);
  const at = { label: `${seconds.toFixed(3)} s`, pose: poseAt(seconds) };
  const left = student.profile.handedness === 'left';
  const here = reading.measures.filter((m) => m.station === station);
  const end = track.startSeconds + (track.frames - 1) * track.stepSeconds;
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-3 p-3">
      <div className="flex flex-wrap items-center gap-2">
        {found.map((s) => (
          <button
            key={s}
            type="button"
            className={`btn ${s === station && Math.abs((times[s] ?? 0) - seconds) < 1e-6 ? 'btn-primary' : ''}`}
            onClick={() => setSeconds(times[s] ?? 0)}
          >
            {STATION_WORDS[s]}
          </button>
        ))}
        <Link to={`/students/${student.id}/diagnosis?swing=${swing.id}`} className="btn btn-primary ml-auto">
          {TRACK_BENCH_WORDS.diagnose}
        </Link>
      </div>
      <input
        type="range"
        className="range w-full"
        aria-label={TRACK_BENCH_WORDS.timeInTheSwing}
        aria-valuetext={at.label}
        min={track.startSeconds}
        max={end}
        step={track.stepSeconds}
        value={seconds}
        onChange={(e) => setSeconds(Number(e.target.value))}
      />
      <div className="grid gap-3 lg:grid-cols-[1fr_1fr_1fr_21rem]">
        <Strip side="front" poses={poses} station={station} left={left} at={at} />
        <Strip side="side" poses={poses} station={station} left={left} at={at} />
        <FloorMap
          floor={poses.flatMap(floorOf)}
          station={station}
          left={left}
          corridor={null}
          at={at}
          slider={null}
        />
        <section
          className="panel max-h-[30rem] overflow-y-auto p-3"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keys
          tabIndex={0}
          aria-label={TRACK_BENCH_WORDS.measuresHere}
        >
          <h2 className="mb-2 font-semibold">{STATION_WORDS[station]}</h2>
          <MeasureTapes measures={here} />
        </section>
      </div>
      <TrackFacts swing={swing} track={reading.track} />
    </div>
  );
}

const nearest = (found: readonly Station[], times: Partial<Record<Station, number>>, t: number): Station =>
  found.reduce<Station>(
    (best, s) => (Math.abs((times[s] ?? 0) - t) < Math.abs((times[best] ?? 0) - t) ? s : best),
    found[0] ?? 'address',
  );

/** Markers are known to a fraction of an inch: no ellipse worth drawing. */
const NO_ELLIPSE = { majorIn: 0, minorIn: 0, angleDeg: 0 };

function floorOf({ station, pose }: StripPose): FloorStation[] {
  const { lead_hip: leadHip, trail_hip: trailHip } = pose;
  if (!leadHip || !trailHip) return [];
  const foot = (side: 'lead' | 'trail') => {
    const ankle = pose[`${side}_ankle`] ?? leadHip;
    return { ankle, heel: pose[`${side}_heel`] ?? ankle, toe: pose[`${side}_toe`] ?? ankle };
  };
  const feet = { lead: foot('lead'), trail: foot('trail') };
  return [{ station, leadHip, trailHip, centre: midpoint(leadHip, trailHip), ellipse: NO_ELLIPSE, feet }];
}

const UNIT = { in: 'inches', cm: 'centimetres', mm: 'millimetres', m: 'metres' } as const;

function TrackFacts({
  swing,
  track,
}: {
  readonly swing: Swing;
  readonly track: NonNullable<Reading['track']>;
}) {
  const { length } = useUnits();
  const file = swing.track;
  if (!file) return null;
  return (
    <Panel title={TRACK_BENCH_WORDS.theFile}>
      <ul className="list-disc pl-5">
        <li>
          {TRACK_BENCH_WORDS.framesInSNoise(
            file.fileName,
            file.frames,
            file.seconds.toFixed(2),
            length(track.noiseIn, 2),
            track.tempo.toFixed(1),
          )}
        </li>
        <li>
          {file.unitGuessed
            ? TRACK_BENCH_WORDS.takenAsSince(UNIT[file.unit])
            : TRACK_BENCH_WORDS.written(UNIT[file.unit])}{' '}
          {file.aligned === 'as_written'
            ? TRACK_BENCH_WORDS.itsAxesAreUsed
            : TRACK_BENCH_WORDS.fileDoesNotSay}
        </li>
        {file.unmatched.length > 0 && (
          <li>{TRACK_BENCH_WORDS.leftOutSinceThey(file.unmatched.slice(0, 12).join(', '))}</li>
        )}
      </ul>
      <a className="btn mt-2" href={urlOf(wire.capture.trackCsv, { id: swing.id })} download>
        <Download aria-hidden size={18} /> {TRACK_BENCH_WORDS.motionAsCsv}
      </a>
    </Panel>
  );
}
