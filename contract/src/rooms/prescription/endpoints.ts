import { HEIGHT_RANGE_IN, REFERENCE_HEIGHT_IN } from '@inchstep/core/intake';
import { z } from 'zod';
import { drillsSchema } from '../../formats/index.ts';
import { wire } from '../../wire/endpoint.ts';
import {
  cardQuery,
  choiceSchema,
  chooseDrillsSchema,
  drillParam,
  feelPageSchema,
  feelSchema,
  figureSchema,
  importedSchema,
  keepDrillSchema,
  layerSchema,
  libraryEntrySchema,
  prescriptionSchema,
  retireSchema,
} from './index.ts';

const coach = wire('prescription');

const ofDrill = { params: { id: z.string().max(60) } } as const;

// The library.
export const listLibrary = coach.get('/api/library', { answer: z.array(libraryEntrySchema) });
export const exportDrills = coach.get('/api/library/export.json', {
  answer: drillsSchema,
  saveAs: 'drills.json',
});
export const importDrills = coach.post('/api/library/import', {
  body: drillsSchema,
  document: true,
  answer: importedSchema,
});
export const libraryFigure = coach.get('/api/library/:id/figure', {
  ...ofDrill,
  query: z.object({
    heightIn: z.coerce
      .number()
      .min(HEIGHT_RANGE_IN.low)
      .max(HEIGHT_RANGE_IN.high)
      .default(REFERENCE_HEIGHT_IN),
  }),
  answer: figureSchema,
});
export const keepDrill = coach.put('/api/library/:id', {
  ...ofDrill,
  body: keepDrillSchema,
  answer: libraryEntrySchema,
});
export const retireDrill = coach.post('/api/library/:id/retired', {
  ...ofDrill,
  body: retireSchema,
  answer: libraryEntrySchema,
});

// What fits a student, and what was chosen.
export const prescribe = coach.get('/api/diagnoses/:id/prescription', { answer: prescriptionSchema });
export const chooseDrills = coach.post('/api/drill-choices', {
  body: chooseDrillsSchema,
  answer: choiceSchema,
});
export const listChoices = coach.get('/api/students/:id/drill-choices', { answer: z.array(choiceSchema) });
export const setLayer = coach.put('/api/students/:id/layers/:drill', {
  params: drillParam,
  body: layerSchema,
  answer: choiceSchema,
});
export const studentFigure = coach.get('/api/students/:id/figures/:drill', {
  params: drillParam,
  answer: figureSchema,
});
export const studentCard = coach.get('/api/students/:id/card.pdf', {
  query: cardQuery,
  file: 'application/pdf',
});

// Feels.
export const listFeels = coach.get('/api/students/:id/feels', { answer: feelPageSchema });
export const noteFeel = coach.post('/api/students/:id/feels', { body: feelSchema, answer: feelPageSchema });
export const forgetFeel = coach.delete('/api/students/:id/feels/:feelId', { answer: feelPageSchema });
