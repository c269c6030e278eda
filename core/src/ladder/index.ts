export { AVOID_IDS, AVOIDS, type Avoid, breaksPromise, TRUNK_PATTERNS } from './avoids.ts';
export { betweenRungs, heightsToSet, TALLEST_POINTS } from './between.ts';
export { checkLadder, LADDER_CHECKS, type LadderFinding, TALLEST_STEP } from './check.ts';
export {
  ANCHORS,
  difficultyOf,
  hardnessOn,
  PART_KEYS,
  type PartKey,
  pointsOfRow,
  REGIONS,
  type Region,
  RUNG_STEP,
  regionPoints,
} from './difficulty.ts';
export {
  applyFix,
  insertRung,
  ladderOfWays,
  nameStep,
  removeRung,
  setHeight,
  shiftRung,
  splitLadder,
} from './edit.ts';
export { familyOf, KINDRED, muscleOverlap, otherFigure, patternOf, rungDemand } from './family.ts';
export type { LibraryFile } from './file.ts';
export { type Ladder, ladderSchema, type Rung, type WrittenLadder } from './ladder.ts';
export {
  type Base,
  type Library,
  LibraryError,
  libraryOf,
  libraryWith,
  openLibrary,
} from './library.ts';
export {
  CHANGE,
  type Change,
  type ChangeState,
  changeId,
  changeSchema,
  changeTo,
  changeWith,
  type FieldChange,
  type OwnLibrary,
  openOwn,
  settleField,
  wordFor,
  writtenMove,
} from './own.ts';
export {
  explainStep,
  harderOf,
  leverShows,
  leverWords,
  risesIn,
  stepHeight,
  stepWords,
  unexplained,
} from './step.ts';
export { ladderFileJsonSchema } from './written.ts';
