export { useChooseWork, useDiagnose, useDiagnoses, useUnchooseWork } from './queries.ts';
