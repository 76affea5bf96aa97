import { FOUND_STATIONS, type Landmark, MARKS_WANTED, type Station } from '@inchstep/core/capture';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';
import {
  type ErrorAxis,
  FADES_IN_DAYS,
  PARTS_OF_BODY,
  partOfBody,
  type TaughtPlace,
} from '@inchstep/core/measures';

/** One place of a study's swing, and whose; the days of a player are some days apart. */
export interface ErrorSeen extends TaughtPlace {
  readonly player: string;
  readonly day: number;
}

export const AXES: readonly ErrorAxis[] = ['across', 'down'];
/** One error in its own sds; all of one frame, or of two frames beside each other, are `of` the same. */
export interface Sight {
  readonly of: string;
  readonly station: Station;
  readonly z: number;
}

/** A square counts at most as this many of its variances: a leg taken for the other says how often that happens, not how wide the bell is. */
const MOST_SQUARES = 16;
const DAYS_APART = 7;
const ROUNDS = 6;
/** As many sights as the word of others is worth: of the landmark's other stations, of a station's other parts. */
const MEANS_WORTH = 2;
const SQUARES_WORTH = 10;

export const mean = (values: readonly number[]): number =>
  values.length === 0 ? 0 : values.reduce((sum, x) => sum + x, 0) / values.length;
const squares = (zs: readonly number[]): number => mean(zs.map((z) => Math.min(MOST_SQUARES, z * z)));

/** Less the least and the most of them, where there are enough. */
function trimmed(values: readonly number[]): number {
  const cut = Math.floor(values.length / 8);
  return mean([...values].sort((a, b) => a - b).slice(cut, values.length - cut));
}

/** Reads how a network errs from the errors of made-up players, in rounds: spreads and what they are times at each station hang on each other. */
export class ErrorReading {
  readonly usual = new Map<string, number>();
  readonly all = new Map<string, number>();
  readonly rest = new Map<string, number>();
  readonly restTimes = new Map<string, number>();
  readonly learntTimes = new Map<string, number>();
  private readonly seen = new Map<string, ErrorSeen[]>();

  constructor(errors: readonly ErrorSeen[]) {
    for (const one of errors) {
      const key = `${one.view} ${one.landmark} ${one.station}`;
      this.seen.set(key, [...(this.seen.get(key) ?? []), one]);
    }
    for (const view of VIEW_KINDS) for (const landmark of MARKS_WANTED[view]) this.readUsual(view, landmark);
    for (let round = 0; round < ROUNDS; round++)
      for (const view of VIEW_KINDS)
        for (const axis of AXES) {
          for (const landmark of MARKS_WANTED[view]) this.readSpread(view, landmark, axis);
          this.readTimes(view, axis);
        }
  }

  private at(view: ViewKind, landmark: Landmark, station: Station): readonly ErrorSeen[] {
    return this.seen.get(`${view} ${landmark} ${station}`) ?? [];
  }

  private readUsual(view: ViewKind, landmark: Landmark): void {
    for (const axis of AXES) {
      const at = FOUND_STATIONS.map((station) =>
        perPlayer(this.at(view, landmark, station)).map((own) => mean(own.map((one) => one[axis]))),
      );
      const own = mean(at.filter((means) => means.length > 0).map(trimmed));
      FOUND_STATIONS.forEach((station, i) => {
        const n = at[i]?.length ?? 0;
        const here = n === 0 ? own : trimmed(at[i] as number[]);
        this.usual.set(
          `${view} ${landmark} ${station} ${axis}`,
          own + ((here - own) * n) / (n + MEANS_WORTH),
        );
      });
    }
  }

  private get(from: Map<string, number>, key: string, otherwise: number): number {
    return from.get(key) ?? otherwise;
  }
  private restAt(view: ViewKind, landmark: Landmark, station: Station, axis: ErrorAxis, times = 1): number {
    const rest = this.get(this.rest, `${view} ${landmark} ${axis}`, 0.004) ** 2;
    const here = this.get(this.restTimes, `${view} ${partOfBody(landmark)} ${station} ${axis}`, 1);
    return rest * here * times ** 2;
  }
  private learntAt(view: ViewKind, landmark: Landmark, station: Station, axis: ErrorAxis): number {
    const all = this.get(this.all, `${view} ${landmark} ${axis}`, 0.01) ** 2;
    const rest = this.get(this.rest, `${view} ${landmark} ${axis}`, 0.004) ** 2;
    return Math.max(1e-7, all - rest) * this.get(this.learntTimes, `${view} ${station} ${axis}`, 1);
  }

