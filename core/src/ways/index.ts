export { aroundBlock, coolDown, usedBy, warmUp } from './around.ts';
export { createFinder, type Finder, type Found } from './find.ts';
export { epleyMax, equalEffortReps, loadWords, poundsNear, startingLoad } from './loads.ts';
export { restingFor, restingSays } from './resting.ts';
export { lacksHere, lackWords, thingsHere, WAYS_TO_LOOK_FOR, type Way, waysHere } from './substitute.ts';
