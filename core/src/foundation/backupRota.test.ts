import { describe, expect, test } from '@jest/globals';
import { backupsToDrop } from './backupRota.ts';
import { plusDays } from './calendar.ts';

const nightly = (days: number) =>
  Array.from({ length: days }, (_, i) => {
    const day = plusDays('2027-01-04', i);
    return { name: `${day}-0300`, day };
  });

/** What stays when every night one is made and the rest is dropped at once. */
function lived(days: number): string[] {
  let kept: { name: string; day: string }[] = [];
  for (const made of nightly(days)) {
    kept = [...kept, made];
    const drop = backupsToDrop(kept);
    kept = kept.filter(({ name }) => !drop.includes(name));
  }
  return kept.map(({ day }) => day);
}

describe('the rota of backups', () => {
  test('a week of nights drops none', () => {
    expect(backupsToDrop(nightly(7))).toEqual([]);
  });
  test('after eight weeks: the last seven nights, and a Sunday for each of the three weeks before', () => {
    expect(lived(56)).toEqual([
      '2027-02-07',
      '2027-02-14',
      '2027-02-21',
      ...Array.from({ length: 7 }, (_, i) => plusDays('2027-02-22', i)),
    ]);
  });
  test('of several a day the newest stays', () => {
    const two = [
      { name: '2027-03-01-0900', day: '2027-03-01' },
      { name: '2027-03-01-1800', day: '2027-03-01' },
    ];
    expect(backupsToDrop(two)).toEqual(['2027-03-01-0900']);
  });
  test('a machine that slept for months loses nothing of what it has', () => {
    const few = ['2027-01-04', '2027-02-20', '2027-06-30'].map((day) => ({ name: day, day }));
    expect(backupsToDrop(few)).toEqual([]);
  });
});
