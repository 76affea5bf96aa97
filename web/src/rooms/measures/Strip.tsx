import { STATION_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { midpoint, type Vec3 } from '@inchstep/core/foundation';
import { type BodyLine, bodyLines, type Pose } from '@inchstep/core/measures';
import { useUnits } from '../../platform/units.ts';
import { STRIP_WORDS } from './words.ts';

type StripSide = 'front' | 'side';

export interface StripPose {
  readonly station: Station;
  readonly pose: Pose;
  /** sd of the pelvis centre along each axis, where it is known. */
  readonly centreSdIn?: Vec3;
}

const WIDTH = 320;
const HEIGHT = 400;
/** Inches from the left to the right edge, and from under the ground to over the head. */
const WIDE_IN = 60;
const BELOW_IN = 6;
const Z95_TWO = 2.4477;
/** Half a clothed leg, as the fence stands outside it, inches. */
const HALF_LEG_IN = 2.5;

/**
 * The body at one station from the front or from the side, to scale: fences outside each leg at address
 * (front) or the seat's line (side), the way of the pelvis centre, an earlier swing and the target laid under.
 */
export function Strip({
  side,
  poses,
  station,
  left,
  then = [],
  target = [],
  at,
}: {
  readonly side: StripSide;
  readonly poses: readonly StripPose[];
  readonly station: Station;
  readonly left: boolean;
  readonly then?: readonly StripPose[];
  readonly target?: readonly StripPose[];
  /** A moment between stations, drawn instead of one. */
  readonly at?: { readonly label: string; readonly pose: Pose };
}) {
  const { length } = useUnits();
  const address = poses.find((p) => p.station === 'address') ?? poses[0];
  const stop = poses.find((p) => p.station === station) ?? address;
  const now = stop && at ? { station: stop.station, pose: at.pose } : stop;
  const home = address && centreOf(address.pose);
  if (!address || !now || !home) return null;
  const draw = drawing(side, left, home);
  const label = at?.label ?? STATION_WORDS[now.station];
  const here = centreOf(now.pose) ?? home;
  const of = (all: readonly StripPose[]) => all.find((p) => p.station === now.station);
  const [earlier, ghost] = [of(then), of(target)];
  const across = side === 'front' ? here[0] - home[0] : here[1] - home[1];
  const rise = here[2] - home[2];
  const what = side === 'front' ? STRIP_WORDS.target : STRIP_WORDS.ball;
  const says = STRIP_WORDS.along(length(Math.abs(across)), across >= 0, what);
  const heights = STRIP_WORDS.rise(length(Math.abs(rise)), rise >= 0);
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full rounded border-[1.5px] border-base-300 bg-base-200"
        role="img"
        aria-label={STRIP_WORDS.strip(STRIP_WORDS[side], label, says, heights)}
      >
        <Ground draw={draw} side={side} left={left} />
        <Fences side={side} poses={poses} draw={draw} />
        <CentrePath poses={poses} draw={draw} />
        {earlier && <Figure lines={bodyLines(earlier.pose)} draw={draw} look="earlier" />}
        <Figure lines={bodyLines(now.pose)} draw={draw} look="now" />
        {ghost && <Figure lines={bodyLines(ghost.pose)} draw={draw} look="target" />}
        {now.pose.head && (
          <circle
            cx={draw.x(now.pose.head)}
            cy={draw.y(now.pose.head)}
            r={draw.perIn * 4}
            fill="none"
            stroke="currentColor"
            strokeWidth={2.5}
          />
        )}
        {now.centreSdIn && now.station !== 'address' && (
          <ellipse
            cx={draw.x(here)}
            cy={draw.y(here)}
            rx={Z95_TWO * draw.perIn * (now.centreSdIn[side === 'front' ? 0 : 1] as number)}
            ry={Z95_TWO * draw.perIn * now.centreSdIn[2]}
            fill="var(--color-accent)"
            fillOpacity={0.4}
            stroke="currentColor"
          />
        )}
        <circle
          cx={draw.x(here)}
          cy={draw.y(here)}
          r={4}
          fill="var(--tape)"
          stroke="currentColor"
          strokeWidth={1.5}
        />
      </svg>
      <figcaption className="mt-1 text-sm">
        {label}
        {STRIP_WORDS.thanAtAddressThick(says, heights)}
        {(earlier || ghost) && (
          <span className="block">
            {earlier && STRIP_WORDS.thinTheEarlierSwing}
            {ghost && STRIP_WORDS.dashedInsideEveryBand}
          </span>
        )}
      </figcaption>
    </figure>
  );
}

interface Drawing {
  readonly x: (p: Vec3) => number;
  readonly y: (p: Vec3) => number;
  readonly perIn: number;
}

