import type { Capture } from '../capture/index.ts';
import { type BodyFit, fitBody } from './bodyFit.ts';
import { isProposal } from './fitLayout.ts';
import { badness } from './swappedSides.ts';

/** Beyond this cost a mark two views of proposals are looked at one by one: as they err on the stand-ins it is about a third. */
const LOOK_AT_COST = 0.5;
/** So much dearer together than each for itself (half chi-square): they can't both be of this body. */
const CONTRADICTED = 70;

/**
 * A network now and then gives each leg a bit of the other for a whole clip, most of all from behind, and no picture alone tells that. Where
 * what it proposed in two views can't be one body, what it proposed from behind is left out; what a hand has checked stays.
 */
export function withoutContradiction(capture: Capture, fit: BodyFit): Capture {
  const proposed = capture.marks.filter(isProposal);
  const behind = capture.views.find(({ kind }) => kind === 'down_the_line');
  const front = capture.views.find(({ kind }) => kind === 'face_on');
  if (!behind || !front || badness(fit) < LOOK_AT_COST * proposed.length) return capture;
  const of = (view: string) => capture.marks.filter((mark) => mark.view === view);
  if (![behind, front].every(({ id }) => of(id).some(isProposal))) return capture;
  const alone = [behind, front].reduce((sum, view) => {
    const one = fitBody({ ...capture, views: [view], marks: of(view.id) });
    return sum + one.cost;
  }, 0);
  if (badness(fit) - alone < CONTRADICTED) return capture;
  return {
    ...capture,
    marks: capture.marks.filter((mark) => mark.view !== behind.id || !isProposal(mark)),
  };
}
