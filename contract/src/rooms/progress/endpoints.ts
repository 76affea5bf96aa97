import { z } from 'zod';
import { sinceQuery } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import { queueSchema } from '../checkins/index.ts';
import {
  briefSchema,
  everybodySchema,
  lessonsSchema,
  measureStorySchema,
  progressSchema,
  reportPageSchema,
  reportQuery,
  rosterSchema,
} from './index.ts';

const coach = wire('progress');

export const readProgress = coach.get('/api/students/:id/progress', { answer: progressSchema });
export const readMeasure = coach.get('/api/students/:id/progress/:measure', {
  params: { measure: z.string().max(60) },
  answer: measureStorySchema,
});
export const readBrief = coach.get('/api/students/:id/brief', { answer: briefSchema });
export const readEverybody = coach.get('/api/everybody', { answer: everybodySchema });

// What leaves the program: tables, data and reports.
export const progressCsv = coach.get('/api/students/:id/progress.csv', {
  file: 'text/csv',
  saveAs: 'progress.csv',
});
export const progressJson = coach.get('/api/students/:id/progress.json', {
  answer: z.object({ format: z.literal('inchstep.progress/1'), measures: z.array(measureStorySchema) }),
  saveAs: 'progress.json',
});
export const everybodyCsv = coach.get('/api/everybody.csv', { file: 'text/csv', saveAs: 'everybody.csv' });
export const everybodyJson = coach.get('/api/everybody.json', {
  answer: z.looseObject({
    format: z.literal('inchstep.everybody/1'),
    students: z.array(z.looseObject({ student: z.string() })),
  }),
  saveAs: 'everybody.json',
});
export const readReport = coach.get('/api/students/:id/report', {
  query: reportQuery,
  answer: reportPageSchema,
});
export const printReport = coach.get('/api/students/:id/report.pdf', {
  query: reportQuery,
  file: 'application/pdf',
});

// Lists that are asked for again and again: whoever names the state that was seen gets nothing while it stands.
export const listQueue = coach.get('/api/queue', { query: sinceQuery, answer: queueSchema });
export const listComing = coach.get('/api/lessons', { query: sinceQuery, answer: lessonsSchema });
export const listRoster = coach.get('/api/roster', { query: sinceQuery, answer: rosterSchema });
