export { captureRoutes, readUpload, sendClip } from './routes.ts';
export {
  addClip,
  captureOf,
  clipFile,
  createSwing,
  getSwing,
  listClips,
  listSwings,
} from './service.ts';
export { motionOf } from './tracks.ts';
