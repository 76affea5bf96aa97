import type { Capture } from '@inchstep/core/capture';
import type { Club, School } from '@inchstep/core/intake';
import type { Profile } from '../intake/index.ts';
/** What of a swing the measures read. */
export interface Marked {
  readonly club: Club;
  readonly views: readonly (Omit<Capture['views'][number], 'id' | 'moments'> & {
    readonly stationTimes?: { readonly top?: number | undefined } | undefined;
    readonly startDownS?: number | undefined;
  })[];
  readonly marks: readonly (Capture['marks'][number] & {
    readonly by?: 'network' | undefined;
    readonly net?: object | undefined;
  })[];
}

/** The two moments that tell the pelvis's lead, where both were named. */
const momentsOf = (startDownS: number | undefined, topS: number | undefined) =>
  startDownS === undefined || topS === undefined ? {} : { moments: { startDownS, topS } };

/** The open capture of a swing, as the measures read it: on the bench and on the server alike. */
export const captureFrom = (profile: Profile, school: School, { club, views, marks }: Marked): Capture => ({
  golfer: {
    handedness: profile.handedness,
    heightIn: profile.heightIn,
    outerHipWidthIn: profile.outerHipWidthIn,
    hipJointsApartIn: profile.hipJointsApartIn,
    flexibility: profile.flexibility,
    armSwing: profile.armSwing,
  },
  club,
  school,
  views: views.map(({ kind, widthPx, heightPx, camera, groundMarks, stationTimes, startDownS }) => ({
    id: kind,
    kind,
    widthPx,
    heightPx,
    camera,
    groundMarks,
    ...momentsOf(startDownS, stationTimes?.top),
  })),
  marks: marks.map(({ by: _, net: __, ...mark }) => mark),
});
