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
export { findInLog, indexLog, LOG_COLUMNS, type LogIndex, type LogLine, logLines } from './lines.ts';
export { lastOf, type NextRungOf, nextRungs, toKnowBefore, whoIs } from './next.ts';
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
export { mondayOf, rises, WEEKLY, type Week, weeksOf } from './weeks.ts';
