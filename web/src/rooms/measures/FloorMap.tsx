import { STATION_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import type { FloorStation, Pose } from '@inchstep/core/measures';
import { curveCatmullRom, line, scaleLinear } from 'd3';
import type { ReactNode } from 'react';
import { useUnits } from '../../platform/units.ts';
import { ClockRim, Corridor, Foot } from './FloorParts.tsx';
import type { StripPose } from './Strip.tsx';
import { FLOOR_MAP_WORDS } from './words.ts';

const WIDTH = 320;
const HEIGHT = 440;

/**
 * From above, to scale: feet, ball, clock rim, the pelvis as a bar, the path of its centre with
 * 95 % ellipses, the school's corridor for this station. The player faces up the page; the target
 * is on the player's own side.
 */
export function FloorMap({
  floor,
  station,
  left,
  corridor,
  then = [],
  target = [],
  at: moment,
  slider,
}: {
  readonly floor: readonly FloorStation[];
  readonly station: Station;
  readonly left: boolean;
  readonly corridor: { lo: number | null; hi: number | null } | null;
  /** An earlier swing and the pose inside every band, laid under. */
  readonly then?: readonly StripPose[];
  readonly target?: readonly StripPose[];
  /** A moment between stations, its hips drawn dotted. */
  readonly at?: { readonly label: string; readonly pose: Pose };
  /** Under the map: what scrubs it. */
  readonly slider: ReactNode;
}) {
  const { length } = useUnits();
  const address = floor.find((f) => f.station === 'address') ?? floor[0];
  if (!address) return null;
  const middle = address.centre[0];
  const perInch = WIDTH / 34;
  // A right-hander facing the ball has the target on the left.
  const side = left ? 1 : -1;
  const x = scaleLinear([middle - 17, middle + 17], side > 0 ? [0, WIDTH] : [WIDTH, 0]);
  const y = scaleLinear([4, 4 - HEIGHT / perInch], [0, HEIGHT]);
  const at = (p: readonly number[]) => [x(p[0] as number), y(p[1] as number)] as const;
  const now = floor.find((f) => f.station === station) ?? address;
  const path = line<FloorStation>(
    (f) => x(f.centre[0]),
    (f) => y(f.centre[1]),
  ).curve(curveCatmullRom);
  const shift = now.centre[0] - address.centre[0];
  const depth = now.centre[1] - address.centre[1];
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full rounded border-[1.5px] border-base-300 bg-base-200"
        role="img"
        aria-label={FLOOR_MAP_WORDS.floorMapAtPelvis(STATION_WORDS[station], length(shift), length(depth))}
      >
        <BallLine y={y(0)} side={side} />
        {corridor && <Corridor address={address} corridor={corridor} x={x} y={y} />}
        <ClockRim cx={x(address.centre[0])} cy={y(address.centre[1])} r={perInch * 9.5} side={side} />
        {(['lead', 'trail'] as const).map((foot) => (
          <Foot
            key={foot}
            heel={at(now.feet[foot].heel)}
            toe={at(now.feet[foot].toe)}
            width={perInch * 3.4}
          />
        ))}
        <circle
          cx={x(0)}
          cy={y(0)}
          r={perInch * 0.84}
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth={1.5}
        />
        <Under poses={then} station={now.station} at={at} look="earlier" />
        <Under poses={target} station={now.station} at={at} look="target" />
        <path d={path([...floor]) ?? ''} fill="none" stroke="currentColor" strokeWidth={1.5} opacity={0.7} />
        {floor.map((f) => (
          <PelvisAt
            key={f.station}
            floor={f}
            here={f.station === station}
            at={at}
            perInch={perInch}
            side={side}
          />
        ))}
        {moment && (
          <Under poses={[{ station, pose: moment.pose }]} station={station} at={at} look="between" />
        )}
        <circle
          cx={at(now.leadHip)[0]}
          cy={at(now.leadHip)[1]}
          r={6.5}
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth={2.5}
        />
      </svg>
      <figcaption className="mt-1 text-sm">
        {slider}
        {moment && <span className="block">{FLOOR_MAP_WORDS.dottedBar(moment.label)}</span>}
        <CentreSaid station={now.station} shiftIn={shift} depthIn={depth} />
      </figcaption>
    </figure>
  );
}

