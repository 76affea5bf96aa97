import type { Reading } from '@inchstep/contract/measures';
import type { ReadingRecord, ReadMeasure } from '@inchstep/core/measures';

type Row = readonly [
  id: string,
  value: number,
  sd: number,
  verdict: ReadMeasure['verdict'],
  unit: ReadMeasure['band']['unit'],
  lo: number | null,
  hi: number | null,
  step: number,
  origin: ReadMeasure['band']['origin'],
];

/** What the later rooms read of a reading: a sixth of the document. Made with it, and never the only place. */
export interface ReadingGist extends Pick<ReadingRecord, 'speed' | 'club' | 'aid' | 'place' | 'cue' | 'at'> {
  readonly measures: readonly Row[];
}

export const gistOf = ({ speed, club, aid, place, cue, at, measures }: Reading): ReadingGist => ({
  speed,
  club,
  aid,
  place,
  cue,
  at,
  measures: measures.map(({ id, value, sd, verdict, band: { unit, lo, hi, step, origin } }) => [
    id,
    value,
    sd,
    verdict,
    unit,
    lo,
    hi,
    step,
    origin as ReadMeasure['band']['origin'],
  ]),
});

/** A measure of an older program that makes no sense counts as not measured. */
export const measuresOf = ({ measures }: ReadingGist): ReadMeasure[] =>
  measures.flatMap(([id, value, sd, verdict, unit, lo, hi, step, origin]) =>
    Number.isFinite(value) && Number.isFinite(sd) && Number.isFinite(step)
      ? [{ id, value, sd, verdict, band: { id, unit, lo, hi, step, origin } as ReadMeasure['band'] }]
      : [],
  );
