import { z } from 'zod';
import { okSchema } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import { lessonSchema } from '../intake/index.ts';
import { paperSchema } from '../practice/index.ts';
import {
  askLinkSchema,
  captionsSchema,
  checkinSchema,
  conversationSchema,
  draftSchema,
  enclosureSchema,
  filmRequestSchema,
  filmRequestsSchema,
  lessonFileSchema,
  linkSchema,
  newAsideSchema,
  newEnclosureSchema,
  newFilmRequestSchema,
  newLinkSchema,
  newMessagesSchema,
  reviewSchema,
  sendReplySchema,
  sendSummarySchema,
  talkSchema,
  withdrawRequestSchema,
} from './index.ts';

const coach = wire('checkins');
const inUnits = z.object({ units: z.enum(['in', 'cm']).default('in') });

// Private links.
export const listLinks = coach.get('/api/students/:id/links', { answer: z.array(linkSchema) });
export const makeLink = coach.post('/api/students/:id/links', { body: askLinkSchema, answer: newLinkSchema });
export const closeLinks = coach.post('/api/students/:id/links/revoke', { answer: okSchema });

// Check-ins and their answers.
export const listCheckins = coach.get('/api/students/:id/checkins', { answer: z.array(checkinSchema) });
export const readCheckin = coach.get('/api/checkins/:id', { answer: checkinSchema });
export const reviewCheckin = coach.get('/api/checkins/:id/review', { query: inUnits, answer: reviewSchema });
export const sendReply = coach.post('/api/checkins/:id/reply', {
  body: sendReplySchema,
  answer: checkinSchema,
});
export const takeBackReply = coach.post('/api/checkins/:id/reply/undo', { answer: checkinSchema });
export const sendReplyNow = coach.post('/api/checkins/:id/reply/now', { answer: checkinSchema });

// Files attached to a reply.
export const enclose = coach.post('/api/checkins/:id/enclosures', {
  form: newEnclosureSchema,
  answer: enclosureSchema,
});
export const dropEnclosure = coach.post('/api/enclosures/:id/drop', { answer: enclosureSchema });
export const restoreEnclosure = coach.post('/api/enclosures/:id/restore', { answer: enclosureSchema });
export const captionTalk = coach.put('/api/enclosures/:id/captions', {
  body: captionsSchema,
  answer: talkSchema,
});
export const readTalk = coach.get('/api/enclosures/:id/talk', { answer: talkSchema });
export const enclosureFile = coach.get('/api/enclosures/:id/file', { file: 'any' });

// Messages, clips asked for, and what is put off.
export const readConversation = coach.get('/api/students/:id/conversation', { answer: conversationSchema });
export const writeMessages = coach.post('/api/messages', { body: newMessagesSchema, answer: okSchema });
export const takeBackMessage = coach.post('/api/students/:id/messages/:messageId/undo', { answer: okSchema });
export const sendMessageNow = coach.post('/api/students/:id/messages/:messageId/now', { answer: okSchema });
export const listRequests = coach.get('/api/students/:id/film-requests', { answer: filmRequestsSchema });
export const askForClips = coach.post('/api/students/:id/film-requests', {
  body: newFilmRequestSchema,
  answer: filmRequestSchema,
});
export const withdrawRequest = coach.post('/api/students/:id/film-requests/:requestId/withdraw', {
  body: withdrawRequestSchema,
  answer: filmRequestSchema,
});
export const setAside = coach.post('/api/students/:id/asides', { body: newAsideSchema, answer: okSchema });
export const takeUpAgain = coach.post('/api/students/:id/asides/:asideId/undo', { answer: okSchema });

// A lesson's summary.
export const readLessonFile = coach.get('/api/students/:id/lessons/:lessonId', { answer: lessonFileSchema });
export const draftSummary = coach.get('/api/students/:id/lessons/:lessonId/draft', {
  query: inUnits,
  answer: draftSchema,
});
export const printSummary = coach.get('/api/students/:id/lessons/:lessonId/summary.pdf', {
  query: paperSchema,
  file: 'application/pdf',
});
export const sendSummary = coach.post('/api/students/:id/lessons/:lessonId/summary', {
  body: sendSummarySchema,
  answer: lessonSchema,
});

// Unsubscribe: opened from a mail program, so the code in the letter is the only credential.
const reader = wire('checkins', 'anyone');
const byCode = { params: { code: z.string().min(1).max(100) }, perMinute: 30 } as const;
export const stopPage = reader.get('/stop/:code', { ...byCode, file: 'text/html', hidden: true });
export const stopMail = reader.post('/api/stop-mail/:code', { ...byCode, byCode: true, file: 'text/plain' });
