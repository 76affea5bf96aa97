export { Queue } from './Queue.tsx';
export { ReviewScreen } from './ReviewScreen.tsx';
export { StudentPageScreen } from './StudentPageScreen.tsx';
