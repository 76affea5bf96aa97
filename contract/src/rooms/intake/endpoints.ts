import { z } from 'zod';
import { okSchema } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import {
  editBandSchema,
  editStudentSchema,
  eventSchema,
  holdSchema,
  LESSON_DEEDS,
  lessonListSchema,
  lessonSchema,
  liftHoldSchema,
  moveLessonSchema,
  newLessonSchema,
  newStudentSchema,
  presetSchema,
  schoolPageSchema,
  stopHoldSchema,
  studentSchema,
} from './index.ts';

const coach = wire('intake');

export const listStudents = coach.get('/api/students', { answer: z.array(studentSchema) });
export const addStudent = coach.post('/api/students', { body: newStudentSchema, answer: studentSchema });
export const readStudent = coach.get('/api/students/:id', { answer: studentSchema });
export const editStudent = coach.put('/api/students/:id', { body: editStudentSchema, answer: studentSchema });
export const archiveStudent = coach.post('/api/students/:id/archive', { answer: studentSchema });
export const restoreStudent = coach.post('/api/students/:id/restore', { answer: studentSchema });
export const readThread = coach.get('/api/students/:id/thread', { answer: z.array(eventSchema) });

const band = { params: { preset: presetSchema, measure: z.string().max(60) } } as const;
export const listSchools = coach.get('/api/schools', { answer: z.array(schoolPageSchema) });
export const editBand = coach.put('/api/schools/:preset/bands/:measure', {
  ...band,
  body: editBandSchema,
  answer: schoolPageSchema,
});
export const resetBand = coach.post('/api/schools/:preset/bands/:measure/reset', {
  ...band,
  answer: schoolPageSchema,
});

export const readHold = coach.get('/api/students/:id/hold', { answer: holdSchema.nullable() });
export const stopForPain = coach.post('/api/students/:id/hold', {
  body: stopHoldSchema,
  answer: holdSchema.nullable(),
});
export const liftHold = coach.post('/api/students/:id/hold/lift', { body: liftHoldSchema, answer: okSchema });

export const listLessons = coach.get('/api/students/:id/lessons', { answer: lessonListSchema });
export const agreeLesson = coach.post('/api/students/:id/lessons', {
  body: newLessonSchema,
  answer: lessonSchema,
});
export const moveLesson = coach.put('/api/students/:id/lessons/:lessonId', {
  body: moveLessonSchema,
  answer: lessonSchema,
});
export const doToLesson = coach.post('/api/students/:id/lessons/:lessonId/:deed', {
  params: { deed: z.enum(LESSON_DEEDS) },
  answer: lessonSchema,
});
