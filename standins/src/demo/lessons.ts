import { randomUUID } from 'node:crypto';
import type { Call } from './requests.ts';

/** What of the seeder a lesson needs. */
interface Days {
  readonly call: Call;
  day(ago: number): string;
  at(daysAgo: number, hour: number): string;
}

const BAY = 'Bay 3';

/** The next hour, so many days ahead, at a time of the coach's clock. */
export async function agreeLesson(s: Days, student: string, inDays: number, time: string): Promise<void> {
  const when = { day: s.day(-inDays), time, minutes: 45, place: BAY };
  await s.call('POST', `/api/students/${student}/lessons`, { id: randomUUID(), ...when });
}

/** Clips the student is asked for, so many days ago, to come within so many from today. */
export async function askForClips(
  s: Days,
  student: string,
  ago: number,
  inDays: number,
  why: string,
): Promise<void> {
  s.at(ago, 12);
  const url = `/api/students/${student}/film-requests`;
  const { next } = (await s.call('GET', url)) as { readonly next: object };
  await s.call('POST', url, { id: randomUUID(), ...next, kinds: ['face_on'], dueOn: s.day(-inDays), why });
}

/** An hour that was held, with whatever happens in it. */
export async function inLesson<T>(s: Days, student: string, ago: number, act: () => Promise<T>): Promise<T> {
  const day = s.at(ago, 10);
  const id = randomUUID();
  await s.call('POST', `/api/students/${student}/lessons`, { id, day, place: BAY, begin: true });
  const done = await act();
  s.at(ago, 11);
  await s.call('POST', `/api/students/${student}/lessons/${id}/end`);
  return done;
}
