/** What went wrong and what to do: one table for server, screen and command line. */
export interface ProblemWords {
  readonly status: number;
  readonly what: string;
  readonly remedy: string;
}

const p = (status: number, what: string, remedy: string): ProblemWords => ({ status, what, remedy });

export const PROBLEM_WORDS = {
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
  date_in_future: p(400, '{value} has not come yet.', 'Choose today or an earlier day.'),
  lesson_before_start: p(
    400,
    'The next lesson ({nextLesson}) lies before the plan’s start ({start}).',
    'Choose a later lesson or an earlier start.',
  ),
  passes_over_reps: p(
    400,
    'More passes ({passes}) than repetitions ({reps}).',
    'Correct one of the two numbers.',
  ),
  bad_reps: p(400, 'Repetitions are written P, F or ?.', 'Use only these three letters, such as PPF?P.'),
  not_found: p(404, 'This is not here (any more).', 'Go back and open it again from the list.'),
  signed_out: p(401, 'You are signed out.', 'Sign in again; nothing you saved is lost.'),
  wrong_passphrase: p(401, 'That passphrase does not open this program.', 'Check capitals and try again.'),
  already_set_up: p(409, 'This program has a coach already.', 'Sign in with the passphrase.'),
  changed_meanwhile: p(
    409,
    'Somebody saved a newer version of this.',
    'Load the newest version and make your change again.',
  ),
  link_unknown: p(
    404,
    'This link opens nothing.',
    'Check that the whole address was copied, or ask your coach for a new link.',
  ),
  link_expired: p(410, 'This link has run out.', 'Ask your coach for a new one; nothing you sent is lost.'),
  link_revoked: p(
    410,
    'This link was closed by your coach.',
    'Ask your coach for a new one; nothing you sent is lost.',
  ),
  consent_missing: p(
    403,
    'This student is a child, and no guardian has agreed to clips yet.',
    'Record the guardian’s consent in the student’s intake first.',
  ),
  no_file: p(400, 'No clip came with this.', 'Choose a clip and send it again.'),
  clip_empty: p(
    400,
    'This clip is empty (0 bytes).',
    'Copy it from the phone again; it was probably not finished.',
  ),
  clip_too_large: p(
    413,
    'This clip is larger than {limitMb} MB.',
    'Trim it to one swing, or film at 1080p instead of 4K.',
  ),
  clip_not_video: p(
    415,
    'This file is not a video the program knows.',
    'Send an MP4, MOV or WebM, as phones make them.',
  ),
  clip_cut_off: p(
    400,
    'This clip breaks off: its end is missing.',
    'Copy it from the phone again and wait until it is done.',
  ),
  clip_no_frames: p(400, 'There are no pictures in this clip.', 'Choose a clip with video, not only sound.'),
  clip_codec: p(
    415,
    'This clip is coded as {codec}, which browsers here can’t read frame by frame.',
    'On the phone choose “most compatible” for the camera’s format, or convert the clip to H.264 MP4.',
  ),
  motion_unreadable: p(
    415,
    'This file’s {part} can’t be read as motion.',
    'Expected {expected}. Send a CSV, TRC or C3D as motion rooms write them.',
  ),
  motion_no_points: p(
    400,
    'This motion file holds no marker with x, y and z.',
    'Give three columns for each landmark, such as lead_hip_x, lead_hip_y, lead_hip_z.',
  ),
  motion_too_short: p(
    400,
    'This motion holds only {frames} frames.',
    'A swing needs at least {fewest}; export the whole swing.',
  ),
  motion_time_order: p(
    400,
    'Time does not run on at frame {frame}.',
    'Times must be numbers that rise from row to row; export the file again.',
  ),
  motion_missing_landmarks: p(
    400,
    'This motion lacks {missing}.',
    'Name these markers (lead and trail, or left and right) in the file and send it again.',
  ),
  motion_unit_unknown: p(
    400,
    'In no unit the program knows would this body have a person’s size.',
    'Export in metres, centimetres, millimetres or inches, and name the unit in the file.',
  ),
  motion_start_unseen: p(
    400,
    'Hips and ankles are not seen at the start of this motion.',
    'Begin the recording with the player standing still in full sight.',
  ),
  track_no_swing: p(
    400,
    'There is no swing in this motion.',
    'Send a recording that begins at address and ends after the finish.',
  ),
  track_needs_hands: p(
    400,
    'Hips and hands are needed to find the stations, and one of them is missing.',
    'Add a marker called grip (middle of the hands) and both hip joints.',
  ),
  csv_unreadable: p(
    400,
    'A quote opened in row {row} never closes.',
    'Save the table again as CSV from the program it came from.',
  ),
  shots_no_rows: p(
    400,
    'There is no shot in this file.',
    'Export at least one shot, with a line of headings.',
  ),
  shots_no_match: p(400, 'No column is matched yet.', 'Say what at least one column holds.'),
  shots_no_column: p(400, 'The file has no column called {column}.', 'Match the columns of this file anew.'),
  shots_not_a_number: p(
    400,
    'Row {row} holds “{value}” under {column}.',
    'Correct it to a number, or leave the column out.',
  ),
  shots_out_of_range: p(
    400,
    'Row {row}: {value} {unit} under {column} can’t be right.',
    'Choose the column’s unit again, or correct the row.',
  ),
  pressure_no_columns: p(
    400,
    'Time and lead share are not both in this file.',
    'Name the columns time_s and lead_pct.',
  ),
  pressure_too_short: p(
    400,
    'This pressure file holds only {rows} rows.',
    'At least {fewest} are needed; export the whole swing.',
  ),
  pressure_bad_row: p(
    400,
    'Row {row} is no pressure reading.',
    'Time must rise, and the lead share lie between 0 and 100.',
  ),
  pain_hold: p(
    409,
    'Pain was reported, so this drill is on hold.',
    'Only the coach lifts the hold, with a note.',
  ),
  nothing_measured: p(409, 'Nothing is measured on this swing yet.', 'Name stations and set marks first.'),
  too_many_requests: p(429, 'Too many tries in a short time.', 'Wait a minute and try again.'),
  broken: p(
    500,
    'Something broke in the program.',
    'Try again; if it happens again, the log has the details.',
  ),
} as const satisfies Record<string, ProblemWords>;

export type ProblemCode = keyof typeof PROBLEM_WORDS;

const fill = (text: string, detail: Readonly<Record<string, string | number>>): string =>
  text.replaceAll(/\{(\w+)\}/g, (whole, key: string) => String(detail[key] ?? whole));

/** One line: what is wrong, then what to do. */
export function problemText(problem: {
  readonly code: string;
  readonly detail?: Readonly<Record<string, string | number>> | undefined;
}): string {
  const words = PROBLEM_WORDS[problem.code as ProblemCode] ?? PROBLEM_WORDS.bad_input;
  const detail = problem.detail ?? {};
  return `${fill(words.what, detail)} ${fill(words.remedy, detail)}`;
}
