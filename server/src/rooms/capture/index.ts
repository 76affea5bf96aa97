export { shotDaysOf } from './deviceRepo.ts';
export type { EnclosureFacts } from './inspectEnclosure.ts';
export { roomForStudent } from './quota.ts';
export { captureRoutes, readUpload, sendClip, sendKept } from './routes.ts';
export {
  addClip,
  captureOf,
  clipFile,
  clipsFor,
  createSwing,
  editSwing,
  getSwing,
  isOnBench,
  listSwings,
  type Upload,
} from './service.ts';
export { captureSlice } from './sliceRepo.ts';
export { type FileTaken, takeFile } from './takeFile.ts';
export { motionOf } from './tracks.ts';
export { takeWhole } from './whole.ts';
