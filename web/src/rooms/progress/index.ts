export { OverviewScreen } from './OverviewScreen.tsx';
export { Palette } from './Palette.tsx';
export { ProgressScreen } from './ProgressScreen.tsx';
export { RosterScreen } from './RosterScreen.tsx';
export { StudentFrame } from './StudentFrame.tsx';
export { TodayScreen } from './TodayScreen.tsx';
