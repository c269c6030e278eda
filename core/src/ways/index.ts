export { type Around, type AroundRequest, aroundBlock, coolDown, usedBy, warmUp } from './around.ts';
export { createFinder, EVERYWHERE, type Finder, type FindRequest, type Found } from './find.ts';
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
  lacksHere,
  lackWords,
  type Thing,
  thingsHere,
  WAYS_TO_LOOK_FOR,
  type Way,
  waysHere,
} from './substitute.ts';
