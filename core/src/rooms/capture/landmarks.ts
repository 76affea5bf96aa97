/** Points of the body (and club) that a coach marks. Ids are fixed by the formats. */
export const LANDMARKS = [
  'lead_hip',
  'trail_hip',
  'lead_knee',
  'trail_knee',
  'lead_ankle',
  'trail_ankle',
  'lead_heel',
  'trail_heel',
  'lead_toe',
  'trail_toe',
  'seat',
  'sternum',
  'neck',
  'head',
  'lead_shoulder',
  'trail_shoulder',
  'grip',
  'ball',
] as const;
export type Landmark = (typeof LANDMARKS)[number];

/** The ball's centre stands still above the origin, so it helps the camera and is no unknown. */
export const BALL_CENTRE_HEIGHT_IN = 0.84;

/** How well a landmark was seen; sd in pixels for a picture 1080 px wide. */
export const SIGHT_SD_PX = { clear: 2, partly: 5, guessed: 12 } as const;
export type Sight = keyof typeof SIGHT_SD_PX;
const SIGHT_REFERENCE_WIDTH_PX = 1080;

export const sightSdPx = (sight: Sight, widthPx: number): number =>
  (SIGHT_SD_PX[sight] * widthPx) / SIGHT_REFERENCE_WIDTH_PX;

/** What is worth marking in each view, in the order a coach goes through the body. */
export const MARKS_WANTED = {
  face_on: [
    'lead_hip',
    'trail_hip',
    'lead_knee',
    'trail_knee',
    'lead_ankle',
    'trail_ankle',
    'neck',
    'sternum',
    'head',
    'lead_heel',
    'trail_heel',
    'lead_toe',
    'trail_toe',
  ],
  down_the_line: [
    'lead_hip',
    'trail_hip',
    'seat',
    'lead_knee',
    'trail_knee',
    'lead_ankle',
    'trail_ankle',
    'neck',
    'head',
    'trail_heel',
    'trail_toe',
  ],
} as const satisfies Record<'face_on' | 'down_the_line', readonly Landmark[]>;

/**
 * Where the ends of two 48 in sticks lie when they are put down as the filming guide shows: one
 * along the toes, 22 in from the ball line, one from near the ball straight away from the player.
 */
export const STICK_PLACES = [
  { xIn: -24, yIn: -22 },
  { xIn: 24, yIn: -22 },
  { xIn: 0, yIn: -8 },
  { xIn: 0, yIn: 40 },
] as const;
