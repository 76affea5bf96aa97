import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';
import { wire } from '../../wire/endpoint.ts';
import { networkSchema, readingSchema } from './index.ts';

const coach = wire('measures');

export const measureSwing = coach.post('/api/swings/:id/measure', { answer: readingSchema });
export const readReading = coach.get('/api/swings/:id/reading', { answer: readingSchema });
export const listReadings = coach.get('/api/students/:id/readings', { answer: z.array(readingSchema) });
/** `on`: the day the clips asked about were filmed on; cameras, light and clothes stay over it. */
export const readNetwork = coach.get('/api/students/:id/network', {
  query: z.object({ on: daySchema.optional() }),
  answer: networkSchema,
});
export const forgetTeaching = coach.post('/api/students/:id/network/forget', {
  body: z.strictObject({ id: idSchema }),
  answer: networkSchema,
});
export const rememberTeaching = coach.post('/api/students/:id/network/forget/:resetId/undo', {
  answer: networkSchema,
});
