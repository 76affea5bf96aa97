import { describe, expect, test } from '@jest/globals';
import { sampleCase } from '../diagnosis/sampleCase.ts';
import type { SchoolChoiceSet } from '../intake/index.ts';
import { amountsFor } from './amountsByClub.ts';
import { type Drill, drillById } from './drillTable.ts';
import { setupFor } from './setupCard.ts';

const drill = (id: string) => drillById(id) as Drill;
const amount = (drillId: string, id: string, school: SchoolChoiceSet = {}, heightIn = 70) => {
  const file = sampleCase({}, school);
  const rows = amountsFor(drill(drillId), { ...file, student: { ...file.student, heightIn } });
  const clubs = rows.find((row) => row.id === id)?.byClub ?? [];
  return Object.fromEntries(clubs.map(({ club, loIn, hiIn }) => [club, [loIn, hiIn]]));
};

describe('amounts by club', () => {
  test('the bump, and the breastbone from the long irons up', () => {
    expect(amount('level_bump', 'bump')).toMatchObject({
      wedge: [0.5, 0.5],
      mid_iron: [1, 1],
      driver: [1, 1],
    });
    expect(amount('level_bump', 'breastbone_away')).toMatchObject({ mid_iron: [0, 0], long_iron: [1, 1] });
  });
  test('the shift half-way, as the school has it with a mid-iron', () => {
    const own = amount('delivery_freeze', 'shift_forward');
    expect(own).toMatchObject({ wedge: [2, 3], short_iron: [2.5, 4], mid_iron: [3, 4.5], driver: [3, 5] });
    const slide = amount('delivery_freeze', 'shift_forward', { centre: 'slide' });
    expect(slide.mid_iron).toEqual([4, 6]);
    const small = amount('delivery_freeze', 'shift_forward', {}, 63);
    expect((small.wedge as number[])[0]).toBeCloseTo(1.8, 10);
  });
  test('a drill that no club changes has none', () => {
    expect(amountsFor(drill('knee_swap'), sampleCase())).toEqual([]);
  });
  test('the card’s own bump is the club’s', () => {
    const bump = (club: 'wedge' | 'driver') =>
      setupFor(drill('level_bump'), sampleCase({ club }, { setup_bias: 'preset' })).find(
        ({ id }) => id === 'bump',
      );
    expect(bump('wedge')?.valueIn).toBe(0.5);
    expect(bump('driver')?.valueIn).toBe(1);
  });
});
