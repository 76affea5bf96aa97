import { type IsoDay, mean, studentCdf } from '../../foundation/index.ts';
import { SHOT_FIELDS, type Shot, type ShotFieldId } from '../capture/index.ts';
import type { Occasion } from './season/occasion.ts';

/** Shots of one day, as they came in. */
interface DayOfShots {
  readonly date: IsoDay;
  readonly shots: readonly Shot[];
}

/** What the ball did on the days on which the measure was filmed, too. */
export interface BallBeside {
  readonly field: ShotFieldId;
  readonly unit: string;
  readonly shots: number;
  readonly days: readonly {
    readonly date: IsoDay;
    /** Mean of the measure's swings, and of the shots; in their own units. */
    readonly body: number;
    readonly ball: number;
    readonly shots: number;
  }[];
  /** Went the same way, the other way; or nobody can say. Never: the one because of the other. */
  readonly went: 'together' | 'apart' | 'cant_tell';
}

/** Of these nothing is told beside a body: they are how hard, not where. */
const BESIDE: readonly ShotFieldId[] = ['lowPointIn', 'strikeIn', 'startLineDeg', 'curveDeg'];
const LEAST_SHOTS = 20;
const LEAST_DAYS = 3;
/** Chance that any of the fields looked at is said to go with it and does not. */
const WRONG_AT_MOST = 0.05;

/**
 * Low point, strike, start line and curve beside one measure, day by day: whoever filmed and hit on one day. Days are
 * what is counted; many shots of one day are one look at it.
 */
export function ballBeside(occasions: readonly Occasion[], days: readonly DayOfShots[]): BallBeside[] {
  const bodies = new Map<IsoDay, number[]>();
  for (const { date, values } of occasions) bodies.set(date, [...(bodies.get(date) ?? []), ...values]);
  const found = BESIDE.flatMap((field) => {
    const both = byDay(field, days).flatMap(({ date, values }) => {
      const body = bodies.get(date);
      return body && body.length > 0
        ? [{ date, body: mean(body), ball: mean(values), shots: values.length }]
        : [];
    });
    const shots = both.reduce((sum, day) => sum + day.shots, 0);
    return shots >= LEAST_SHOTS && both.length >= LEAST_DAYS ? [{ field, shots, days: both }] : [];
  });
  return found.map(({ field, shots, days: both }) => ({
    field,
    unit: SHOT_FIELDS.find(({ id }) => id === field)?.unit ?? '',
    shots,
    days: both,
    went: wentWith(
      both.map(({ body }) => body),
      both.map(({ ball }) => ball),
      WRONG_AT_MOST / found.length,
    ),
  }));
}

function byDay(field: ShotFieldId, days: readonly DayOfShots[]): { date: IsoDay; values: number[] }[] {
  const found = new Map<IsoDay, number[]>();
  for (const { date, shots } of days) {
    const values = shots.flatMap((shot) => shot[field] ?? []);
    if (values.length > 0) found.set(date, [...(found.get(date) ?? []), ...values]);
  }
  return [...found].sort(([a], [b]) => (a < b ? -1 : 1)).map(([date, values]) => ({ date, values }));
}

/** By the correlation of the days, two-sided against none (Student's t with two less than there are days). */
function wentWith(xs: readonly number[], ys: readonly number[], wrong: number): BallBeside['went'] {
  const [mx, my] = [mean(xs), mean(ys)];
  let [xx, yy, xy] = [0, 0, 0];
  xs.forEach((x, i) => {
    const [dx, dy] = [x - mx, (ys[i] as number) - my];
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
  });
  if (xx === 0 || yy === 0) return 'cant_tell';
  const r = Math.max(-1, Math.min(1, xy / Math.sqrt(xx * yy)));
  const dof = xs.length - 2;
  const t = Math.abs(r) === 1 ? Number.POSITIVE_INFINITY : Math.abs(r) * Math.sqrt(dof / (1 - r * r));
  const chance = Number.isFinite(t) ? 2 * (1 - studentCdf(t, dof)) : 0;
  if (chance > wrong) return 'cant_tell';
  return r > 0 ? 'together' : 'apart';
}
