import type { FloorStation } from '@inchstep/core/measures';

type Scale = (value: number) => number;

/** Where this school wants the pelvis centre to be, side to side. */
export function Corridor({
  address,
  corridor,
  x,
  y,
}: {
  readonly address: FloorStation;
  readonly corridor: { lo: number | null; hi: number | null };
  readonly x: Scale;
  readonly y: Scale;
}) {
  const from = x(address.centre[0] + (corridor.lo ?? -12));
  const to = x(address.centre[0] + (corridor.hi ?? 12));
  return (
    <rect
      x={Math.min(from, to)}
      width={Math.abs(to - from)}
      y={y(address.centre[1] + 6)}
      height={Math.abs(y(0) - y(12))}
      fill="var(--tape)"
      stroke="var(--tape-ink)"
      strokeWidth={1}
      strokeDasharray="3 3"
    />
  );
}

export function ClockRim({
  cx,
  cy,
  r,
  side,
}: {
  readonly cx: number;
  readonly cy: number;
  readonly r: number;
  readonly side: number;
}) {
  return (
    <g opacity={0.55}>
      {Array.from({ length: 12 }, (_, i) => {
        const hour = i + 1;
        const angle = (hour / 12) * 2 * Math.PI;
        // 12 toward the ball; 3 away from the target for a right-hander, mirrored for a left-hander.
        const [dx, dy] = [Math.sin(angle) * -side, -Math.cos(angle)];
        return (
          <g key={hour}>
            <line
              x1={cx + dx * (r - 5)}
              y1={cy + dy * (r - 5)}
              x2={cx + dx * r}
              y2={cy + dy * r}
              stroke="currentColor"
              strokeWidth={1.2}
            />
            {hour % 3 === 0 && (
              <text
                x={cx + dx * (r + 9)}
                y={cy + dy * (r + 9) + 4}
                fontSize={11}
                textAnchor="middle"
                fill="currentColor"
              >
                {hour}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

export function Foot({
  heel,
  toe,
  width,
}: {
  readonly heel: readonly [number, number];
  readonly toe: readonly [number, number];
  readonly width: number;
}) {
  return (
    <line
      x1={heel[0]}
      y1={heel[1]}
      x2={toe[0]}
      y2={toe[1]}
      stroke="currentColor"
      strokeWidth={width}
      strokeLinecap="round"
      opacity={0.22}
    />
  );
}
