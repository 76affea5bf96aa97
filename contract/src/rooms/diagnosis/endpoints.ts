import { z } from 'zod';
import { wire } from '../../wire/endpoint.ts';
import { chooseWorkSchema, diagnosisSchema, newDiagnosisSchema, nowSchema } from './index.ts';

const coach = wire('diagnosis');

export const listDiagnoses = coach.get('/api/students/:id/diagnoses', { answer: z.array(diagnosisSchema) });
export const diagnose = coach.post('/api/students/:id/diagnoses', {
  body: newDiagnosisSchema,
  answer: diagnosisSchema,
});
export const diagnosisNow = coach.get('/api/diagnoses/:id/now', { answer: nowSchema.nullable() });
export const chooseWork = coach.post('/api/diagnoses/:id/choose', {
  body: chooseWorkSchema,
  answer: diagnosisSchema,
});
export const unchooseWork = coach.post('/api/diagnoses/:id/unchoose', { answer: diagnosisSchema });
