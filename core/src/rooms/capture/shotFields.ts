/** A quantity of a shot as the program keeps it. */
export interface ShotField {
  readonly id: ShotFieldId;
  readonly unit: ShotUnit;
  /** Header words that name it, plainest first; a column must hold all words of one of them. */
  readonly called: readonly string[];
  /** Header words that mean something else after all. */
  readonly not: readonly string[];
  /** Units it may come in, the kept one first. */
  readonly units: readonly ShotUnit[];
  /** Nearly every shot of nearly every golfer lies in here, in the kept unit. */
  readonly usual: readonly [lo: number, hi: number];
  /** Sides change with the hand: + is away from the golfer (a right-hander's right). */
  readonly sided: boolean;
}

export const SHOT_FIELD_IDS = [
  'lowPointIn',
  'strikeIn',
  'startLineDeg',
  'curveDeg',
  'pathDeg',
  'faceDeg',
  'clubSpeedMph',
  'ballSpeedMph',
  'carryYd',
] as const;
export type ShotFieldId = (typeof SHOT_FIELD_IDS)[number];

export const SHOT_UNITS = ['in', 'cm', 'mm', 'deg', 'mph', 'km/h', 'm/s', 'yd', 'm', 'ft'] as const;
export type ShotUnit = (typeof SHOT_UNITS)[number];

/** Times a value in this unit gives inches, degrees, miles an hour or yards. */
export const SHOT_UNIT_FACTOR: Readonly<Record<ShotUnit, number>> = {
  in: 1,
  cm: 1 / 2.54,
  mm: 1 / 25.4,
  deg: 1,
  mph: 1,
  'km/h': 1 / 1.609344,
  'm/s': 1 / 0.44704,
  yd: 1,
  m: 1 / 0.9144,
  ft: 1 / 3,
};

const SPEEDS: readonly ShotUnit[] = ['mph', 'km/h', 'm/s'];
const SMALL: readonly ShotUnit[] = ['in', 'cm', 'mm'];
const DEGREES: readonly ShotUnit[] = ['deg'];

/** Low point: + ahead of the ball, toward the target. Strike: + toward the toe, 0 the middle of the face. */
export const SHOT_FIELDS: readonly ShotField[] = [
  {
    id: 'lowPointIn',
    unit: 'in',
    called: ['low point', 'lowpoint'],
    not: ['height', 'depth'],
    units: SMALL,
    usual: [-8, 8],
    sided: false,
  },
  {
    id: 'strikeIn',
    unit: 'in',
    called: ['strike across', 'impact across', 'toe heel', 'impact x', 'strike', 'impact offset'],
    not: ['height', 'vertical', 'quality'],
    units: SMALL,
    usual: [-2, 2],
    sided: false,
  },
  {
    id: 'startLineDeg',
    unit: 'deg',
    called: [
      'start line',
      'start direction',
      'launch direction',
      'azimuth',
      'horizontal launch',
      'side angle',
    ],
    not: ['vertical'],
    units: DEGREES,
    usual: [-25, 25],
    sided: true,
  },
  {
    id: 'curveDeg',
    unit: 'deg',
    called: ['curve', 'curvature'],
    not: [],
    units: DEGREES,
    usual: [-25, 25],
    sided: true,
  },
  {
    id: 'pathDeg',
    unit: 'deg',
    called: ['club path', 'path'],
    not: ['face'],
    units: DEGREES,
    usual: [-20, 20],
    sided: true,
  },
  {
    id: 'faceDeg',
    unit: 'deg',
    called: ['face angle', 'face to target', 'club face', 'face'],
    not: ['path', 'impact', 'strike'],
    units: DEGREES,
    usual: [-20, 20],
    sided: true,
  },
  {
    id: 'clubSpeedMph',
    unit: 'mph',
    called: ['club speed', 'clubhead speed', 'head speed', 'club head speed'],
    not: ['ball'],
    units: SPEEDS,
    usual: [35, 145],
    sided: false,
  },
  {
    id: 'ballSpeedMph',
    unit: 'mph',
    called: ['ball speed'],
    not: ['club'],
    units: SPEEDS,
    usual: [30, 210],
    sided: false,
  },
  {
    id: 'carryYd',
    unit: 'yd',
    called: ['carry'],
    not: ['side', 'time', 'lateral'],
    units: ['yd', 'm', 'ft'],
    usual: [5, 340],
    sided: false,
  },
];

export const shotField = (id: ShotFieldId): ShotField =>
  SHOT_FIELDS.find((field) => field.id === id) as ShotField;
