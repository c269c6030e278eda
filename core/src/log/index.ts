export { bestsOf, furtherOf, toBeatOf } from './bests.ts';
export { corrected } from './correct.ts';
export {
  type Decision,
  decide,
  type Evidence,
  evidenceOf,
  PROGRESS,
  preview,
  SCHOOL_IDS,
  type SchoolId,
  twoForTwo,
} from './decide.ts';
export {
  findInLog,
  HAPPENED,
  HAPPENED_IDS,
  type HappenedId,
  indexLog,
  LOG_COLUMNS,
  type LogLine,
  logLines,
  monthOf,
  recordsWith,
} from './lines.ts';
export { lastOf, type NextRungOf, nextRungs, outcomesNext, toKnowBefore, toTell, whoIs } from './next.ts';
export { GROWS, nextPlan, planAfter, type SessionStep } from './next-session.ts';
export { attendanceOf, type Climb, climbsOf, loadAhead, weeksInWords } from './over-time.ts';
export { type LogRead, logFile, type RecordFate, readLogFile, readLogTable } from './read-log.ts';
export {
  aimMet,
  aimsIn,
  isEnough,
  loadOf,
  outcomeWords,
  type Piece,
  RANGES,
  type Result,
  recordFrom,
  recordIdOf,
  recordSchema,
  SESSION_RECORD,
  type SessionRecord,
  turnoutWords,
} from './record.ts';
export { readResults } from './results.ts';
export { type Spare, sparesAfter } from './spares.ts';
export { longUnheardBefore, unheardSince } from './unheard.ts';
export { mondayOf, rises, WEEKLY, type Week, weeksOf } from './weeks.ts';
