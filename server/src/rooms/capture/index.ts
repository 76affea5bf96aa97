export { captureRoutes, readUpload, sendClip } from './routes.ts';
export {
  addClip,
  captureOf,
  clipFile,
  clipsFor,
  createSwing,
  editSwing,
  getSwing,
  listSwings,
  type Upload,
} from './service.ts';
export { captureSlice } from './sliceRepo.ts';
export { motionOf } from './tracks.ts';
export { takeWhole } from './whole.ts';
