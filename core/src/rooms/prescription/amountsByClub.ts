import { bandFor, CLUBS, type Club, lengthScale, type School, type StudentFacts } from '../intake/index.ts';
import type { Drill } from './drillTable.ts';

export type AmountId = 'bump' | 'breastbone_away' | 'shuffle' | 'shift_forward';

/** One amount of a drill, club by club; inches for this student, both edges alike where there is one number. */
export interface ClubAmount {
  readonly id: AmountId;
  readonly byClub: readonly { readonly club: Club; readonly loIn: number; readonly hiIn: number }[];
}

type Edges = readonly [lo: number, hi: number];
type Table = Readonly<Record<Club, Edges>>;
const same = (inches: number): Edges => [inches, inches];

/** Small enough to be the same for everybody. Short clubs want less of everything. */
const BUMP: Table = {
  wedge: same(0.5),
  short_iron: same(0.5),
  mid_iron: same(1),
  long_iron: same(1),
  wood: same(1),
  driver: same(1),
};
const BREASTBONE_AWAY: Table = {
  ...BUMP,
  wedge: same(0),
  short_iron: same(0),
  mid_iron: same(0),
};
const SHUFFLE: Table = {
  wedge: [1, 2],
  short_iron: [2, 3],
  mid_iron: [2, 4],
  long_iron: [3, 4],
  wood: [3, 4],
  driver: [3, 4],
};

/** What of a student the amounts depend on. */
export interface AmountBody {
  readonly student: Pick<StudentFacts, 'heightIn' | 'flexibility' | 'armSwing'>;
  readonly school: School;
}

/** Where the pelvis is wanted half-way down, scaled: the school's band from the mid-iron up, less for short clubs. */
function shiftForward({ student, school }: AmountBody): Table {
  const { heightIn, flexibility, armSwing } = student;
  const k = lengthScale(heightIn);
  const band = bandFor('shift_delivery', { heightIn, flexibility, armSwing, club: 'mid_iron', school });
  const usual: Edges = [band.lo ?? 0, band.hi ?? 0];
  return {
    wedge: [2 * k, 3 * k],
    short_iron: [2.5 * k, 4 * k],
    mid_iron: usual,
    long_iron: usual,
    wood: usual,
    driver: [usual[0], usual[1] + 0.5 * k],
  };
}

/** What of a drill changes with the club in the hands. */
export function amountsFor(drill: Drill, body: AmountBody): ClubAmount[] {
  const rows: [AmountId, Table][] = [];
  if (drill.moves.includes('pelvis_offset_address') && drill.setup.some(({ id }) => id === 'bump'))
    rows.push(['bump', BUMP], ['breastbone_away', BREASTBONE_AWAY]);
  if (drill.id === 'open_close_shuffle') rows.push(['shuffle', SHUFFLE]);
  if (drill.moves.includes('shift_delivery')) rows.push(['shift_forward', shiftForward(body)]);
  return rows.map(([id, table]) => ({
    id,
    byClub: CLUBS.map((club) => ({ club, loIn: table[club][0], hiIn: table[club][1] })),
  }));
}

/** How far the pelvis is set toward the target with this club, inches. */
export const bumpIn = (club: Club): number => BUMP[club][0];
/** How far the breastbone goes away from it, inches. */
export const breastboneAwayIn = (club: Club): number => BREASTBONE_AWAY[club][0];
/** How far the feet go in the shuffle, inches. */
export const shuffleIn = (club: Club): Edges => SHUFFLE[club];
