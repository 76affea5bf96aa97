import { z } from 'zod';
import { idSchema } from '../shared.ts';

const stamp = z.iso.datetime({ offset: true });

export const STUDENT_FORMAT = 'inchstep.student/1';
export const BACKUP_FORMAT = 'inchstep.backup/1';

const fileEntry = z.strictObject({
  name: z.string().max(200),
  bytes: z.int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
export type FileEntry = z.infer<typeof fileEntry>;

export const studentManifest = z.strictObject({
  format: z.literal(STUDENT_FORMAT),
  madeAt: stamp,
  studentId: idSchema,
  files: z.array(fileEntry).max(100_000),
});
export type StudentManifest = z.infer<typeof studentManifest>;

export const backupManifest = z.strictObject({
  format: z.literal(BACKUP_FORMAT),
  madeAt: stamp,
  files: z.array(fileEntry).max(1_000_000),
});
