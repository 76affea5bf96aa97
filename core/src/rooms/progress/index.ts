export { type BallBeside, ballBeside, type DayOfShots } from './ballBeside.ts';
export { type Brief, briefOf } from './brief.ts';
export { type Climb, climbsOf, coursesOf, type DrillCourse } from './courses.ts';
export { movedToward, outside } from './direction.ts';
export { type DrillWorks, type GateTime, gateTimes, whatWorks } from './everybody.ts';
export { type FaultStoryLine, faultStory } from './faultStory.ts';
export { type FeltPer, feltPer } from './feltPer.ts';
export { forecastsToKeep, judgedForecasts } from './forecasts.ts';
export { type LessonEvent, type LessonMoment, minutesSince, momentsOf } from './lessonFile.ts';
export { type LessonCount, type LessonSummary, lessonSummary } from './lessonSummary.ts';
export { type MeasureStory, measureStory } from './measureStory.ts';
export { type Owned, type OwnedOccasion, ownedOf } from './owned.ts';
export { type Progress, progressOf } from './progressView.ts';
export { replyFacts } from './replyFacts.ts';
export { REPORT_FOR, type Report, type ReportFor, type ReportMeasure, reportOf } from './report.ts';
export { beliefAt } from './season/belief.ts';
export { type Evidence, evidenceOf } from './season/evidence.ts';
export { type Forecast, forecastOf } from './season/forecast.ts';
export {
  type ChangeVerdict,
  cellEvidence,
  judgeSeason,
  type Look,
  lookAt,
  type Said,
  scaleOf,
  scoresOf,
  verdictOf,
} from './season/judgeSeason.ts';
export { type LastChange, lastChange } from './season/lastChange.ts';
export { edgesOf } from './season/levelBelief.ts';
export type { LevelPoint } from './season/levelLine.ts';
export { cellOf, inOrder, type Occasion } from './season/occasion.ts';
export type { Kept } from './season/retention.ts';
export { type SeasonAnswer, seasonAnswer } from './season/seasonAnswer.ts';
export { coachSpreads, spreadLogs } from './season/spreads.ts';
export { besideOthers, saidByDay } from './season/together.ts';
export {
  FORECAST_KINDS,
  type ForecastKind,
  type ForecastScore,
  type JudgedForecast,
  judgeTold,
  scoreOfForecasts,
  type ToldForecast,
} from './season/toldForecast.ts';
export type { CellName, Transfer, TransferCell } from './season/transfer.ts';
export type { Series } from './series.ts';
export { judgePoint, type Session, type SessionPoint, sessionPoints } from './sessionPoints.ts';
export { STANDINGS, type Standing, type StandingWord, standingAt, standingOf } from './standing.ts';
export type { StudentRecord } from './studentRecord.ts';
export { isWaiting, type Summary, summaryOf } from './summary.ts';
