import { emptyText, PLACE_WORDS, STAGE_WORDS } from '@inchstep/contract/words';
import { plusDays } from '@inchstep/core/foundation';
import { shortDay } from '../../platform/dates.ts';
import { isGap, type Rail, type RailDay, type RailGate } from './railShape.ts';
import { RAIL_WORDS } from './words.ts';

const WIDTH = 860;
const SIDE = 8;
const TAPE_TOP = 74;
const TAPE_HEIGHT = 24;
/** Half an hour stands so high over the tape. */
const PX_A_MINUTE = 1.1;
const LONGEST_SHOWN = 60;
const GATE_ROW = 52;
const JOINT_ROW = 28;
/** The rail drawn: weeks of tape, sessions, gates, and how hard each joint works. */
interface DrawnProps {
  readonly rail: Rail;
  readonly chosen: string | null;
  readonly onChoose: (date: string) => void;
  readonly nameOf: (drill: string) => string;
}

export function RailDrawing({ rail, chosen, onChoose, nameOf }: DrawnProps) {
  const wide = (WIDTH - 2 * SIDE) / rail.days;
  const x = (day: number) => SIDE + day * wide;
  const drills = [...new Set(rail.gates.map(({ drill }) => drill))];
  const jointsTop = TAPE_TOP + TAPE_HEIGHT + 12 + drills.length * GATE_ROW;
  const height = jointsTop + rail.joints.length * JOINT_ROW + 4;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="w-full" role="img" aria-label={RAIL_WORDS.told(rail)}>
      {Array.from({ length: Math.ceil(rail.days / 7) }, (_, week) => (
        <Week key={week} rail={rail} week={week} x={x} wide={wide} />
      ))}
      {rail.sessions.map((session) => (
        <Session
          key={session.date}
          session={session}
          x={x(session.day)}
          wide={wide}
          chosen={session.date === chosen}
          onChoose={onChoose}
        />
      ))}
      {drills.map((drill, row) => (
        <Gates
          key={drill}
          gates={rail.gates.filter((gate) => gate.drill === drill)}
          name={nameOf(drill)}
          top={TAPE_TOP + TAPE_HEIGHT + 14 + row * GATE_ROW}
          x={(day) => x(day + 0.5)}
          days={rail.days}
        />
      ))}
      {rail.joints.map(({ joint, most }, row) => (
        <JointStrip
          key={joint}
          rail={rail}
          joint={joint}
          most={most}
          top={jointsTop + row * JOINT_ROW}
          x={x}
          wide={wide}
        />
      ))}
    </svg>
  );
}

interface AcrossProps {
  readonly rail: Rail;
  readonly x: (day: number) => number;
  readonly wide: number;
}

/** One week's length of tape, with its days as ticks. */
function Week({ rail, week, x, wide }: AcrossProps & { readonly week: number }) {
  const from = week * 7;
  const days = Math.min(7, rail.days - from);
  return (
    <g>
      <rect
        x={x(from) + 1}
        y={TAPE_TOP}
        width={days * wide - 2}
        height={TAPE_HEIGHT}
        fill="var(--tape)"
        stroke="var(--tape-ink)"
        strokeWidth={1.5}
      />
      {Array.from({ length: days }, (_, day) => (
        <line
          key={day}
          x1={x(from + day)}
          x2={x(from + day)}
          y1={TAPE_TOP + TAPE_HEIGHT}
          y2={TAPE_TOP + TAPE_HEIGHT - (day === 0 ? 12 : 6)}
          stroke="var(--tape-ink)"
        />
      ))}
      <text x={x(from) + 4} y={TAPE_TOP + 12} fontSize={12} fill="var(--tape-ink)">
        {shortDay(plusDays(rail.from, from))}
      </text>
    </g>
  );
}

