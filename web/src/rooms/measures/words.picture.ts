/** What the check of a picture says. */
export const PICTURE_WORDS = {
  check: 'Check the picture',
  looking: 'Looking …',
  failed: 'The picture can’t be looked at on this device. Check by eye: whole body, belt height, square.',
  good: 'Whole, upright and large enough.',
  cantTell: {
    height:
      'Belt height: see to it by eye; the first swing that is read tells whether it is, and whether it stands square.',
  } as Readonly<Record<string, string>>,
  steps: {
    step_in: 'Nobody is seen. Take the stance you will swing from.',
    turn_upright: 'The picture lies on its side. Turn the phone upright.',
    show_feet: 'The feet must be in it. Tilt the phone down a little, or go back.',
    show_head: 'The hands need room over the head. Tilt the phone up a little, or go back.',
    show_side: 'Too near the side. Bring the body to the middle.',
    nearer: 'The body is small. Bring the phone nearer.',
    farther: 'The body is too large for a whole swing. Take the phone further away.',
  },
  raise: (by: string) => `Raise the phone about ${by}, to the belt.`,
  lower: (by: string) => `Lower the phone about ${by}, to the belt.`,
  straighten: (side: 'left' | 'right') => `The phone leans. Lift its ${side} side until it is straight.`,
} as const;

/** What the camera of a take that was read says. */
export const CAMERA_STEP_WORDS = {
  before: (view: string) => `Before the next take, ${view}: `,
} as const;

/** What the second camera of a device says. */
export const SECOND_CAMERA_WORDS = {
  title: (view: string) => `Second camera, ${view}`,
  none: 'none',
  camera: (number: number) => `Camera ${number}`,
  failed: 'This camera doesn’t answer. Close whatever uses it, or choose another.',
  sees: 'What the second camera sees',
} as const;
