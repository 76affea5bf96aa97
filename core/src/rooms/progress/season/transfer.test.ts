import { describe, expect, test } from '@jest/globals';
import type { Occasion } from './occasion.ts';
import { retentionOf } from './retention.ts';
import { type CellName, nameOf, transferOf } from './transfer.ts';

const BAND = { lo: -1, hi: 1 };
const cell = (more: Partial<CellName> = {}): CellName => ({
  speed: 'full',
  aid: 'off',
  club: 'mid_iron',
  place: 'range',
  ...more,
});
const filmed = (date: string, at: number, name: CellName, swings = 3): Occasion => ({
  date,
  values: Array(swings).fill(at),
  sd: 0.1,
  ...name,
});

describe('where it holds', () => {
  test('one cell alone is the shrunk mean, by hand', () => {
    // Prior variance 9 + 4 * 0.25 + 0.09 = 10.09 about the first swing; the sight says the same: the mean stays.
    const { cells } = transferOf([filmed('2027-03-01', 0.4, cell(), 1)], [], BAND, 1, 0);
    const [one] = cells;
    expect(one?.mean).toBeCloseTo(0.4, 10);
    // One swing that may stray: 0.96 * 0.26 + 0.04 * 16 * 0.26, and the day's 0.33^2.
    const seen = 0.26 * (0.96 + 0.04 * 16) + 0.33 ** 2;
    expect(one?.sd).toBeCloseTo(Math.sqrt((10.09 * seen) / (10.09 + seen)), 6);
    expect(one?.swings).toBe(1);
  });
  test('what nobody filmed is known through its likes, less surely, and the more the more they share', () => {
    const wanted = [cell({ club: 'driver' }), cell({ club: 'driver', place: 'course', aid: 'on' })];
    const { cells } = transferOf([filmed('2027-03-01', 0, cell())], wanted, BAND, 1, 0.3);
    const [own, near, far] = cells;
    expect(cells.map(({ swings }) => swings)).toEqual([3, 0, 0]);
    expect(Number(own?.sd)).toBeLessThan(Number(near?.sd));
    expect(Number(near?.sd)).toBeLessThan(Number(far?.sd));
    expect(Number(own?.inBand)).toBeGreaterThan(Number(near?.inBand));
    expect(Number(near?.inBand)).toBeGreaterThan(Number(far?.inBand));
  });
  test('what holds with one club and not with another is not averaged', () => {
    const days = ['2027-03-01', '2027-03-03', '2027-03-05'];
    const { cells } = transferOf(
      days.flatMap((day) => [filmed(day, 0, cell()), filmed(day, 2.5, cell({ club: 'driver' }))]),
      [],
      BAND,
      1,
      0.3,
    );
    const [iron, driver] = cells;
    expect(iron?.inBand).toBeGreaterThan(0.9);
    expect(driver?.inBand).toBeLessThan(0.1);
  });
  test('days long ago tell less than the last one', () => {
    const at = (first: string) =>
      transferOf([filmed(first, 2, cell()), filmed('2027-06-01', 0, cell())], [], BAND, 1, 0.3).cells[0]
        ?.mean;
    expect(Number(at('2026-06-01'))).toBeLessThan(Number(at('2027-05-30')));
  });
  test('the next film is the one that nothing was seen of', () => {
    const { next } = transferOf(
      ['2027-03-01', '2027-03-03', '2027-03-05'].map((day) => filmed(day, 0.2, cell(), 6)),
      [cell({ club: 'driver', place: 'course' })],
      BAND,
      1,
      0.3,
    );
    expect(next).toMatchObject({ club: 'driver', place: 'course' });
    expect(next?.bits).toBeGreaterThan(0.1);
  });
  test('where progress is told of, the season’s level is what holds', () => {
    const told = { ...cell(), mean: 0.3, sd: 0.2 };
    const days = [filmed('2027-03-01', 5, cell()), filmed('2027-03-08', 0.3, cell())];
    const [one] = transferOf(days, [], BAND, 1, 0.3, told).cells;
    expect(one?.mean).toBeCloseTo(0.3, 1);
    expect(one?.sd).toBeCloseTo(0.2, 2);
    expect(one?.swings).toBe(6);
  });
  test('where nothing was filmed nothing is asked for', () => {
    expect(transferOf([], [cell()], BAND, 1, 0.3).next).toBeNull();
  });
  test('where nobody said, it is a full swing without the drill', () => {
    expect(nameOf({ date: '2027-03-01', values: [1], sd: 1 })).toEqual({
      speed: 'full',
      aid: 'off',
      club: '',
      place: '',
    });
  });
});

describe('what lasts', () => {
  const day = (date: string, at: number, cue: 'before' | 'after'): Occasion => ({
    date,
    values: [at, at, at],
    sd: 0.1,
    cue,
  });
  test('half of a gain that is there a week later is a half, by hand', () => {
    const occasions = [
      day('2027-03-01', 0, 'before'),
      day('2027-03-01', 4, 'after'),
      day('2027-03-08', 2, 'before'),
      day('2027-03-08', 4, 'after'),
      day('2027-03-10', 3, 'before'),
    ];
    const kept = retentionOf(occasions, 1, 1, 0.3);
    expect(kept.map(({ upToDays, gaps }) => [upToDays, gaps])).toEqual([
      [3, 1],
      [8, 1],
    ]);
    expect(kept[0]?.share).toBeCloseTo(0.75, 10);
    expect(kept[1]?.share).toBeCloseTo(0.5, 10);
  });
  test('where nothing was gained nothing can be kept; where nobody filmed cold nothing is told', () => {
    expect(
      retentionOf(
        [day('2027-03-01', 0, 'before'), day('2027-03-01', 0.1, 'after'), day('2027-03-08', 0, 'before')],
        1,
        1,
        0.3,
      ),
    ).toEqual([]);
    expect(
      retentionOf(
        [day('2027-03-01', 0, 'before'), day('2027-03-01', 4, 'after'), day('2027-03-08', 4, 'after')],
        1,
        1,
        0.3,
      ),
    ).toEqual([]);
  });
});
