export { DiagnosisScreen } from './DiagnosisScreen.tsx';
export { useDiagnoses } from './queries.ts';
