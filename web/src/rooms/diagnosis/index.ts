export { useDiagnoses } from './queries.ts';
