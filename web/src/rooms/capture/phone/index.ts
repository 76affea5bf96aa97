/** What a student's phone films with: a front door of its own, so that it fetches nothing of the bench. */
export { FromWhere } from '../FromWhere.tsx';
export { recordTake, type Take } from '../recordTake.ts';
export { useCamera } from '../useCamera.ts';
export { allowMotion, usePictureCheck } from '../usePictureCheck.ts';
