/** A mark is a small plumb bob: a ring for its trust, a dot for its place; the chosen one carries its name. */
export function MarkShape({
  u,
  v,
  sd,
  chosen,
  proposed,
  name,
}: {
  readonly u: number;
  readonly v: number;
  readonly sd: number;
  readonly chosen: boolean;
  readonly proposed: boolean;
  readonly name: string;
}) {
  // What a network proposed is a broken ring until the coach has touched it.
  const dash = proposed ? '4 4' : undefined;
  return (
    <g data-proposed={proposed || undefined}>
      <circle
        cx={u}
        cy={v}
        r={Math.max(6, 2 * sd)}
        fill="none"
        stroke="#17242b"
        strokeWidth={4}
        opacity={0.6}
      />
      <circle
        cx={u}
        cy={v}
        r={Math.max(6, 2 * sd)}
        fill="none"
        stroke={chosen ? '#f2dc9b' : '#ffffff'}
        strokeWidth={2}
        strokeDasharray={dash}
      />
      <circle
        cx={u}
        cy={v}
        r={2.4}
        fill={chosen ? '#f2dc9b' : '#ffffff'}
        stroke="#17242b"
        strokeWidth={0.8}
      />
      {chosen && (
        <text
          x={u + 14}
          y={v - 8}
          fontSize={17}
          fill="#ffffff"
          stroke="#17242b"
          strokeWidth={4}
          paintOrder="stroke"
        >
          {name}
        </text>
      )}
    </g>
  );
}
