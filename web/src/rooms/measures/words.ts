/** What the bench says. */
export const BENCH_WORDS = {
  measures: 'Measures',
} as const;

/** What the bench marks say. */
export const BENCH_MARKS_WORDS = {
  stationsAndMarks: 'Stations and marks',
  undo: 'Undo',
  redo: 'Redo',
} as const;

/** What the bench screen says. */
export const BENCH_SCREEN_WORDS = {
  theSwing: 'the swing',
  newSwing: 'New swing',
  liveCameraLines: 'Live: camera, lines and replay',
  theClips: 'the clips',
  clipsThatWait: 'Clips that wait for the bench',
  sentByTheStudent: 'sent by the student',
  addedHere: 'added here',
  putOnTheBench: 'Put on the bench',
  theSwings: 'the swings',
  noSwingYet: 'No swing yet',
  chooseAClipAbove:
    'Choose a clip above. One view is enough to begin; two views give inches and degrees you can rely on.',
  swingPutAway: 'Swing put away.',
  undo: 'Undo',
  swings: 'Swings',
  compareTwoSwings: 'Compare two swings',
  motionFrames: (frames: number) => `Motion, ${frames} frames`,
  and: ' and ',
  notMarked: 'not marked',
  marks: (count: number) => `${count} marks`,
  putAway: 'Put away',
} as const;

/** What the bench views say. */
export const BENCH_VIEWS_WORDS = {
  linesL: 'Lines (L)',
  tenFramesBack: '−10 frames',
  frameBack: '−1 frame',
  whichFrame: 'Frame',
  frameOn: '+1 frame',
  tenFramesOn: '+10 frames',
} as const;

/** What the camera check says. */
export const CAMERA_CHECK_WORDS = {
  turnedOffSquareNext: (deg: string, moveIn: string, deg2: string) =>
    `Turned ${deg}° off square. Next time move it about ${moveIn} to the ${deg2} of where it stood. It is corrected for here.`,
  leaningCorrectedForHere: (deg: string) => `Leaning ${deg}°. Corrected for here.`,
  standsHigherThan: 'Stands higher than the belt; lower it next time.',
  standsLowerThan: 'Stands lower than the belt; raise it next time.',
  stickEndsContradictEach: (xIn: string, yIn: string) =>
    `The stick ends contradict each other: look again at the one ${xIn} along and ${yIn} ahead, here and on the ground.`,
  byAllItSaw: (what: string) =>
    `By all it saw, its ${what} can’t be as told: check the tape, the lens, and that both clips are of one swing.`,
  noStickEndsMarked: 'No stick ends marked: two sticks on the ground make every inch surer.',
  distanceHeightOrLens: 'Distance, height or lens not told: a wide guess stands in.',
  fromAboveShadedWhere:
    'From above. Shaded: where each phone points, as surely as it is known. Dashed: square.',
  pointsOffSquare: (yawDeg: string, what: string) => `Points ${yawDeg}° off square, ± ${what}°.`,
  nothingToMend: 'Nothing to mend.',
} as const;

/** What the camera picture says. */
export const CAMERA_PICTURE_WORDS = {
  turnedDegrees: (what: string, yawDeg: string) => `${what} turned ${yawDeg} degrees`,
  phonesFromAbove: (says: string) => `Phones from above: ${says}`,
} as const;

/** What the compare screen says. */
export const COMPARE_SCREEN_WORDS = {
  theSwings: 'the swings',
  nothingToCompareYet: 'Nothing to compare yet',
  twoSwings: 'Two swings with a clip and named stations are needed. Name them on the bench.',
  thenOn: (recordedOn: string) => `Then: ${recordedOn}`,
  nowOn: (recordedOn: string) => `Now: ${recordedOn}`,
  toLayOneOver: 'To lay one over the other, mark hips, knees and ankles at address in both swings.',
  noThen: 'Then',
  noNow: 'Now',
  oneOverTheOther: 'One over the other (O)',
  station: 'Station',
  frameOfTheNewer: 'Frame of the newer swing',
} as const;

/** What the diagnose says. */
export const DIAGNOSE_WORDS = {
  diagnose: 'Diagnose',
} as const;

/** What the difference list says. */
export const DIFFERENCE_LIST_WORDS = {
  measureBothSwings: 'Measure both swings on the bench to see what differs.',
  whatDiffers: 'What differs',
  whatDiffersAt: (station: string | undefined) => `What differs at ${station}`,
  whatDiffersAllStations: 'What differs, all stations',
  betweenTheseTwoSwings:
    'Between these two swings. Whether a habit changed is told by several swings, under Progress.',
  nothingWasMeasuredHere: 'Nothing was measured here in both swings.',
  tooCloseToTell: 'too close to tell',
} as const;

