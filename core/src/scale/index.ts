export { type Around, type AroundRequest, aroundBlock, coolDown, usedBy, warmUp } from './around.ts';
export {
  type Checked,
  check,
  type Finding,
  type Fix,
  type ThirdRunning,
  thirdsRunning,
} from './checks.ts';
export { pathOver, RUN_COST, seatAll, solveWithPieces } from './class-coupling.ts';
export {
  boughtBy,
  boughtWords,
  type ClassChange,
  type ClassRun,
  classChanges,
  gapOf,
  isGranted,
  restForShowing,
  runningIn,
  showingOf,
  taughtBy,
  trimsAt,
  wishesOf,
} from './class-page.ts';
export {
  type ClassEntry,
  type ClassPerson,
  type ClassPlan,
  type ClassRequest,
  type ClassWish,
  planClass,
  type TaughtForm,
} from './class-plan.ts';
export { type StationAnswer, type StationProblem, solveStation } from './class-station.ts';
export {
  type CleanReps,
  type Constraints,
  compileConstraints,
  type Ruler,
  SHORTEST_HOLD_SECONDS,
  type Subject,
} from './constraints.ts';
export { COSTS, type Costs, costsFor, intentKept, LEAST_INTENT } from './costs.ts';
export { IMPACT, type ImpactBounds } from './dials.ts';
export { inBouts, KEEPS, type Keeps, type OwnDose, ownDose } from './dose.ts';
export { createFinder, EVERYWHERE, type Finder, type FindRequest, type Found } from './find.ts';
export { type FloorPlan, floorPlan, type Place } from './floor-plan.ts';
export { type FormTable, rowAt, settingsOf } from './forms.ts';
export { factsInIndex, type Go, goesOf } from './goes.ts';
export {
  LANES,
  type Lane,
  type LaneFault,
  type LanePin,
  type LanesMade,
  type LanesRequest,
  laneName,
  lanePinsOf,
  lanePositions,
  makeLanes,
  subjectAt,
  USEFUL_SHARE,
  walkOutwards,
} from './lanes.ts';
export { buffersOf, compileLibrary, type LibraryIndex, rowOf } from './library-index.ts';
export {
  EPLEY_FAIR,
  epleyMax,
  equalEffortReps,
  type Load,
  loadWords,
  poundsNear,
  startingLoad,
} from './loads.ts';
export {
  type BestOrder,
  bestOrder,
  costOfOrder,
  countOrder,
  EXACT_STATIONS,
  type OrderCosts,
  type OrderCount,
  orderCosts,
} from './order.ts';
export { metAt, paceFor } from './pace.ts';
export { COMPARED, type CompareRow, LOADED, type Profile, profileOf } from './profile.ts';
export {
  countWord,
  doseHere,
  doseWords,
  formName,
  keptWords,
  knownAs,
  lostWords,
  ownWords,
  paceWords,
  type Spoken,
  sayNearMiss,
  sayReason,
  sayStation,
  spokenOf,
  tempoWords,
  writtenDose,
} from './say.ts';
export { createScaler, type Opened, type ScaleRequest, type Scaler } from './scaler.ts';
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
export { laneSubject, subjectOf } from './subject.ts';
export {
  lacksHere,
  lackWords,
  type Thing,
  thingsHere,
  WAYS_TO_LOOK_FOR,
  type Way,
  waysHere,
} from './substitute.ts';
export { type Change, type MoveSum, type Sums, type SumsFor, sumUp, type Totals } from './sums.ts';
export { SIDEWAYS, SIDEWAYS_IDS, type Sideways, type Switches, switchesOf } from './switches.ts';
export { type Reason, replay, type Use, type Version } from './version.ts';
