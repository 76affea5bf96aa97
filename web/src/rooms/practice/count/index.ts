// The coach's door of the counter; the student's page takes what it needs from the room's own.
export { CoachCount } from './CoachCount.tsx';
export { CoachSender } from './coachSets.tsx';
