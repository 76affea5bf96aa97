import type { Swing } from '@inchstep/contract/capture';
import { readCsv } from '@inchstep/contract/formats';
import type { Student } from '@inchstep/contract/intake';
import type { Reading } from '@inchstep/contract/measures';
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

/** A swing that came as motion: scrub through it in time, from the front, the side and above. */
export function TrackBench({ student, swing }: { readonly student: Student; readonly swing: Swing }) {
  const readings = useReadings(student.id);
  const csv = useTrackCsv(swing.id);
  return (
    <Shown query={readings} what="the measures">
      {(all) => {
        const reading = all.find((r) => r.swingId === swing.id);
        if (!reading?.track) return <Unmeasured studentId={student.id} swingId={swing.id} />;
        return (
          <Shown query={csv} what="the motion">
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
        title="Not measured yet"
        action={
          <button
            type="button"
            className="btn btn-primary"
            disabled={measure.isPending}
            onClick={() => measure.mutate(swingId)}
          >
            Measure it
          </button>
        }
      >
        The motion file is here; its measures are not.
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
  if (!track || !reading.track) return <Empty title="No motion here">Bring the file in again.</Empty>;
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
          Diagnose
        </Link>
      </div>
      <input
        type="range"
        className="range w-full"
        aria-label="Time in the swing"
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
          aria-label="Measures here"
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
    <Panel title="The file">
      <ul className="list-disc pl-5">
        <li>
          {file.fileName}: {file.frames} frames in {file.seconds.toFixed(2)} s, noise about{' '}
          {length(track.noiseIn, 2)} in a coordinate. Tempo {track.tempo.toFixed(1)} to 1.
        </li>
        <li>
          {file.unitGuessed
            ? `Taken as ${UNIT[file.unit]}, since a person then has a person’s size.`
            : `Written in ${UNIT[file.unit]}.`}{' '}
          {file.aligned === 'as_written'
            ? 'Its axes are used as written.'
            : 'The file does not say where the target is: the line of the ankles at address is taken as the target line, so a stance that is open or closed reads as square.'}
        </li>
        {file.unmatched.length > 0 && (
          <li>Left out, since they name no landmark here: {file.unmatched.slice(0, 12).join(', ')}.</li>
        )}
      </ul>
      <a className="btn mt-2" href={`/api/swings/${swing.id}/track.csv`} download>
        <Download aria-hidden size={18} /> Motion as CSV
      </a>
    </Panel>
  );
}
