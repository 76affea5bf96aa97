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
];

/** A millionth of an inch is more than any mark tells. */
const short = (value: number): number => Number(value.toFixed(6));

/** What the later rooms read of a reading (where a band comes from is not among it): a sixth of the document. Made with it, and never the only place. */
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
  measures: measures.map(({ id, value, sd, verdict, band: { unit, lo, hi, step } }) => [
    id,
    short(value),
    short(sd),
    verdict,
    unit,
    lo === null ? null : short(lo),
    hi === null ? null : short(hi),
    short(step),
  ]),
});

const MEASURES = ',"measures":';

/**
 * A gist from its text. Its measures, nine tenths of it, stand last and are only read when somebody asks for
 * them: most who go through a student's swings look at when and how they were made.
 */
export function readGist(text: string): Omit<ReadingRecord, 'swingId' | 'recordedOn'> {
  const at = text.indexOf(MEASURES);
  if (at < 0 || !text.endsWith(']}')) return whole(JSON.parse(text) as ReadingGist);
  const head = JSON.parse(`${text.slice(0, at)}}`) as Omit<ReadingGist, 'measures'>;
  let measures: ReadMeasure[] | undefined;
  return {
    ...head,
    get measures() {
      measures ??= measuresOf(JSON.parse(text.slice(at + MEASURES.length, -1)) as ReadingGist['measures']);
      return measures;
    },
  };
}

const whole = (gist: ReadingGist) => ({ ...gist, measures: measuresOf(gist.measures) });

/** A measure of an older program that makes no sense counts as not measured. */
function measuresOf(measures: ReadingGist['measures']): ReadMeasure[] {
  const read: ReadMeasure[] = [];
  for (const [id, value, sd, verdict, unit, lo, hi, step] of measures)
    if (Number.isFinite(value) && Number.isFinite(sd) && Number.isFinite(step))
      read.push({ id, value, sd, verdict, band: { id, unit, lo, hi, step, origin: NOT_KEPT } });
  return read;
}
const NOT_KEPT: ReadMeasure['band']['origin'] = [];
