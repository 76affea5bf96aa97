export { type BallBeside, ballBeside } from './ballBeside.ts';
export { briefOf } from './brief.ts';

export { gateTimes, whatWorks } from './everybody.ts';
export { faultStory } from './faultStory.ts';
export { feltPer } from './feltPer.ts';
export { forecastsToKeep, judgedForecasts } from './forecasts.ts';
export { type LessonMoment, minutesSince, momentsOf } from './lessonFile.ts';
export { type LessonSummary, lessonSummary } from './lessonSummary.ts';
export { type MeasureStory, measureStory } from './measureStory.ts';
export { ownedOf } from './owned.ts';
export { type Progress, progressOf } from './progressView.ts';
export { replyFacts } from './replyFacts.ts';
export { REPORT_FOR, type Report, type ReportFor, type ReportMeasure, reportOf } from './report.ts';
export { beliefAt } from './season/belief.ts';
export { type Evidence, evidenceOf } from './season/evidence.ts';
export { forecastOf } from './season/forecast.ts';
export {
  cellEvidence,
  judgeSeason,
  lookAt,
  type Said,
  scaleOf,
  scoresOf,
  verdictOf,
} from './season/judgeSeason.ts';
export { lastChange } from './season/lastChange.ts';
export { edgesOf } from './season/levelBelief.ts';

export { cellOf, type Occasion } from './season/occasion.ts';

export { seasonAnswer } from './season/seasonAnswer.ts';
export { coachSpreads, spreadLogs } from './season/spreads.ts';
export { besideOthers, saidByDay } from './season/together.ts';
export {
  FORECAST_KINDS,
  type ForecastScore,
  type JudgedForecast,
  scoreOfForecasts,
  type ToldForecast,
} from './season/toldForecast.ts';

export { judgePoint, type SessionPoint, sessionPoints } from './sessionPoints.ts';
export { STANDINGS, standingAt } from './standing.ts';
export type { StudentRecord } from './studentRecord.ts';
export { type Summary, summaryOf } from './summary.ts';
