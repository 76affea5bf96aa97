import type { Swing } from '@inchstep/contract/capture';
import type { AidState, CueState } from '@inchstep/core/capture';

export const HOW_MADE_WORDS = {
  legend: 'How the swing was made',
  club: 'Club',
  speed: 'Speed',
  aid: 'Drill',
  place: 'Place',
  drill: 'Which drill',
  noDrill: 'None, or not said',
  cue: 'Cue',
  notSaid: 'not said',
  beforeCue: 'before the first cue',
} as const;
export const SPEED_WORDS: Record<Swing['speed'], string> = {
  half: 'Half',
  three_quarter: 'Three quarters',
  full: 'Full',
};
export const AID_STATE_WORDS: Record<AidState, string> = { on: 'With its aid', off: 'Without its aid' };
export const CUE_STATE_WORDS: Record<CueState, string> = { before: 'Before the first', after: 'After a cue' };

/** What the add clips say. */
export const ADD_CLIPS_WORDS = {
  phoneAtBeltBuckle: 'Phone at belt-buckle height, square to the body, 12 to 14 feet away.',
  phoneOnTheHand: 'Phone on the hand line, at belt height, behind the player.',
  sendingTheClip: 'Sending the clip',
  stop: 'Stop',
  chooseAClip: 'Choose a clip',
  stoppedNothingWasKept: 'Stopped. Nothing was kept.',
} as const;

/** What the auto marks say. */
export const AUTO_MARKS_WORDS = {
  thisClipCantBe: 'This clip can’t be read frame by frame here.',
  noPlayerWasFound: 'No player was found in enough of the clip. Mark it by hand.',
  playerWasFound: 'A player was found, but no swing. Name the stations by hand.',
  twoSwing: (people: number) =>
    `${people === 2 ? 'Two people swing' : `${people} people swing`} in this clip. Say which of them is the student:`,
  whichSwings: (place: number, people: number) =>
    place === 0
      ? 'The one on the left'
      : place === people - 1
        ? 'The one on the right'
        : `Number ${place + 1} from the left`,
  bodyNetworkCouldNot: 'The body network could not be started in this browser. Mark by hand.',
  proposeStationsAndMarks: 'Propose stations and marks,',
  lookingForThePlayer: 'Looking for the player',
  starting: 'Starting …',
  stop: 'Stop',
  proposedNotChecked: (open: number) => `${open} proposed, not checked`,
  refuseThem: 'Refuse them',
  knows: (name: string, hips: string, swings: number) =>
    `Knows ${name}’s hips to ${hips}, from ${swings === 1 ? 'one checked swing' : `${swings} checked swings`}.`,
  knowsOthers: (name: string, students: number) =>
    `Nothing taught of ${name} yet; ${students === 1 ? 'one other student says' : `${students} other students say`} how the network errs in your pictures.`,
  forget: 'Forget',
  forgotten: (name: string) => `What was taught of ${name} is forgotten.`,
  remember: 'Take that back',
  rightHere: (n: number) => (n === 1 ? 'The one here is right' : `The ${n} here are right`),
  proposalsWereTried:
    'Proposals were tried on drawn players only, never on real ones. Step through them; a mark you drag or grade is yours.',
} as const;

/** What the bring in says. */
export const BRING_IN_WORDS = {
  thisLooksLikePressure:
    'This looks like pressure under the feet. Open the swing it belongs to and add it there.',
  motionOrShotsFile: 'Motion or shots file',
  motionOrShotsFrom: 'Motion or shots from a file',
  sending: (share: number) => `Sending ${share} %`,
  findingTheStations: 'Finding the stations and measuring …',
  stop: 'Stop',
} as const;

/** What the camera form says. */
export const CAMERA_FORM_WORDS = {
  phoneToPlayer: 'Phone to player',
  phoneHeight: 'Phone height',
  stickEnds: (ends: number) => `Stick ends ${ends}/4`,
  notInThePicture: 'Not in the picture',
  clear: 'Clear',
} as const;

/** What the clip trouble says. */
export const CLIP_TROUBLE_WORDS = {
  thisBrowserCantRead:
    'This browser can’t read the clip’s coding frame by frame. Set the phone’s camera to “most compatible”, or convert the clip to H.264 MP4.',
  thisFileHolds: 'This file holds no video that can be read.',
  thereAreNoPictures: 'There are no pictures in this clip.',
  guardianHasNotAgreed:
    'A guardian has not agreed to this child’s films, or no longer does. Record the consent in the intake first.',
  clipCouldNotBe: 'The clip could not be fetched. Load the page again.',
} as const;

