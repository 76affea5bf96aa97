import { cautionText, DRILL_WORDS, drillName, RANGE_WORDS, SETUP_WORDS } from '@inchstep/contract/words';
import type { Caution, SetupValue } from '@inchstep/core/prescription';
import { useUnits } from '../../platform/units.ts';

export interface SetupCardProps {
  readonly drill: string;
  readonly setup: readonly SetupValue[];
  readonly cautions: readonly Caution[];
  readonly left: boolean;
  readonly onRange?: boolean;
}

/** What the student needs to set the drill up and to know when it counted. */
export function SetupCard({ drill, setup, cautions, left, onRange = false }: SetupCardProps) {
  const words = DRILL_WORDS[drill];
  const { length } = useUnits();
  if (!words) return null;
  return (
    <article className="flex flex-col gap-3" aria-label={`Set-up card: ${drillName(drill)}`}>
      <p>{words.purpose}</p>
      <div className="grid gap-3 sm:grid-cols-[13rem_1fr]">
        <SetupDrawing setup={setup} left={left} />
        <div>
          <ol className="list-decimal pl-5">
            {words.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            {setup.map(({ id, valueIn }) => (
              <div key={id} className="contents">
                <dt>{SETUP_WORDS[id] ?? id}</dt>
                <dd className="text-right font-semibold">{length(valueIn)}</dd>
              </div>
            ))}
          </dl>
        </div>
      </div>
      <p className="tape-edge rounded px-3 pt-3 pb-1.5 text-lg font-semibold">{words.cue}</p>
      <dl className="grid gap-2 sm:grid-cols-3">
        <Fact title="It counts when">{words.counts}</Fact>
        <Fact title="Faking it looks like">{words.fake}</Fact>
        <Fact title="Too much looks like">{words.tooMuch}</Fact>
      </dl>
      {(cautions.length > 0 || onRange) && (
        <ul className="panel border-warning p-3 text-sm" aria-label="Take care">
          {cautions.map((caution) => (
            <li key={caution.code + caution.about}>{cautionText(caution)}</li>
          ))}
          {onRange && <li>{RANGE_WORDS}</li>}
        </ul>
      )}
    </article>
  );
}

function Fact({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <div>
      <dt className="font-semibold">{title}</dt>
      <dd className="text-sm">{children}</dd>
    </div>
  );
}

/** Where each object stands: inches toward the target (x) and toward the ball (y) from mid-stance. */
type Placed = (
  valueIn: number,
  halfStanceIn: number,
) => { x: number; y: number; from: { x: number; y: number } };
const HIP = 3.5;
const PLACES: Readonly<Record<string, Placed>> = {
  post_gap: (v) => ({ x: -(6.7 + v), y: -3, from: { x: -6.7, y: -3 } }),
  wall_gap: (v) => ({ x: -(6.7 + v), y: -3, from: { x: -6.7, y: -3 } }),
  rod_outside_hip: (v) => ({ x: 6.7 + v, y: -3, from: { x: 6.7, y: -3 } }),
  wall_outside_thigh: (v) => ({ x: 6.7 + v, y: 0, from: { x: 6.7, y: 0 } }),
  post_outside_thigh: (v) => ({ x: 6.7 + v, y: 0, from: { x: 6.7, y: 0 } }),
  far_ball: (v) => ({ x: 2 + v, y: 30, from: { x: 2, y: 30 } }),
  marker_ahead: (v, half) => ({ x: -half, y: 2 + v, from: { x: -half, y: 2 } }),
  marker_ahead_of_foot: (v, half) => ({ x: -half, y: 8 + v, from: { x: -half, y: 8 } }),
  box_past_toes: (v, half) => ({ x: -half, y: 9 + v, from: { x: -half, y: 8 } }),
  grip_inside_knee: (v, half) => ({ x: half - 1 - v, y: 3, from: { x: half - 1, y: 3 } }),
  stick_outside_knee: (v, half) => ({ x: half + 2 + v, y: 3, from: { x: half + 2, y: 3 } }),
  foot_back: (v, half) => ({ x: -half, y: -2.5 - v, from: { x: -half, y: -2.5 } }),
  chair_gap: () => ({ x: 0, y: -9, from: { x: 0, y: -9 } }),
  brush_ahead: (v) => ({ x: 2 + v, y: 30, from: { x: 2, y: 30 } }),
  bump: (v) => ({ x: v, y: -HIP, from: { x: 0, y: -HIP } }),
};

/** From above and to scale, drawn from the same numbers that stand beside it. */
function SetupDrawing({ setup, left }: { readonly setup: readonly SetupValue[]; readonly left: boolean }) {
  const { length } = useUnits();
  const stance = setup.find((s) => s.id === 'stance')?.valueIn ?? 14;
  const half = stance / 2;
  const side = left ? 1 : -1;
  const x = (inches: number) => 100 + side * inches * 3.2;
  const y = (inches: number) => 150 - inches * 3.2;
  const objects = setup.flatMap(({ id, valueIn }) => {
    const place = PLACES[id];
    return place ? [{ id, valueIn, ...place(valueIn, half) }] : [];
  });
  const top = Math.min(20, ...objects.map((o) => y(o.y) - 24));
  return (
    <svg
      viewBox={`0 ${top} 200 ${210 - top}`}
      className="max-h-72 w-full rounded bg-base-200"
      role="img"
      aria-label={`From above: ankles ${length(stance)} apart${objects.map((o) => `, ${SETUP_WORDS[o.id]} ${length(o.valueIn)}`).join('')}`}
    >
      <line x1={0} x2={200} y1={y(30)} y2={y(30)} stroke="currentColor" strokeDasharray="5 4" opacity={0.5} />
      <text
        x={side > 0 ? 196 : 4}
        y={y(30) - 6}
        fontSize={10}
        textAnchor={side > 0 ? 'end' : 'start'}
        fill="currentColor"
      >
        target {side > 0 ? '→' : '←'}
      </text>
      <circle cx={x(2)} cy={y(30)} r={4} fill="var(--color-base-100)" stroke="currentColor" />
      <line
        x1={x(half)}
        y1={y(-2.5)}
        x2={x(half + 2.2)}
        y2={y(7)}
        stroke="currentColor"
        strokeWidth={11}
        strokeLinecap="round"
        opacity={0.3}
      />
      <line
        x1={x(-half)}
        y1={y(-2.5)}
        x2={x(-half - 0.9)}
        y2={y(7)}
        stroke="currentColor"
        strokeWidth={11}
        strokeLinecap="round"
        opacity={0.3}
      />
      <line
        x1={x(-3.5)}
        x2={x(3.5)}
        y1={y(-3)}
        y2={y(-3)}
        stroke="currentColor"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <Dimension x1={x(-half)} x2={x(half)} y1={y(-9)} y2={y(-9)} text={length(stance)} />
      {objects.map((o) => (
        <g key={o.id}>
          <rect
            x={x(o.x) - 4}
            y={y(o.y) - 4}
            width={8}
            height={8}
            fill="var(--tape)"
            stroke="var(--tape-ink)"
            strokeWidth={1.5}
          />
          {o.valueIn > 0 && (
            <Dimension
              x1={x(o.from.x)}
              y1={y(o.from.y)}
              x2={x(o.x)}
              y2={y(o.y)}
              text={length(o.valueIn)}
              above
            />
          )}
        </g>
      ))}
    </svg>
  );
}

function Dimension({
  x1,
  y1,
  x2,
  y2,
  text,
  above = false,
}: {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly text: string;
  readonly above?: boolean;
}) {
  return (
    <g>
      <line x1={x1} y1={y1} x2={x2} y2={y2} stroke="currentColor" strokeWidth={1.2} />
      <text
        x={(x1 + x2) / 2}
        y={(y1 + y2) / 2 + (above ? -7 : 12)}
        fontSize={10}
        textAnchor="middle"
        fill="currentColor"
        stroke="var(--color-base-200)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}