  /** What changes from one day to the other, in its own sds. */
  changes(view: ViewKind, landmark: Landmark, axis: ErrorAxis): Sight[] {
    const faded = 1 - Math.exp(-DAYS_APART / FADES_IN_DAYS);
    return FOUND_STATIONS.flatMap((station) =>
      perPlayer(this.at(view, landmark, station)).flatMap((own) => {
        const of = (day: number) => own.filter((one) => one.day === day);
        return of(1).flatMap((late) =>
          of(0).map((early) => {
            const variance =
              this.restAt(view, landmark, station, axis, early.times) +
              this.restAt(view, landmark, station, axis, late.times) +
              2 * faded * this.learntAt(view, landmark, station, axis);
            const z = (late[axis] - early[axis]) / Math.sqrt(variance);
            return { of: `${late.player} ${late.clip} ${early.clip} ${station}`, station, z };
          }),
        );
      }),
    );
  }

  /** How far off the usual a place is, in its own sds; what the usual was drawn towards its own players is given back. */
  strays(view: ViewKind, landmark: Landmark, axis: ErrorAxis): Sight[] {
    return FOUND_STATIONS.flatMap((station) => {
      const own = this.at(view, landmark, station);
      const usual = this.usual.get(`${view} ${landmark} ${station} ${axis}`) ?? 0;
      const n = perPlayer(own).length;
      return own.map((one) => {
        const variance =
          this.restAt(view, landmark, station, axis, one.times) +
          this.learntAt(view, landmark, station, axis);
        const z = ((one[axis] - usual) * Math.sqrt(n / Math.max(1, n - 1))) / Math.sqrt(variance);
        return { of: `${one.player} ${one.clip} ${station}`, station, z };
      });
    });
  }

  private readSpread(view: ViewKind, landmark: Landmark, axis: ErrorAxis): void {
    const key = `${view} ${landmark} ${axis}`;
    const rest = this.get(this.rest, key, 0.004);
    this.rest.set(key, rest * Math.sqrt(squares(this.changes(view, landmark, axis).map(({ z }) => z))));
    const all = this.get(this.all, key, 0.01);
    this.all.set(key, all * Math.sqrt(squares(this.strays(view, landmark, axis).map(({ z }) => z))));
  }

  private readTimes(view: ViewKind, axis: ErrorAxis): void {
    const parts = PARTS_OF_BODY.map((part) => ({
      part,
      changes: MARKS_WANTED[view]
        .filter((landmark) => partOfBody(landmark) === part)
        .flatMap((landmark) => this.changes(view, landmark, axis)),
    })).filter(({ changes }) => changes.length > 0);
    const strays = MARKS_WANTED[view].flatMap((landmark) => this.strays(view, landmark, axis));
    for (const station of FOUND_STATIONS) {
      const here = (sights: readonly Sight[]) =>
        sights.filter((one) => one.station === station).map(({ z }) => z);
      const ratios = parts.map(({ part, changes }) => {
        const key = `${view} ${part} ${station} ${axis}`;
        const zs = here(changes);
        return { key, n: zs.length, log: Math.log(this.get(this.restTimes, key, 1) * squares(zs)) };
      });
      const known = ratios.filter(({ n }) => n > 0);
      const others = mean(known.map(({ log }) => log)) * 0.7;
      for (const { key, n, log } of ratios) {
        const drawn = n === 0 ? others : (n * log + SQUARES_WORTH * others) / (n + SQUARES_WORTH);
        this.restTimes.set(key, Math.exp(drawn));
      }
      const learnt = `${view} ${station} ${axis}`;
      const before = this.get(this.learntTimes, learnt, 1);
      this.learntTimes.set(learnt, before * squares(here(strays)));
    }
    this.evened(view, axis);
  }

  /** What all stations have more of belongs to the rows. */
  private evened(view: ViewKind, axis: ErrorAxis): void {
    const even = (times: Map<string, number>, keys: readonly string[]) => {
      const middle = Math.exp(mean(keys.map((key) => Math.log(times.get(key) ?? 1))));
      for (const key of keys) times.set(key, (times.get(key) ?? 1) / middle);
      return middle;
    };
    const middles = new Map(
      PARTS_OF_BODY.map((part) => {
        const keys = FOUND_STATIONS.map((station) => `${view} ${part} ${station} ${axis}`);
        return [part, even(this.restTimes, keys)] as const;
      }),
    );
    const learnt = even(
      this.learntTimes,
      FOUND_STATIONS.map((station) => `${view} ${station} ${axis}`),
    );
    for (const landmark of MARKS_WANTED[view]) {
      const key = `${view} ${landmark} ${axis}`;
      const rest = this.get(this.rest, key, 0.004) ** 2;
      const theirs = Math.max(0, this.get(this.all, key, 0.01) ** 2 - rest);
      const now = rest * (middles.get(partOfBody(landmark)) ?? 1);
      this.rest.set(key, Math.sqrt(now));
      this.all.set(key, Math.sqrt(now + theirs * learnt));
    }
  }
}

const perPlayer = (errors: readonly ErrorSeen[]): ErrorSeen[][] => {
  const by = new Map<string, ErrorSeen[]>();
  for (const one of errors) by.set(one.player, [...(by.get(one.player) ?? []), one]);
  return [...by.values()];
};
