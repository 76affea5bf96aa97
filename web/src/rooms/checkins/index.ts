export { ThenAndNow } from './ThenAndNow.tsx';
