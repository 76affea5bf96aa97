import { type BandContext, resolveSchool } from '@inchstep/core/intake';

/** Whose bands are meant where nothing else is said: 70 in, usual build and arms, mid iron, the house's school. */
export const USUAL_CONTEXT = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool({}),
} as const satisfies BandContext;
