export { holdOf, onThisClock, pauseForPainNow, refuseInPain, reportPain, stopForPain } from './holds.ts';
export { lessonAt } from './lessonRepo.ts';
export { doToLesson, eventsIn, getLesson, keepSummary, setNextLesson } from './lessons.ts';
export { record } from './record.ts';
export { intakeRoutes } from './routes.ts';
export { resolvedSchool } from './schools.ts';
export { endMail, getStudent, refuseWithoutConsent } from './service.ts';
export { intakeSlice } from './sliceRepo.ts';