interface CentreSaidProps {
  readonly station: Station;
  readonly shiftIn: number;
  readonly depthIn: number;
}

/** Where the pelvis centre went since address, in words. */
function CentreSaid({ station, shiftIn, depthIn }: CentreSaidProps) {
  const { length } = useUnits();
  const [shift, depth] = [length(Math.abs(shiftIn)), length(Math.abs(depthIn))];
  return FLOOR_MAP_WORDS.centre(STATION_WORDS[station], shift, shiftIn >= 0, depth, depthIn >= 0);
}

type At = (p: readonly number[]) => readonly [number, number];

/** The line through the ball, and where the target is. */
const BallLine = ({ y, side }: { readonly y: number; readonly side: number }) => (
  <>
    <line x1={0} x2={WIDTH} y1={y} y2={y} stroke="currentColor" strokeDasharray="6 5" opacity={0.5} />
    <text
      x={side > 0 ? WIDTH - 6 : 6}
      y={y - 6}
      textAnchor={side > 0 ? 'end' : 'start'}
      fontSize={12}
      fill="currentColor"
    >
      {FLOOR_MAP_WORDS.target(side > 0 ? '→' : '←')}
    </text>
  </>
);

interface PelvisAtProps {
  readonly floor: FloorStation;
  /** The station in hand is drawn strong. */
  readonly here: boolean;
  readonly at: At;
  readonly perInch: number;
  readonly side: number;
}

/** The pelvis at one station: a bar from hip to hip, its centre, and where that truly is, 19 times in 20. */
function PelvisAt({ floor: { centre, ellipse, leadHip, trailHip }, here, at, perInch, side }: PelvisAtProps) {
  const [cx, cy] = at(centre);
  return (
    <g opacity={here ? 1 : 0.45}>
      <ellipse
        cx={cx}
        cy={cy}
        rx={ellipse.majorIn * perInch}
        ry={ellipse.minorIn * perInch}
        transform={`rotate(${-side * ellipse.angleDeg} ${cx} ${cy})`}
        fill="var(--color-accent)"
        fillOpacity={0.35}
        stroke="currentColor"
        strokeWidth={1}
      />
      <line
        x1={at(leadHip)[0]}
        y1={at(leadHip)[1]}
        x2={at(trailHip)[0]}
        y2={at(trailHip)[1]}
        stroke="currentColor"
        strokeWidth={here ? 7 : 2}
        strokeLinecap="round"
      />
      <circle
        cx={cx}
        cy={cy}
        r={here ? 4.5 : 2.5}
        fill="var(--tape)"
        stroke="currentColor"
        strokeWidth={1.5}
      />
    </g>
  );
}

const UNDER = {
  earlier: { width: 2.5, dash: undefined },
  target: { width: 5, dash: '6 5' },
  between: { width: 6, dash: '2 8' },
} as const;

/** Hips of another pose: thin for an earlier swing, dashed for the target, dotted between stations. */
function Under({
  poses,
  station,
  at,
  look,
}: {
  readonly poses: readonly StripPose[];
  readonly station: Station;
  readonly at: At;
  readonly look: keyof typeof UNDER;
}) {
  const pose = poses.find((p) => p.station === station)?.pose;
  if (!pose?.lead_hip || !pose.trail_hip) return null;
  const [lead, trail] = [at(pose.lead_hip), at(pose.trail_hip)];
  return (
    <g data-look={look}>
      <line
        x1={lead[0]}
        y1={lead[1]}
        x2={trail[0]}
        y2={trail[1]}
        stroke={look === 'target' ? 'var(--strip-target)' : 'currentColor'}
        strokeWidth={UNDER[look].width}
        strokeDasharray={UNDER[look].dash}
        strokeLinecap="round"
      />
      <circle
        cx={lead[0]}
        cy={lead[1]}
        r={4}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth={1.5}
      />
    </g>
  );
}
