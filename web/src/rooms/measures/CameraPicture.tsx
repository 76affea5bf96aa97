import { Z95 } from '@inchstep/core/foundation';
import type { FitAnswer } from './fit.worker.ts';
import { CAMERA_PICTURE_WORDS } from './words.ts';

const SIZE = 300;
const PER_IN = 0.82;
const PLAYER = { x: 150, y: 170 };

/**
 * From above: the player, the sticks, and where each phone stands and points, to scale, with the cone of
 * what it may truly be (95 %). The dashed place is where it should stand.
 */
export function CameraPicture({
  views,
  left,
}: {
  readonly views: FitAnswer['views'];
  readonly left: boolean;
}) {
  const side = left ? -1 : 1;
  // The player faces up the page: a right-hander's target on the left, as on the floor map.
  const at = (xIn: number, yIn: number) => ({
    x: PLAYER.x - side * PER_IN * (xIn + 2),
    y: PLAYER.y - PER_IN * (yIn + 32),
  });
  const says = views.map((v) =>
    CAMERA_PICTURE_WORDS.turnedDegrees(v.id.replaceAll('_', ' '), v.yawDeg.toFixed(0)),
  );
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className="w-full rounded border-[1.5px] border-base-300 bg-base-200"
      role="img"
      aria-label={CAMERA_PICTURE_WORDS.phonesFromAbove(says.join(', '))}
    >
      <Stick from={at(-24, -8)} to={at(24, -8)} />
      <Stick from={at(0, -8)} to={at(0, 16)} />
      <circle cx={PLAYER.x} cy={PLAYER.y} r={9} fill="none" stroke="currentColor" strokeWidth={2.5} />
      <circle cx={at(0, 0).x} cy={at(0, 0).y} r={2.5} fill="currentColor" />
      <text
        x={left ? SIZE - 6 : 6}
        y={PLAYER.y}
        fontSize={12}
        textAnchor={left ? 'end' : 'start'}
        fill="currentColor"
      >
        {left ? 'target →' : '← target'}
      </text>
      {views.map((view) => (
        <Phone key={view.id} view={view} at={at} side={side} />
      ))}
    </svg>
  );
}

type Place = { readonly x: number; readonly y: number };

function Stick({ from, to }: { readonly from: Place; readonly to: Place }) {
  return (
    <line
      x1={from.x}
      y1={from.y}
      x2={to.x}
      y2={to.y}
      stroke="var(--strip-target)"
      strokeWidth={3}
      strokeLinecap="round"
    />
  );
}

const REACH_PX = 130;

function Phone({
  view,
  at,
  side,
}: {
  readonly view: FitAnswer['views'][number];
  readonly at: (xIn: number, yIn: number) => Place;
  readonly side: number;
}) {
  const faceOn = view.id === 'face_on';
  const place = at(view.positionIn[0], view.positionIn[1]);
  // Square: face-on looks straight back at the player, down the line straight at the target.
  const square = faceOn ? 90 : side > 0 ? 180 : 0;
  // + turns toward the picture's right, which is the target face-on and the ball from behind.
  const towards = (yawDeg: number) => square + side * yawDeg;
  const end = (yawDeg: number): Place => {
    const angle = (towards(yawDeg) * Math.PI) / 180;
    return { x: place.x + REACH_PX * Math.cos(angle), y: place.y + REACH_PX * Math.sin(angle) };
  };
  const [a, b, middle, ideal] = [
    end(view.yawDeg - Z95 * view.yawSdDeg),
    end(view.yawDeg + Z95 * view.yawSdDeg),
    end(view.yawDeg),
    end(0),
  ];
  return (
    <g>
      <path
        d={`M${place.x} ${place.y} L${a.x} ${a.y} L${b.x} ${b.y} Z`}
        fill="var(--color-accent)"
        fillOpacity={0.45}
      />
      <line x1={place.x} y1={place.y} x2={middle.x} y2={middle.y} stroke="currentColor" strokeWidth={1.5} />
      <line
        x1={place.x}
        y1={place.y}
        x2={ideal.x}
        y2={ideal.y}
        stroke="currentColor"
        strokeWidth={1.2}
        strokeDasharray="3 4"
      />
      <rect
        x={place.x - 7}
        y={place.y - 7}
        width={14}
        height={14}
        rx={3}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth={2}
      />
    </g>
  );
}
