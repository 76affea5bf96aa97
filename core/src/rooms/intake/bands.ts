import {
  ARM_SWING_SHIFTS,
  BAND_ROWS,
  BASE_RATIO_BY_CLUB,
  BASE_RATIO_TALL,
  type BandRow,
  COLUMNS_SHIFT_BACK_LOW,
  SCHOOL_BANDS,
  SHIFT_BACK_LOW_BY_CLUB,
  TURN_TOP_BRACED,
  TURN_TOP_BY_FLEXIBILITY,
} from './bandTable.ts';
import { lengthScale } from './bodySizes.ts';
import { hasChoice, type School, type SchoolChoice } from './schools.ts';
import type { ArmSwing, Club, Flexibility } from './student.ts';

/** A band for this player, club and school; inches are already scaled to the player. */
export interface Band {
  readonly id: string;
  readonly unit: BandRow['unit'];
  readonly lo: number | null;
  readonly hi: number | null;
  readonly step: number;
  /** What set the edges, outermost last: `house`, `club`, `height`, a school choice, or `coach`. */
  readonly origin: readonly string[];
}

export interface BandContext {
  readonly heightIn: number;
  readonly flexibility: Flexibility;
  readonly armSwing: ArmSwing;
  readonly club: Club;
  readonly school: School;
}

/** The breastbone goes where the pelvis is wanted. */
const WITH_THE_SHIFT: readonly string[] = ['shift_delivery', 'sternum_shift_delivery'];

type Draft = { lo: number | null; hi: number | null; origin: string[] };

/** The band of one measure; throws on an unknown id, which is a slip in our own tables. */
export function bandFor(id: string, context: BandContext): Band {
  const row = BAND_ROWS.find((candidate) => candidate.id === id);
  if (!row) throw new Error(`bandFor: no band row for ${id}`);
  const draft: Draft = { lo: row.lo ?? null, hi: row.hi ?? null, origin: ['house'] };
  applyClub(row.id, draft, context);
  applySchool(row.id, draft, context);
  applyBody(row.id, draft, context);
  applyArmSwing(row.id, draft, context);
  applyCoach(row.id, draft, context);
  const k = row.unit === 'in' ? lengthScale(context.heightIn) : 1;
  return {
    id: row.id,
    unit: row.unit,
    lo: draft.lo === null ? null : draft.lo * k,
    hi: draft.hi === null ? null : draft.hi * k,
    step: row.step * k,
    origin: draft.origin,
  };
}

export const allBands = (context: BandContext): Band[] => BAND_ROWS.map((row) => bandFor(row.id, context));

/** A band that another answer moves. */
export interface MovedBand {
  readonly before: Band;
  readonly after: Band;
}

/** The bands in which two schools differ for the same player and club. */
export const movedBands = (context: BandContext, before: School, after: School): MovedBand[] =>
  BAND_ROWS.map(({ id }) => ({
    before: bandFor(id, { ...context, school: before }),
    after: bandFor(id, { ...context, school: after }),
  })).filter((pair) => pair.before.lo !== pair.after.lo || pair.before.hi !== pair.after.hi);

function applyClub(id: string, draft: Draft, { club, heightIn }: BandContext): void {
  if (id === 'base_ratio') {
    const tall = heightIn > BASE_RATIO_TALL.aboveIn ? BASE_RATIO_TALL.add : 0;
    draft.lo = BASE_RATIO_BY_CLUB[club][0] + tall;
    draft.hi = BASE_RATIO_BY_CLUB[club][1] + tall;
    draft.origin.push('club');
  }
  if (id === 'shift_back_peak') {
    draft.lo = SHIFT_BACK_LOW_BY_CLUB[club];
    draft.origin.push('club');
  }
}

function applyBody(id: string, draft: Draft, { flexibility }: BandContext): void {
  if (id !== 'turn_top' || flexibility === 'usual') return;
  moveEdges(draft, TURN_TOP_BY_FLEXIBILITY[flexibility]);
  draft.origin.push(`flexibility.${flexibility}`);
}

function moveEdges(draft: Draft, [lo, hi]: readonly [number, number]): void {
  if (draft.lo !== null) draft.lo += lo;
  if (draft.hi !== null) draft.hi += hi;
}

function applySchool(id: string, draft: Draft, { school }: BandContext): void {
  for (const [choice, bands] of Object.entries(SCHOOL_BANDS)) {
    const edges = bands?.[id];
    if (!edges || !hasChoice(school, choice as SchoolChoice)) continue;
    [draft.lo, draft.hi] = edges;
    draft.origin.push(choice);
  }
  if (id === 'turn_top' && school.trail_leg === 'brace') {
    moveEdges(draft, TURN_TOP_BRACED);
    draft.origin.push('trail_leg.brace');
  }
  if (id === 'shift_back_peak' && school.centre === 'columns') {
    draft.lo = Math.max(draft.lo ?? COLUMNS_SHIFT_BACK_LOW, COLUMNS_SHIFT_BACK_LOW);
    draft.origin.push('centre.columns');
  }
}

/** The coach's own edges go over everything but the player's size. */
function applyCoach(id: string, draft: Draft, { school }: BandContext): void {
  const edit = school.bands?.[id];
  if (!edit) return;
  [draft.lo, draft.hi] = [edit.lo, edit.hi];
  draft.origin.push('coach');
}

function applyArmSwing(id: string, draft: Draft, { armSwing }: BandContext): void {
  const shifts = ARM_SWING_SHIFTS[armSwing];
  if (id === 'turn_top' && shifts.turnTop !== 0) {
    moveEdges(draft, [shifts.turnTop, shifts.turnTop]);
    draft.origin.push(`armSwing.${armSwing}`);
  }
  if (WITH_THE_SHIFT.includes(id) && shifts.shiftDeliveryHi !== 0) {
    moveEdges(draft, [0, shifts.shiftDeliveryHi]);
    draft.origin.push(`armSwing.${armSwing}`);
  }
}
