export { ReviewScreen } from './ReviewScreen.tsx';
export { StudentPageScreen } from './StudentPageScreen.tsx';
