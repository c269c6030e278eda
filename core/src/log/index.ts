export { type Best, bestsOf, type Further, furtherOf } from './bests.ts';
export { corrected } from './correct.ts';
export {
  AWAY,
  type Bars,
  type Decision,
  decide,
  type Evidence,
  evidenceOf,
  formOfRung,
  PROGRESS,
  type Progresses,
  preview,
  SCHOOL_IDS,
  type School,
  type SchoolId,
  twoForTwo,
} from './decide.ts';
export {
  findInLog,
  indexLog,
  LOG_COLUMNS,
  type LogIndex,
  type LogLine,
  logLines,
  recordsWith,
} from './lines.ts';
export {
  type Around,
  lastOf,
  type NextRungOf,
  nextRungs,
  outcomesNext,
  toKnowBefore,
  toTell,
  whoIs,
} from './next.ts';
export { GROWS, type NextPlan, nextPlan, planAfter, type SessionStep } from './next-session.ts';
export { attendanceOf, type Climb, climbsOf, loadAhead, weeksInWords } from './over-time.ts';
export {
  type LineFate,
  type LogRead,
  logFile,
  type RecordFate,
  readLogFile,
  readLogTable,
} from './read-log.ts';
export {
  loadOf,
  overAt,
  type Piece,
  RANGES,
  type Result,
  recordFrom,
  recordSchema,
  resultSchema,
  SESSION_RECORD,
  type SessionRecord,
} from './record.ts';
export { type Results, readResults, resultsSchema } from './results.ts';
export { mondayOf, rises, WEEKLY, type Week, weeksOf } from './weeks.ts';
