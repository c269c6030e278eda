export { type Call, COUNT_DOWN, callsIn } from './calls.ts';
export { clockOf, type Position, positionAt, type RunClock, type Stretch, secondsLeft } from './clock.ts';
export {
  type Beat,
  beatAt,
  beatsOf,
  countWords,
  forecast,
  isLed,
  repsInRound,
  tempoSeconds,
} from './pace.ts';
export {
  type Count,
  type Doing,
  doesNow,
  doingOf,
  type FormDone,
  formsAt,
  type Present,
  peopleOf,
  switchTo,
} from './people.ts';
export {
  type Cast,
  castSchema,
  type Does,
  entryName,
  factsFor,
  factsOfRun,
  inOrder,
  type Run,
  type RunEvent,
  runEventSchema,
  runSchema,
  SIGNS,
  WAYS,
  type Way,
} from './run.ts';
export {
  bandState,
  type HeartBand,
  type HeartSource,
  heartBand,
  heartsFrom,
  rateNow,
  readRate,
  STANDS_SECONDS,
  simulatedStraps,
  type Wearer,
} from './strap.ts';
export { entryFor, groupsAt, groupsIn } from './turns.ts';
export { bandsOf, wearersOf } from './wearers.ts';
export { whoInRun } from './who.ts';
