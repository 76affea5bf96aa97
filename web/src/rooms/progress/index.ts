export { OverviewScreen } from './OverviewScreen.tsx';
export { Palette } from './Palette.tsx';
export { ProgressScreen } from './ProgressScreen.tsx';
export { RosterLine } from './RosterLine.tsx';
export { StudentFrame } from './StudentFrame.tsx';
export { TodayScreen } from './TodayScreen.tsx';