/** What the floor map says. */
export const FLOOR_MAP_WORDS = {
  floorMapAtPelvis: (station: string | undefined, shift: string, depth: string) =>
    `Floor map at ${station}: pelvis centre ${shift} toward the target and ${depth} toward the ball since address`,
  dottedBar: (label: string) => `${label}: the dotted bar.`,
  centre: (station: string | undefined, shift: string, toTarget: boolean, depth: string, toBall: boolean) =>
    `${station}: ${shift} ${toTarget ? 'toward' : 'away from'} the target, ${depth} ${toBall ? 'toward' : 'away from'} the ball. Open ring: lead hip.`,
  target: (side: string) => `target ${side}`,
} as const;

/** What the layers say. */
export const LAYERS_WORDS = {
  thisBodyInside: 'This body inside the school’s bands (H)',
  workingItOut: 'Working it out …',
  nothingHereIsOutside: 'Nothing here is outside its band.',
  itWouldChange: (mends: string) => `It would change: ${mends}.`,
  beside: 'Beside it',
  noOtherSwing: 'no other swing',
  marks: (recordedOn: string, count: number) => `${recordedOn}, ${count} marks`,
  print: 'Print',
} as const;

/** What the live screen says. */
export const LIVE_SCREEN_WORDS = {
  cameraIsOffNothing: 'The camera is off. Nothing is recorded until you start a take.',
  waitingForTheBrowsers: 'Waiting for the browser’s question about the camera …',
  browserWasToldNot:
    'The browser was told not to give the camera. Allow it in the address bar and start again.',
  cameraIsBusy: 'Another program has the camera. Close it there, then turn it on here again.',
  noCameraWasFound: 'No camera was found on this device.',
  theSwings: 'the swings',
  cameraOff: 'Camera off',
  camera: 'Camera on',
  replayAfter: 'Replay after',
  now: 'Now',
  whatTheCameraSees: 'What the camera sees now',
  secondsAgo: (delay: number) => `${delay} seconds ago`,
  whatTheCameraSaw: (delay: number) => `What the camera saw ${delay} seconds ago`,
  thisPlayersLinesFrom: 'This player’s lines from the newest measured swing; drag them to today’s stance',
} as const;

/** What the pair canvas say. */
export const PAIR_CANVAS_WORDS = {
  readingTheClips: 'Reading the clips',
} as const;

/** What the pair export says. */
export const PAIR_EXPORT_WORDS = {
  picturePng: 'Picture (PNG)',
  clipWebm: 'Clip (WebM)',
  makingTheClip: 'Making the clip',
  stop: 'Stop',
  noFrames: 'A clip can’t be read frame by frame here.',
  noDrawing: 'This browser can’t draw.',
} as const;

/** What the read out says. */
export const READ_OUT_WORDS = {
  tapes: 'Tapes',
  floor: 'Floor',
  front: 'Front',
  side: 'Side',
  camera: 'Camera',
  drawnBetweenAndNot: (station: string | undefined, station2: string | undefined) =>
    `Drawn between ${station} and ${station2}, not measured`,
  stepToAStation:
    'Step to a station, name it with its key, and mark the hips, knees and ankles. The measures appear here as you go.',
  whatTheMarksCome: 'What the marks come to',
  leadAndTrailLook: 'Lead and trail look changed about at',
  changeThemBack: 'Change them back',
  notOneBody:
    'These marks can’t all be of one body of this size, so nothing is measured. Check whose clips these are, the student’s height and hand, and that each clip has the right view.',
  lookAgain: (suspects: string) => `Look again at: ${suspects}. It fits nothing else.`,
  nameAndMark: (station: string | undefined) => `Name and mark ${station}`,
  mark: (landmark: string | undefined, station: string | undefined) => `Mark ${landmark} at ${station}`,
  filmToo: (view: string | undefined) => `Film ${view} too`,
  markTheStickEnds: (view: string) => `Mark the stick ends in ${view}`,
  bringInAMotion: 'Bring in a motion track',
  whatWouldSettleMore: 'What would settle more',
  andMore: (count: number) => ` and ${count} more`,
  cantTell: (count: number) => (count === 1 ? 'One can’t be told yet' : `${count} can’t be told yet`),
} as const;

/** What the coach's earlier marks have changed on this swing. */
export const TAUGHT_WORDS = {
  ask: 'What teaching changed',
  comparing: 'Comparing…',
  told: (now: number, without: number) =>
    `${now} ${now === 1 ? 'measure is' : 'measures are'} told; without what you taught it would be ${without}.`,
  newly: (names: string) => `Only because of it: ${names}.`,
  noLonger: (names: string) => `No longer told: ${names}.`,
  otherwise: (names: string) => `Told otherwise: ${names}.`,
} as const;