/** Front: seen by the ball, a right-hander's target on the right. Side: seen along the line, the ball on the right. */
function drawing(side: StripSide, left: boolean, home: Vec3): Drawing {
  const perIn = WIDTH / WIDE_IN;
  const turned = left ? -1 : 1;
  const middle = side === 'front' ? home[0] : home[1] + 8;
  return {
    perIn,
    x: (p) => WIDTH / 2 + turned * perIn * ((side === 'front' ? p[0] : p[1]) - middle),
    y: (p) => HEIGHT - perIn * (p[2] + BELOW_IN),
  };
}

function centreOf(pose: Pose): Vec3 | null {
  return pose.lead_hip && pose.trail_hip ? midpoint(pose.lead_hip, pose.trail_hip) : null;
}

function Ground({
  draw,
  side,
  left,
}: {
  readonly draw: Drawing;
  readonly side: StripSide;
  readonly left: boolean;
}) {
  const y = draw.y([0, 0, 0]);
  const toRight = !left;
  return (
    <g>
      <line x1={0} x2={WIDTH} y1={y} y2={y} stroke="currentColor" strokeWidth={1.5} />
      {/* A foot of tape on the ground gives the scale. */}
      {Array.from({ length: 13 }, (_, inch) => (
        <line
          key={inch}
          x1={10 + inch * draw.perIn}
          x2={10 + inch * draw.perIn}
          y1={y + 6}
          y2={y + (inch % 6 === 0 ? 16 : 11)}
          stroke="currentColor"
          strokeWidth={1}
        />
      ))}
      <text x={14 + 12 * draw.perIn} y={y + 17} fontSize={11} fill="currentColor">
        {STRIP_WORDS.in}
      </text>
      <circle
        cx={draw.x([0, 0, 0])}
        cy={draw.y([0, 0, 0.84])}
        r={draw.perIn * 0.84}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth={1.2}
      />
      <text
        x={toRight ? WIDTH - 6 : 6}
        y={y + 17}
        fontSize={12}
        textAnchor={toRight ? 'end' : 'start'}
        fill="currentColor"
      >
        {side === 'front' ? (toRight ? 'target →' : '← target') : 'ball'}
      </text>
    </g>
  );
}

/** Where the legs' outsides, or the seat, stood: uprights that show what crossed them. */
function Fences({
  side,
  poses,
  draw,
}: {
  readonly side: StripSide;
  readonly poses: readonly StripPose[];
  readonly draw: Drawing;
}) {
  const at = (station: Station) => poses.find((p) => p.station === station)?.pose;
  const home = at('address');
  const fences: (Vec3 | undefined)[] =
    side === 'front'
      ? [beside(home?.lead_ankle, HALF_LEG_IN), beside(home?.trail_ankle, -HALF_LEG_IN)]
      : [home?.seat, at('top')?.seat];
  return (
    <>
      {fences.map((place, i) =>
        place ? (
          <line
            key={i}
            x1={draw.x(place)}
            x2={draw.x(place)}
            y1={draw.y([0, 0, 0])}
            y2={draw.y([0, 0, 46])}
            stroke="currentColor"
            opacity={0.75}
            strokeWidth={2}
            strokeDasharray={side === 'side' && i === 0 ? '7 4' : '2 5'}
            strokeLinecap="round"
          />
        ) : null,
      )}
    </>
  );
}

const beside = (p: Vec3 | undefined, byIn: number): Vec3 | undefined => p && [p[0] + byIn, p[1], p[2]];

function CentrePath({ poses, draw }: { readonly poses: readonly StripPose[]; readonly draw: Drawing }) {
  const points = poses.flatMap(({ pose }) => {
    const centre = centreOf(pose);
    return centre ? [`${draw.x(centre)},${draw.y(centre)}`] : [];
  });
  return (
    <polyline points={points.join(' ')} fill="none" stroke="currentColor" strokeWidth={1.3} opacity={0.6} />
  );
}

const LOOKS = {
  now: { width: 4, dash: undefined, opacity: 1 },
  earlier: { width: 1.8, dash: undefined, opacity: 0.7 },
  target: { width: 3, dash: '6 5', opacity: 1 },
} as const;

function Figure({
  lines,
  draw,
  look,
}: {
  readonly lines: readonly BodyLine[];
  readonly draw: Drawing;
  readonly look: keyof typeof LOOKS;
}) {
  const { width, dash, opacity } = LOOKS[look];
  return (
    <g opacity={opacity} data-look={look}>
      {lines.map(({ id, side, from, to }) => (
        <line
          key={id + side}
          x1={draw.x(from)}
          y1={draw.y(from)}
          x2={draw.x(to)}
          y2={draw.y(to)}
          stroke={look === 'target' ? 'var(--strip-target)' : 'currentColor'}
          strokeWidth={side === 'trail' ? 0.6 * width : width}
          strokeDasharray={dash}
          strokeLinecap="round"
        />
      ))}
    </g>
  );
}
