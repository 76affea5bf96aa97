import type { DrillId } from '@inchstep/core/prescription';
import { type DrillPage, words } from './drillWords.ts';

/** Through the ball drills, as a student reads them. */
export const THROUGH_DRILLS = {
  crossbar_drive: words(
    'Crossbar drive',
    'Brings the trail side all the way through.',
    [
      'Hold a short iron, a seven to a nine, across the hips: grip end to the target, palms facing back.',
      'The trail hand holds the bar on and resists a little.',
      'Drive it with the trail hip until both hips are level and the end has passed the ball.',
    ],
    'Trail hip drives the bar past the ball.',
    'Hips level and bar end past the ball.',
    'Pushing the bar with the hand.',
    'Driving the hip at the ball.',
  ),
  tuck_and_hold: words(
    'Tuck and hold',
    'Opens the hips up after the ball without standing up early.',
    [
      'Hit, and stop with the hands chest high.',
      'Hips tucked under, side bend kept, eyes still tilted.',
      'Hold two seconds.',
    ],
    'Tuck under and hold.',
    'The stop held for two seconds.',
    'Arching the low back.',
    'Standing up before the ball is away.',
  ),
  pull_the_rod: words(
    'Pull the rod',
    'Teaches legs and hips to lengthen together.',
    [
      'Push a capped rod into soft ground.',
      'Take hold and pull it up and out as the legs extend.',
      'Use it as a warm-up.',
    ],
    'Pull up with the legs.',
    'The pelvis rose as the hands rose.',
    'Pulling with the arms only.',
    'Rising before the hands.',
  ),
  band_the_corner: words(
    'Band round the corner',
    'Gives the trail side something to turn against.',
    [
      'Loop an elastic band across the hips, anchored behind the trail side.',
      'Turn to the finish against it.',
      'Hold the finish.',
    ],
    'Turn the band to the finish.',
    'The finish was held against the band.',
    'Pulling with the arms.',
    'Fighting a band that is too strong.',
  ),
  line_brush: words(
    'Line brush',
    'Tells you where the club really meets the ground.',
    [
      'Mark a line where the ball would be.',
      'Swing and brush the ground the shown distance ahead of it.',
      'Look at the brush before the next one.',
    ],
    'Brush ahead of the line.',
    'The brush began ahead of the line.',
    'Chopping down to get there.',
    'Leaning forward to make it easy.',
  ),
  half_start_hit: words(
    'Half-start hit',
    'Leaves the body no choice but to extend through the ball.',
    [
      'Set the club with the lead arm level. Stop there.',
      'From the stop, hit the ball as far as you can.',
      'No second wind-up.',
    ],
    'From the stop, all the way through.',
    'The ball flew as far as a half swing ever did.',
    'Swaying back first to steal a run-up.',
    'Hitting with the arms alone.',
  ),
  impact_press: words(
    'Impact press',
    'Shows hands and face where the body should be when they meet the ball.',
    [
      'Set a soft bag in front of the lead foot.',
      'Swing gently into it with the body turned.',
      'Stop on the bag: face flat against it, hips open.',
    ],
    'Meet the bag with the body already round.',
    'The face lay flat on the bag and the belt faced past it.',
    'Stopping the body so that the hands can catch up.',
    'Hitting the bag hard.',
  ),
} satisfies Readonly<Partial<Record<DrillId, DrillPage>>>;
