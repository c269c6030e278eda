export { pathOver, RUN_COST, seatAll, solveWithPieces } from './coupling.ts';
export { type FloorPlan, floorPlan } from './floor-plan.ts';
export type { ClassPerson, ClassRequest, ClassWish } from './ground.ts';
export {
  LANES,
  type LaneFault,
  type LanesMade,
  laneName,
  lanePinsOf,
  lanePositions,
  makeLanes,
  subjectAt,
  USEFUL_SHARE,
  walkOutwards,
} from './lanes.ts';
export {
  boughtBy,
  boughtWords,
  type ClassRun,
  classChanges,
  gapOf,
  givenTo,
  isGranted,
  planMark,
  restForShowing,
  runningIn,
  showingOf,
  taughtBy,
  trimsAt,
  wishesOf,
} from './page.ts';
export { type ClassPlan, planClass } from './plan.ts';
export {
  fixesOf,
  type Given,
  givenWords,
  HOW,
  type How,
  type NeedsOf,
  needsIn,
  needsInIndex,
  putOut,
  rotating,
  type Seat,
  type Shared,
  type Sharing,
  type SharingFix,
  share,
  together,
  turnsShort,
  type Want,
  wantsOf,
} from './sharing.ts';
export { type StationProblem, solveStation } from './station.ts';
