import { type ProblemWords, p } from './problemWords.ts';

/** Clips, motion, shots and pressure as they come from outside. */
export const FILE_PROBLEMS = {
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
  shots_no_column: p(400, 'The file has no column called {column}.', 'Match the columns of this file again.'),
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
  upload_broken: p(
    400,
    'What was sent broke off on the way.',
    'Send it again; nothing was kept of the half.',
  ),
  enclosure_wrong: p(
    400,
    'This can’t go along with a letter ({part}).',
    'Make it again on the review screen: a picture up to 8 MB, a clip up to one minute, or a spoken review up to three minutes.',
  ),
  too_many_enclosed: p(
    409,
    'More than {most} things can’t go along with one letter.',
    'Leave one out first.',
  ),
  pieces_missing: p(
    409,
    'Pieces of this file are still on their way.',
    'It goes on by itself once there is a signal.',
  ),
  pieces_gone: p(
    410,
    'This file is not here any more, or it was never begun.',
    'It is sent from its beginning again.',
  ),
  upload_stalled: p(
    408,
    'The sending stood still for too long and was let go.',
    'Send it again where the connection is better; nothing was kept of the half.',
  ),
  clip_no_sense: p(
    400,
    'What this clip says of itself makes no sense ({part}).',
    'Copy it from the phone again, or film the swing again.',
  ),
  too_many_rows: p(
    400,
    'This file has more than {most} rows.',
    'Send the rows of one swing or one session only.',
  ),
  table_too_large: p(413, 'This table is larger than {mostMb} MB.', 'Send one swing or one session only.'),
  file_too_heavy: p(
    400,
    'Reading this file took too much time or memory, so it was put aside.',
    'Export or film it again; if it happens with every file, the program’s log has the details.',
  ),
  work_too_heavy: p(
    503,
    'Computing this took too long, so it was stopped. Nothing was changed.',
    'Try again. If it happens again, check the student’s height and the marks of the swing.',
  ),
  document_unreadable: p(
    500,
    'This program can’t read what is kept here as “{document}”: a newer one wrote it, or it makes no sense.',
    'Start the newest program you have on this folder; if it says the same, restore a backup.',
  ),
} as const satisfies Record<string, ProblemWords>;