/** A session to scale in minutes, its foot cut where balls are hit; a gap where life goes another way. */
function Session({
  session,
  x,
  wide,
  chosen,
  onChoose,
}: {
  readonly session: RailDay;
  readonly x: number;
  readonly wide: number;
  readonly chosen: boolean;
  readonly onChoose: (date: string) => void;
}) {
  const { date, minutes, empty, balls, place } = session;
  if (isGap(session))
    return (
      <rect x={x} y={TAPE_TOP - 1} width={wide} height={TAPE_HEIGHT + 2} fill="var(--color-base-100)">
        <title>{`${shortDay(date)}: ${emptyText(empty ?? '')}`}</title>
      </rect>
    );
  if (empty !== null)
    return (
      <circle cx={x + wide / 2} cy={TAPE_TOP - 5} r={2} fill="none" stroke="currentColor">
        <title>{`${shortDay(date)}: ${emptyText(empty)}`}</title>
      </circle>
    );
  const high = Math.max(5, Math.min(LONGEST_SHOWN, minutes) * PX_A_MINUTE);
  const inset = Math.max(1, wide * 0.12);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the same days stand below as buttons
    <g className="cursor-pointer" onClick={() => onChoose(date)}>
      <rect
        x={x + inset}
        y={TAPE_TOP - high}
        width={wide - 2 * inset}
        height={high}
        fill={balls ? 'currentColor' : 'var(--color-base-200)'}
        stroke="currentColor"
        strokeWidth={chosen ? 3 : 1.2}
      >
        <title>{`${shortDay(date)}: ${Math.round(minutes)} min, ${PLACE_WORDS[place] ?? place}`}</title>
      </rect>
      {wide > 40 && (
        <text x={x + wide / 2} y={TAPE_TOP - high - 4} fontSize={12} textAnchor="middle" fill="currentColor">
          {`${Math.round(minutes)} min`}
        </text>
      )}
    </g>
  );
}

/** A drill's gates: a tick at the likely date, a bracket that runs out to the late one. */
function Gates({
  gates,
  name,
  top,
  x,
  days,
}: {
  readonly gates: readonly RailGate[];
  readonly name: string;
  readonly top: number;
  readonly x: (day: number) => number;
  readonly days: number;
}) {
  const shown = gates.filter(({ likely }) => likely !== null && likely >= 0 && likely < days);
  return (
    <g fontSize={12} fill="currentColor" stroke="currentColor">
      <text x={SIDE} y={top + 3} fontSize={13} stroke="none" fontWeight={600}>
        {name}
      </text>
      {shown.map(({ stage, likely, late }, i) => {
        const at = x(likely ?? 0);
        const end = late === null ? x(days) : x(Math.min(late, days));
        const y = top + 14 + (i % 3) * 12;
        return (
          <g key={stage}>
            <path d={`M ${at} ${y - 5} V ${y + 5} M ${at} ${y} H ${end}`} fill="none" strokeWidth={1.5} />
            <path d={`M ${at} ${y - 6} V ${y + 6}`} strokeWidth={3} />
            {late !== null && late <= days && (
              <path
                d={`M ${end - 4} ${y - 5} H ${end} V ${y + 5} H ${end - 4}`}
                fill="none"
                strokeWidth={1.5}
              />
            )}
            <text x={(late !== null && late <= days ? end : at) + 5} y={y + 4} stroke="none">
              {STAGE_WORDS[stage]?.name}
              <title>{RAIL_WORDS.gate(STAGE_WORDS[stage]?.name ?? stage, late === null)}</title>
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** How hard a joint works, day by day, against its fullest one. */
function JointStrip({
  rail,
  joint,
  most,
  top,
  x,
  wide,
}: AcrossProps & { readonly joint: string; readonly most: number; readonly top: number }) {
  return (
    <g fill="currentColor">
      <line x1={SIDE} x2={WIDTH - SIDE} y1={top + 26} y2={top + 26} stroke="currentColor" opacity={0.35} />
      {rail.sessions.map(({ date, day, loads }) => {
        const high = ((loads[joint] ?? 0) / most) * 14;
        return high === 0 ? null : (
          <rect key={date} x={x(day) + wide * 0.2} y={top + 26 - high} width={wide * 0.6} height={high} />
        );
      })}
      <text x={SIDE} y={top + 9} fontSize={12}>
        {RAIL_WORDS.joint(joint, most)}
      </text>
    </g>
  );
}
