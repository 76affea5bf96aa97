export { DataScreen } from './DataScreen.tsx';
