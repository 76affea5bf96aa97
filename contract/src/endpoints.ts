// Everything that the program can be asked, by room: `wire.practice.savePlan`.
export * as care from './care/endpoints.ts';
export * as capture from './rooms/capture/endpoints.ts';
export * as checkins from './rooms/checkins/endpoints.ts';
export * as page from './rooms/checkins/pageEndpoints.ts';
export * as diagnosis from './rooms/diagnosis/endpoints.ts';
export * as intake from './rooms/intake/endpoints.ts';
export * as measures from './rooms/measures/endpoints.ts';
export * as practice from './rooms/practice/endpoints.ts';
export * as prescription from './rooms/prescription/endpoints.ts';
export * as progress from './rooms/progress/endpoints.ts';
