import { type ProblemWords, p } from './problemWords.ts';

/** What is entered about a player: marks, measures, drills, dates. */
export const CASE_PROBLEMS = {
  bad_input: p(400, 'Something in this request can’t be used.', 'Look at the named field and correct it.'),
  height_out_of_range: p(
    400,
    'A height of {heightIn} in can’t be right.',
    'Give the height in inches, between {low} and {high}.',
  ),
  mark_outside_picture: p(
    400,
    'A mark at ({u}, {v}) lies outside the picture.',
    'Place it inside the {widthPx} by {heightPx} picture.',
  ),
  landmark_not_in_view: p(
    400,
    'The {landmark} can’t be seen from the front.',
    'Mark it in the down-the-line view, or leave it out.',
  ),
  ground_mark_outside_picture: p(
    400,
    'A stick end at ({u}, {v}) lies outside the picture.',
    'Place it where the end is seen, or leave it out.',
  ),
  unknown_view: p(
    400,
    'A mark names a view that is not there: {view}.',
    'Name one of the views listed in this capture.',
  ),
  mark_twice: p(400, 'The same place is marked twice: {mark}.', 'Keep one of the two.'),
  view_twice: p(400, 'Two views share the name {view}.', 'Give each view its own name.'),
  stations_out_of_order: p(
    400,
    '{later} is named before {earlier}.',
    'Name the stations in the order of the swing.',
  ),
  unknown_measure: p(400, 'There is no measure called {id}.', 'Use an id from the list of measures.'),
  measure_twice: p(400, 'The measure {id} is given twice.', 'Keep one value for each measure.'),
  unknown_finding: p(400, 'There is no finding called {id}.', 'Use an id from the list of findings.'),
  contradictory_finding: p(400, '{id} is both seen and not seen.', 'Keep one of the two.'),
  unknown_fault: p(400, 'There is no fault called {id}.', 'Use an id from the list of faults.'),
  unknown_drill: p(400, 'There is no drill called {id}.', 'Choose a drill from the library.'),
  drill_not_in_use: p(
    409,
    '{drill} was not in use on {date}.',
    'Log a drill that was prescribed for that day, or take it into use first.',
  ),
  rung_not_reached: p(
    409,
    '{drill} has not come to the rung “{stage}” yet.',
    'Log the rung it stands on, or a lower one; the coach opens the next.',
  ),
  drill_mends_nothing: p(400, 'The drill mends nothing.', 'Name at least one fault that it is for.'),
  named_twice: p(400, '{id} is named twice.', 'Keep one of the two.'),
  makes_what_it_mends: p(
    400,
    'Overdone, the drill would make {id}, the very fault it is strongest for.',
    'Choose another fault for too much of it, or a lower strength.',
  ),
  no_places: p(400, 'The drill can be done nowhere.', 'Choose at least one place.'),
  ball_at_home_only: p(
    400,
    'The drill hits a ball and is done only at home.',
    'Add the range or a net, or let it be done without a ball.',
  ),
  school_both_ways: p(
    400,
    'The drill both belongs to a school and fights it ({id}).',
    'Keep one of the two.',
  ),
  distance_negative: p(
    400,
    'For a player of {heightIn} in the distance {id} would come to {comesToIn} in.',
    'Change the formula so that it stays at or above 0 for every height.',
  ),
  distance_too_long: p(
    400,
    'For a player of {heightIn} in the distance {id} would come to {comesToIn} in.',
    'Keep it under 240 in.',
  ),
  built_in_drill: p(
    400,
    'The drill {id} came with the program and stays as it is.',
    'Make a copy and change that.',
  ),
  no_drills: p(400, 'A plan needs a drill.', 'Choose one or two drills first.'),
  no_days: p(400, 'A plan needs practice days.', 'Choose at least one day of the week.'),
  bad_date: p(400, '{value} is not a date.', 'Write dates as year-month-day, such as 2027-03-01.'),
  date_in_past: p(400, '{value} has already gone by.', 'Choose today or a later day.'),
  date_too_far: p(400, '{value} is too far ahead.', 'Choose a day within four months.'),
  date_in_future: p(400, '{value} has not come yet.', 'Choose today or an earlier day.'),
  lesson_before_start: p(
    400,
    'The next lesson ({nextLesson}) lies before the plan’s start ({start}).',
    'Choose a later lesson or an earlier start.',
  ),
  no_minutes: p(
    400,
    'None of the practice days has a minute.',
    'Give at least one of the days five minutes or more.',
  ),
  exception_ends_first: p(
    400,
    'An exception ends before it begins.',
    'Put its last day on or after its first.',
  ),
  wish_too_big: p(
    400,
    'So many repetitions a week help nobody.',
    'Wish for at most 1,000 a week; the caps for joints and days hold in any case.',
  ),
  weeks_out_of_range: p(400, 'A plan is laid over 1 to 26 weeks.', 'Ask for a number of weeks between them.'),
  log_in_future: p(
    400,
    'A set is dated beyond the plan.',
    'Check the date of the set, and the clock of the device that wrote it.',
  ),
  passes_over_reps: p(
    400,
    'More passes ({passes}) than repetitions ({reps}).',
    'Correct one of the two numbers.',
  ),
  bad_reps: p(400, 'Repetitions are written P, F or ?.', 'Use only these three letters, such as PPF?P.'),
  reason_needed: p(
    400,
    'The gate is not open yet.',
    'Give a short reason for moving the student up anyway. It is saved.',
  ),
  pain_hold: p(
    409,
    'Pain was reported, so this drill is on hold.',
    'Only the coach lifts the hold, with a note.',
  ),
  not_one_body: p(
    422,
    'These marks can’t all be of one body of this size. The marks are kept; nothing was measured.',
    'Check whose clips these are, the student’s height and hand, and that each clip has the right view.',
  ),
  nothing_measured: p(409, 'Nothing is measured on this swing yet.', 'Name stations and set marks first.'),
  out_of_range: p(400, 'The numbers in this document lead nowhere.', 'Look for a value far from the others.'),
} as const satisfies Record<string, ProblemWords>;
