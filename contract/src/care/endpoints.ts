import { z } from 'zod';
import { meSchema, setupSchema, signInSchema } from '../rooms/intake/index.ts';
import { okSchema } from '../shared.ts';
import { wire } from '../wire/endpoint.ts';
import {
  arrivalSchema,
  askErasureSchema,
  careSchema,
  contactSchema,
  erasableSchema,
  erasurePreviewSchema,
  passphraseSchema,
  takenInSchema,
} from './screens.ts';

const open = wire('care', 'anyone');
const coach = wire('care');

// Ways in.
export const me = open.get('/api/me', { answer: meSchema });
export const signOut = open.post('/api/sign-out', { answer: okSchema });
export const setUp = open.post('/api/setup', { body: setupSchema, answer: okSchema });
export const signIn = open.post('/api/sign-in', { body: signInSchema, answer: okSchema });
export const enterDemo = open.post('/api/demo-enter', { answer: okSchema });

// What is kept where, and who can get in.
export const readCare = coach.get('/api/care', { answer: careSchema });
export const beginBackup = coach.post('/api/care/backup', { answer: okSchema });
export const beginLook = coach.post('/api/care/verify', { answer: okSchema });
export const changePassphrase = coach.post('/api/care/passphrase', {
  body: passphraseSchema,
  answer: okSchema,
});
export const keepContact = coach.post('/api/care/contact', { body: contactSchema, answer: okSchema });
export const endOtherSessions = coach.post('/api/care/sessions/end-others', { answer: okSchema });
export const endSession = coach.post('/api/care/sessions/:id/end', {
  params: { id: z.string().max(60) },
  answer: okSchema,
});
export const closeLink = coach.post('/api/care/links/:id/close', { answer: okSchema });

// A record moved or forgotten.
export const exportStudent = coach.get('/api/students/:id/export.zip', {
  file: 'application/zip',
  saveAs: 'student-:id.zip',
});
/** A student's ZIP, read and shown, not yet kept. */
export const receiveArchive = coach.post('/api/care/import', { form: z.object({}), answer: arrivalSchema });
export const keepArrival = coach.post('/api/care/import/:id/keep', { answer: takenInSchema });
export const dropArrival = coach.post('/api/care/import/:id/drop', { answer: okSchema });
export const previewErasure = coach.get('/api/care/erase/:what/:subjectId', {
  params: { what: erasableSchema },
  answer: erasurePreviewSchema,
});
export const askErasure = coach.post('/api/care/erasures', { body: askErasureSchema, answer: okSchema });
export const takeBackErasure = coach.post('/api/care/erasures/:id/take-back', { answer: okSchema });
