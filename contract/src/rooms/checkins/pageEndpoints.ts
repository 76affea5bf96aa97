import { z } from 'zod';
import { idSchema, okSchema } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import { piecesAt } from '../../wire/pieces.ts';
import { clipFieldsSchema, clipSchema, wholeClipSchema } from '../capture/index.ts';
import { paperSchema, setLogSchema, storedSetSchema } from '../practice/index.ts';
import { cardQuery, drillParam, figureSchema } from '../prescription/index.ts';
import {
  checkinSchema,
  checkinSendSchema,
  pageFileSchema,
  pagePlanSchema,
  pageSchema,
  painSendSchema,
  saidSchema,
  talkSchema,
} from './index.ts';

/** What a private link opens. The token stands for one student; no other id is ever taken from outside. */
const link = wire('checkins', 'link');

export const readPage = link.get('/api/page/:token', { answer: pageSchema });
export const readConversation = link.get('/api/page/:token/conversation', { answer: z.array(saidSchema) });
export const logSet = link.post('/api/page/:token/sets', { body: setLogSchema, answer: storedSetSchema });
export const stopForPain = link.post('/api/page/:token/pain', { body: painSendSchema, answer: okSchema });
export const sendCheckin = link.post('/api/page/:token/checkins', {
  body: checkinSendSchema,
  answer: checkinSchema,
});

// Clips of the student's own, at once or in pieces.
export const addClip = link.post('/api/page/:token/clips', { form: clipFieldsSchema, answer: clipSchema });
export const addWholeClip = link.post('/api/page/:token/clips/whole', {
  body: wholeClipSchema,
  answer: clipSchema,
});
export const clipFile = link.get('/api/page/:token/clips/:id/file', { file: 'any' });
export const { beginPieces, askPieces, addPiece, dropPieces } = piecesAt(link, '/api/page/:token');

// What the page shows beside itself: the weeks ahead, the calendar, the card, what came with an answer.
export const readFigure = link.get('/api/page/:token/figures/:drill', {
  params: drillParam,
  answer: figureSchema,
});
export const readFile = link.get('/api/page/:token/file', { answer: pageFileSchema });
export const readPlan = link.get('/api/page/:token/plan', { answer: pagePlanSchema });
export const readTalk = link.get('/api/page/:token/enclosures/:id/talk', { answer: talkSchema });
export const enclosureFile = link.get('/api/page/:token/enclosures/:id/file', { file: 'any' });
export const manifest = link.get('/api/page/:token/app.webmanifest', { file: 'application/manifest+json' });
export const printWeek = link.get('/api/page/:token/week.pdf', {
  query: paperSchema,
  file: 'application/pdf',
});
export const printCard = link.get('/api/page/:token/card.pdf', { query: cardQuery, file: 'application/pdf' });
export const printSummary = link.get('/api/page/:token/lessons/:lessonId/summary.pdf', {
  params: { lessonId: idSchema },
  query: paperSchema,
  file: 'application/pdf',
});
export const calendar = link.get('/api/page/:token/calendar.ics', { file: 'text/calendar' });
