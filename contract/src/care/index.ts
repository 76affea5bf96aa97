export {
  BACKUP_FORMAT,
  type BackupManifest,
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
  subjectSchema,
  type TakenIn,
  takenInSchema,
  type Verified,
  verifiedSchema,
} from './screens.ts';
export { ownDrillsDocument, STUDENT_TABLES, tableDocument } from './studentFile.ts';
export type { StudentTable } from './studentTable.ts';
