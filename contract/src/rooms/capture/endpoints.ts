import { z } from 'zod';
import { captureSchema } from '../../formats/index.ts';
import { wire } from '../../wire/endpoint.ts';
import { piecesAt } from '../../wire/pieces.ts';
import {
  clipFieldsSchema,
  clipSchema,
  editShotSetSchema,
  editSwingSchema,
  newPressureSchema,
  newShotSetSchema,
  newSwingSchema,
  pressureSchema,
  rememberedMatchSchema,
  shotSetLineSchema,
  shotSetSchema,
  swingSchema,
  swingToLookSchema,
  trackFieldsSchema,
  wholeClipSchema,
} from './index.ts';

const coach = wire('capture');

// Clips. The pieces of one that comes in pieces belong to the door that they come through.
export const listClips = coach.get('/api/students/:id/clips', { answer: z.array(clipSchema) });
export const addClip = coach.post('/api/students/:id/clips', { form: clipFieldsSchema, answer: clipSchema });
export const addWholeClip = coach.post('/api/students/:id/clips/whole', {
  body: wholeClipSchema,
  answer: clipSchema,
});
export const clipFile = coach.get('/api/clips/:id/file', { file: 'any' });
export const { beginPieces, askPieces, addPiece, dropPieces } = piecesAt(coach, '/api/students/:id');

// Swings.
export const listSwings = coach.get('/api/students/:id/swings', { answer: z.array(swingSchema) });
export const addSwing = coach.post('/api/students/:id/swings', {
  body: newSwingSchema,
  document: true,
  answer: swingSchema,
});
export const listToLook = coach.get('/api/swings-to-look', { answer: z.array(swingToLookSchema) });
export const readSwing = coach.get('/api/swings/:id', { answer: swingSchema });
export const editSwing = coach.put('/api/swings/:id', {
  body: editSwingSchema,
  document: true,
  answer: swingSchema,
});
export const discardSwing = coach.post('/api/swings/:id/discard', { answer: swingSchema });
export const restoreSwing = coach.post('/api/swings/:id/restore', { answer: swingSchema });
export const swingDocument = coach.get('/api/swings/:id/capture', { answer: captureSchema });

// What other devices saw: motion, shots and pressure, in and out.
export const addTrack = coach.post('/api/students/:id/tracks', {
  form: trackFieldsSchema,
  answer: swingSchema,
});
export const trackCsv = coach.get('/api/swings/:id/track.csv', { file: 'text/csv', saveAs: 'motion.csv' });
export const listMatches = coach.get('/api/shot-matches', { answer: z.array(rememberedMatchSchema) });
export const listShots = coach.get('/api/students/:id/shots', { answer: z.array(shotSetLineSchema) });
export const readShots = coach.get('/api/shots/:id', { answer: shotSetSchema });
export const addShots = coach.post('/api/students/:id/shots', {
  body: newShotSetSchema,
  document: true,
  answer: shotSetSchema,
});
export const tieShots = coach.put('/api/shots/:id', { body: editShotSetSchema, answer: shotSetSchema });
export const discardShots = coach.post('/api/shots/:id/discard', { answer: shotSetSchema });
export const restoreShots = coach.post('/api/shots/:id/restore', { answer: shotSetSchema });
export const shotsCsv = coach.get('/api/shots/:id/shots.csv', { file: 'text/csv', saveAs: 'shots.csv' });
export const readPressure = coach.get('/api/swings/:id/pressure', { answer: pressureSchema.nullable() });
export const putPressure = coach.put('/api/swings/:id/pressure', {
  body: newPressureSchema,
  document: true,
  answer: pressureSchema.nullable(),
});
export const removePressure = coach.delete('/api/swings/:id/pressure', { answer: pressureSchema.nullable() });
export const pressureCsv = coach.get('/api/swings/:id/pressure.csv', {
  file: 'text/csv',
  saveAs: 'pressure.csv',
});
