import type { Lesson } from '@inchstep/contract/intake';

/** A lesson that is agreed and has not begun. */
export const LESSON: Lesson = {
  id: 'l1',
  day: '2027-03-10',
  time: '09:30',
  minutes: 45,
  mode: 'in_person',
  place: 'Bay 3',
  startedAt: null,
  endedAt: null,
  cancelledAt: null,
  summary: null,
  sentAt: null,
};