/** What the station slider says. */
export const STATION_SLIDER_WORDS = {
  stationOnTheMap: 'Station on the map',
  after: (near: string | undefined) => `after ${near}`,
} as const;

/** What the strip says. */
export const STRIP_WORDS = {
  along: (distance: string, toward: boolean, what: string) =>
    `${distance} ${toward ? 'toward' : 'away from'} ${what}`,
  target: 'the target',
  ball: 'the ball',
  front: 'Front',
  side: 'Side',
  thanAtAddressThick: (says: string, heights: string) =>
    `: ${says}, ${heights} than at address. Thick limbs: lead side.`,
  thinTheEarlierSwing: 'Thin: the earlier swing. ',
  dashedInsideEveryBand: 'Dashed: inside every band.',
  in: '12 in',
  rise: (distance: string, up: boolean) => `${distance} ${up ? 'higher' : 'lower'}`,
  strip: (side: string, station: string | undefined, says: string, rise: string) =>
    `${side} strip at ${station}: pelvis centre ${says}, ${rise} than at address`,
} as const;

/** What the take button says. */
export const TAKE_BUTTON_WORDS = {
  endTheTake: 'End the take',
  startATake: 'Start a take',
  key: 'R',
  oneBroke:
    'A camera’s picture could not be recorded. What the other one saw is kept; choose another camera.',
  putting: 'Putting it on the bench …',
  sendTheTakeAgain: 'Send the take again',
  keptHere: 'The take is kept on this device and goes by itself.',
  refused: (why: string) => `The take was not taken: ${why}`,
  letGo: 'Let it go',
} as const;

/** What the key that listens for strikes says. */
export const STRIKE_WORDS = {
  byEar: 'Take at the strike',
  ear: 'What it listens for',
  ears: { near: 'this mat alone', usual: 'the usual bay', far: 'soft strikes, too' },
  level: 'How loud it is now',
  heard: (count: number) => (count === 0 ? 'Listening.' : `${count} heard.`),
  refused: 'The browser was told not to give the microphone. Allow it in the address bar and press again.',
  none: 'No microphone was found on this device. Takes go by key.',
} as const;

/** What the track bench says. */
export const TRACK_BENCH_WORDS = {
  theMeasures: 'the measures',
  theMotion: 'the motion',
  notMeasuredYet: 'Not measured yet',
  measure: 'Measure it',
  motionFileIsHere: 'The motion file is here; its measures are not.',
  noMotionHere: 'No motion here',
  bringTheFile: 'Bring the file in again.',
  diagnose: 'Diagnose',
  timeInTheSwing: 'Time in the swing',
  measuresHere: 'Measures here',
  theFile: 'The file',
  framesInSNoise: (fileName: string, frames: number, seconds: string, noiseIn: string, tempo: string) =>
    `${fileName}: ${frames} frames in ${seconds} s, noise about ${noiseIn} in a coordinate. Tempo ${tempo} to 1.`,
  takenAsSince: (unit: string) => `Taken as ${unit}, since a person then has a person’s size.`,
  written: (unit: string) => `Written in ${unit}.`,
  itsAxesAreUsed: 'Its axes are used as written.',
  fileDoesNotSay:
    'The file does not say where the target is: the line of the ankles at address is taken as the target line, so a stance that is open or closed reads as square.',
  leftOutSinceThey: (unmatched: string) => `Left out, since they name no landmark here: ${unmatched}.`,
  motionAsCsv: 'Motion as CSV',
} as const;

/** What the draw pair says. */
export const DRAW_PAIR_WORDS = {
  over: (title: string, title2: string) => `${title}, over it ${title2}`,
} as const;

/** What the autosave says. */
export const AUTOSAVE_WORDS = {
  saved: 'Saved',
  notSavedCheck: 'Not saved. Check the connection; the next change tries again.',
  saving: 'Saving …',
} as const;

/** What the pair of a review says. */
export const SWING_PAIR_WORDS = {
  over: 'Over (O)',
  lines: 'Lines (L)',
  target: 'Target (H)',
  noneBefore: (view: string) => `There is no earlier ${view} swing with named stations to stand beside it.`,
  settle: (mark: string) => `Where it can’t tell, one mark would settle most: ${mark}.`,
  mark: (landmark: string, station: string, view: string) => `${landmark.toLowerCase()}, ${station}, ${view}`,
  bench: 'Set it on the bench',
} as const;
