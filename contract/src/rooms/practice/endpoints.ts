import { z } from 'zod';
import { daySchema, okSchema } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import { piecesAt } from '../../wire/pieces.ts';
import { clipFieldsSchema, clipSchema, wholeClipSchema } from '../capture/index.ts';
import {
  askTakeSchema,
  cameraDeskSchema,
  cameraHelloSchema,
  cameraLinkSchema,
  cameraPageSchema,
  decideGateSchema,
  gateStateSchema,
  howMadeSchema,
  lessonNoteSchema,
  lessonNoteSendSchema,
  moveCheckSchema,
  movedSessionSchema,
  newPlanSchema,
  paperSchema,
  planNowSchema,
  planSchema,
  setLogSchema,
  storedSetSchema,
  triedPlanSchema,
  tryPlanSchema,
} from './index.ts';

const coach = wire('practice');

// The plan.
export const tryPlan = coach.post('/api/students/:id/plans/preview', {
  body: tryPlanSchema,
  answer: triedPlanSchema,
});
export const savePlan = coach.post('/api/students/:id/plans', { body: newPlanSchema, answer: planSchema });
export const planNow = coach.get('/api/students/:id/plan', { answer: planNowSchema.nullable() });
export const printWeek = coach.get('/api/students/:id/week.pdf', {
  query: paperSchema,
  file: 'application/pdf',
});
export const checkMove = coach.post('/api/students/:id/plan/move', {
  body: movedSessionSchema,
  answer: moveCheckSchema,
});
export const howMade = coach.get('/api/students/:id/how-made', {
  query: z.object({ on: daySchema }),
  answer: howMadeSchema,
});

// Sets and rungs.
export const listSets = coach.get('/api/students/:id/sets', { answer: z.array(storedSetSchema) });
export const logSet = coach.post('/api/students/:id/sets', { body: setLogSchema, answer: storedSetSchema });
export const listGates = coach.get('/api/students/:id/gates', { answer: z.array(gateStateSchema) });
export const decideGate = coach.post('/api/students/:id/gates', {
  body: decideGateSchema,
  answer: z.array(gateStateSchema),
});
export const takeBackGate = coach.post('/api/students/:id/gates/:gateId/undo', {
  answer: z.array(gateStateSchema),
});

// Notes of a lesson.
export const addNote = coach.post('/api/students/:id/lessons/:lessonId/notes', {
  body: lessonNoteSendSchema,
  answer: lessonNoteSchema,
});
export const takeBackNote = coach.post('/api/students/:id/lesson-notes/:noteId/:deed', {
  params: { deed: z.enum(['undo', 'redo']) },
  answer: okSchema,
});

// Phones that film a lesson, as the coach's desk sees them.
export const openCameras = coach.post('/api/students/:id/lessons/:lessonId/cameras', {
  answer: cameraLinkSchema,
});
export const watchCameras = coach.get('/api/students/:id/lessons/:lessonId/cameras', {
  answer: cameraDeskSchema,
});
export const askTake = coach.post('/api/students/:id/lessons/:lessonId/takes', {
  body: askTakeSchema,
  answer: cameraDeskSchema,
});
export const addDeskTake = coach.post('/api/students/:id/takes/:takeId/whole', {
  body: wholeClipSchema,
  answer: clipSchema,
});

// What a phone in the bay may ask.
const phone = wire('practice', 'camera');
export const cameraHello = phone.post('/api/camera/:token/hello', {
  body: cameraHelloSchema,
  answer: cameraPageSchema,
});
export const addWholeTake = phone.post('/api/camera/:token/takes/:takeId/whole', {
  body: wholeClipSchema,
  answer: okSchema,
});
export const addTake = phone.post('/api/camera/:token/takes/:takeId', {
  form: clipFieldsSchema,
  answer: okSchema,
});
export const { beginPieces, askPieces, addPiece, dropPieces } = piecesAt(phone, '/api/camera/:token');