/** What the line layer says. */
export const LINE_LAYER_WORDS = {
  leadLeg: 'lead leg',
  trailLeg: 'trail leg',
  seatAtTheTop: 'seat at the top',
  thighAtTheTop: 'thigh at the top',
} as const;

/** What the mark list says. */
export const MARK_LIST_WORDS = {
  partlyHidden: 'partly hidden',
  landmarks: 'Landmarks',
  proposed: '(proposed)',
} as const;

/** What the next mark panel says. */
export const NEXT_MARK_PANEL_WORDS = {
  markNext: 'Mark next',
  placed: (placed: number) => `, ${placed} placed`,
  tellsMostAbout: (about: string) => `Tells most about: ${about}.`,
  everythingIsToldFrom: 'Everything is told from the hips.',
  nothingLeftToMark: 'Nothing left to mark would settle much more.',
  nameAStation: 'Name a station at its frame first.',
} as const;

/** What the pressure panel says. */
export const PRESSURE_PANEL_WORDS = {
  pressureUnderTheFeet: 'Pressure under the feet',
  pressureFile: 'Pressure file',
  matsCsvWithTime: 'A mat’s CSV with time and lead share shows when the pressure changes sides.',
  anotherFile: 'Another file',
  addAPressureFile: 'Add a pressure file',
  csv: 'CSV',
  matsClockS: (offset: string, offset2: string) => `Mat’s clock ${offset}${offset2} s`,
  lead: (share: string) => `${share} % lead`,
  pressureTakenAway: 'Pressure taken away.',
  undo: 'Undo',
  takeAway: 'Take away',
  shareOfThePressure: 'Share of the pressure under the lead foot over the swing',
} as const;

/** What the shots import says. */
export const SHOTS_IMPORT_WORDS = {
  lookingForEarlierFiles: 'Looking for earlier files like this …',
  shotsBrought: (count: number) => `${count} shots brought in.`,
  undo: 'Undo',
  columnsOfTheShots: 'Columns of the shots file',
  rows: (count: number) => `, ${count} rows.`,
  matchedAsLastTime: 'Matched as last time for a file with these headings.',
  matchedByTheHeadings:
    'Matched by the headings; please check, above all the units in dotted boxes, which are guessed from the size of the numbers.',
  what: 'What',
  column: 'Column',
  unit: 'Unit',
  plusSide: 'Plus side',
  firstValues: 'First values',
  hit: 'Hit on',
  bringInShots: (count: number) => `Bring in ${count} shots`,
  leave: 'Leave it',
  columnFor: (name: string) => `Column for ${name}`,
  notInThisFile: 'not in this file',
  unitOf: (name: string) => `Unit of ${name}`,
  plusSideOf: (name: string) => `Plus side of ${name}`,
} as const;

/** What the shots panel says. */
export const SHOTS_PANEL_WORDS = {
  shots: 'Shots',
  shotsPutAway: 'Shots put away.',
  undo: 'Undo',
  shotsFrom: (count: number, fileName: string) => `${count} shots from ${fileName}`,
  hit: 'Hit with',
  noMeasuredSwing: 'no measured swing',
  csv: 'CSV',
  putAway: 'Put away',
  theShots: 'the shots',
  signsOfAHabit: (what: number) => `Signs of a habit need at least ${what} shots.`,
} as const;

/** What the station rail says. */
export const STATION_RAIL_WORDS = {
  stations: 'Stations',
  notNamed: 'not named',
  named: 'named',
  someProposedNotChecked: 'some proposed, not checked',
  morePredicted: (predicted: number) => `${predicted} more predicted by the fit`,
  nameAtThisFrame: (station: string | undefined) => `Name ${station} at this frame`,
  startDown: 'Pelvis starts forward',
} as const;

/** What the view pane says. */
export const VIEW_PANE_WORDS = {
  view: (kind: string | undefined) => `${kind} view`,
  readingTheClip: 'Reading the clip …',
  marksOnlyNoClip: 'Marks only: no clip came with this view.',
  eachFrameIsCopied: 'Each frame is copied once, so that any step shows at once. Steps work meanwhile.',
  makingFramesReady: (copied: number) => `making frames ready, ${copied} %`,
  frame: (index: number, count: number) => `frame ${index} of ${count}`,
  stickEnd: 'Stick end at',
  in: 'in,',
  in2: 'in',
} as const;

/** What is said when a take can't be recorded. */
export const TAKE_WORDS = {
  noRecorder: 'This browser can’t record. Film with the camera’s own app and add the clip.',
} as const;

/** Said before a clip of a child is chosen or filmed. */
export const CONSENT_FIRST_WORDS = {
  missing: (name: string) =>
    `${name} is under 18, and no guardian has agreed to clips yet. Clips can be added once the consent is recorded.`,
  record: 'Record consent',
} as const;
