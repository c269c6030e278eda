export { aimFor, aimWords } from './aim.ts';
export { turnedInto, withClimb } from './climb.ts';
export { FIT_SCHOOLS, type FitSchool, fitTo } from './fit.ts';
export { changeFor, KIND_IDS, KINDS, type KindId } from './kinds.ts';
export {
  AS_WRITTEN,
  aimSchema,
  type Block,
  blockName,
  blockSchema,
  type Dials,
  type Dose,
  dialsSchema,
  doseSchema,
  isCircuit,
  KEEP_FIRST,
  KEEP_FIRST_IDS,
  type KeepFirst,
  levelFor,
  MOST_BLOCKS,
  MOST_NOTES,
  MOST_OF,
  MOST_STATIONS,
  nextStationId,
  PLAN,
  PLAN_EXAMPLE,
  type Plan,
  planSchema,
  REST_STYLES,
  type RestStyle,
  ROLES,
  type Role,
  restStyleSchema,
  roleOf,
  SHOWING,
  type Station,
} from './plan.ts';
export { laneDone, readSegment, type SheetLine, sheetLines } from './read.ts';
export { READY_SESSIONS } from './ready.ts';
export { clockOfBlock, restStyleIn } from './resting.ts';
export {
  isRing,
  LOADED_JOINTS,
  MANY_RUNS,
  type Traits,
  thirdsRunning,
  traitsOf,
} from './running.ts';
export { type RestTiers, restTiers } from './tiers.ts';
export {
  drinksFor,
  type Entry,
  entriesOf,
  estimateOf,
  type Facts,
  factsIn,
  formatFaults,
  type MoveFacts,
  SHOW_SECONDS,
  showSecondsIn,
  showSecondsOf,
  type Timed,
  type Timeline,
  timelineOf,
  UNKNOWN_FACTS,
  worksIn,
} from './timeline.ts';
export { startOf } from './turns.ts';
