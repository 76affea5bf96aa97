export { type Change, judgeChange, type Session, sessionPoint } from './change.ts';
export { movedToward, outside } from './direction.ts';
