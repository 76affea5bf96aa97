import { type Problem, problem } from '../../foundation/index.ts';
import { faultById } from '../diagnosis/index.ts';
import { BAND_ROWS, HEIGHT_RANGE_IN } from '../intake/index.ts';
import { distanceFor } from './distance.ts';
import type { Drill } from './drillTable.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';

type DrillProblem =
  | 'drill_mends_nothing'
  | 'unknown_fault'
  | 'named_twice'
  | 'makes_what_it_mends'
  | 'unknown_measure'
  | 'no_places'
  | 'ball_at_home_only'
  | 'unknown_drill'
  | 'school_both_ways'
  | 'distance_negative'
  | 'distance_too_long';

/** No bay is longer; a marker further off is a slip of the pen. */
const LONGEST_IN = 240;

/** What keeps a drill out of the library, each with its path; an empty list = fit to use. */
export function checkDrill(drill: Drill, library: Library = HOUSE_LIBRARY): Problem<DrillProblem>[] {
  return [
    ...checkFaults(drill),
    ...drill.moves.flatMap((id, i) =>
      isKnownMeasure(id) ? [] : [problem('unknown_measure', `moves[${i}]`, { id })],
    ),
    ...checkPlaces(drill),
    ...checkNeighbours(drill, library),
    ...drill.clashes.flatMap((choice, i) =>
      drill.schools.includes(choice) ? [problem('school_both_ways', `clashes[${i}]`, { id: choice })] : [],
    ),
    ...checkDistances(drill),
  ];
}

const isKnownMeasure = (id: string): boolean =>
  id.startsWith('ball.') || BAND_ROWS.some((row) => row.id === id);

function checkFaults(drill: Drill): Problem<DrillProblem>[] {
  const problems: Problem<DrillProblem>[] = [];
  if (drill.fixes.length === 0) problems.push(problem('drill_mends_nothing', 'fixes'));
  drill.fixes.forEach(({ fault, strength }, i) => {
    const at = `fixes[${i}].fault`;
    if (!faultById(fault)) problems.push(problem('unknown_fault', at, { id: fault }));
    if (drill.fixes.findIndex((other) => other.fault === fault) < i)
      problems.push(problem('named_twice', at, { id: fault }));
    // A copy of a drill that meets its line from both sides must stay possible: only the strongest use is refused.
    if (fault === drill.overdo && strength === 3 && !BOTH_SIDES.includes(fault))
      problems.push(problem('makes_what_it_mends', 'overdo', { id: fault }));
  });
  if (drill.overdo && !faultById(drill.overdo))
    problems.push(problem('unknown_fault', 'overdo', { id: drill.overdo }));
  return problems;
}

/** Faults of a line that can be missed on either side, so that its cure overdone is the fault again. */
const BOTH_SIDES: readonly string[] = ['sway', 'hips_off_centre', 'stands_up'];

function checkPlaces(drill: Drill): Problem<DrillProblem>[] {
  if (drill.places.length === 0) return [problem('no_places', 'places')];
  const atHomeOnly = drill.places.every((place) => place === 'home');
  return drill.ball === 'yes' && atHomeOnly ? [problem('ball_at_home_only', 'places')] : [];
}

function checkNeighbours(drill: Drill, library: Library): Problem<DrillProblem>[] {
  const problems = drill.notWith.flatMap((id, i) =>
    library.byId(id) ? [] : [problem<DrillProblem>('unknown_drill', `notWith[${i}]`, { id })],
  );
  if (drill.after !== null && !library.byId(drill.after))
    problems.push(problem('unknown_drill', 'after', { id: drill.after }));
  return problems;
}

/** Tried on the smallest and the tallest player the intake takes: the formulas are straight lines. */
function checkDistances(drill: Drill): Problem<DrillProblem>[] {
  return drill.setup.flatMap((distance, i): Problem<DrillProblem>[] => {
    const twice = drill.setup.findIndex(({ id }) => id === distance.id) < i;
    if (twice) return [problem('named_twice', `setup[${i}].id`, { id: distance.id })];
    for (const heightIn of [HEIGHT_RANGE_IN.low, HEIGHT_RANGE_IN.high]) {
      const comesToIn = Math.round(distanceFor(distance, { heightIn }) * 10) / 10;
      const detail = { id: distance.id, heightIn, comesToIn };
      if (comesToIn < 0) return [problem('distance_negative', `setup[${i}]`, detail)];
      if (comesToIn > LONGEST_IN) return [problem('distance_too_long', `setup[${i}]`, detail)];
    }
    return [];
  });
}
