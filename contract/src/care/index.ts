export {
  BACKUP_FORMAT,
  backupManifest,
  type FileEntry,
  STUDENT_FORMAT,
  type StudentManifest,
  studentManifest,
} from './manifests.ts';
export {
  type Arrival,
  type ArrivalDrill,
  arrivalSchema,
  askErasureSchema,
  type BackupLine,
  type Care,
  careSchema,
  contactSchema,
  type Erasure,
  type ErasurePreview,
  erasurePreviewSchema,
  passphraseSchema,
  type TakenIn,
  takenInSchema,
  type Verified,
} from './screens.ts';
export { ownDrillsDocument, STUDENT_TABLES, tableDocument } from './studentFile.ts';
