export { type Call, calledAt, callsIn } from './calls.ts';
export { clockOf, positionAt, type RunClock, type Stretch, secondsLeft } from './clock.ts';
export { aimOf, castOf, doesOf, makeRun, type Taking } from './make.ts';
export {
  alike,
  amountOf,
  atLimit,
  type MoveNow,
  movesAt,
  movesWords,
  moveWords,
  stretchWords,
  toBeatIn,
} from './moves.ts';
export {
  beatAt,
  beatsOf,
  countWords,
  forecast,
  isLed,
  lanesDone,
  repsInRound,
  tempoSeconds,
} from './pace.ts';
export { doesNow, doingOf, formsAt, isAbout, type Present, peopleOf, switchTo } from './people.ts';
export { restCalled, restingSaid } from './resting.ts';
export {
  type Cast,
  castSchema,
  type Does,
  entryName,
  factsFor,
  inOrder,
  type MidSetWay,
  type Run,
  type RunEvent,
  runEventSchema,
  runSchema,
  withEvents,
} from './run.ts';
export { easierForms, type ShownEasier } from './second.ts';
export {
  bandState,
  type HeartSource,
  heartBand,
  heartsFrom,
  rateNow,
  readRate,
  STANDS_SECONDS,
  simulatedStraps,
} from './strap.ts';
export { entryFor, groupsAt, groupsIn } from './turns.ts';
export { bandsOf, wearersOf } from './wearers.ts';
export { walkedIn, walkInName, whoInRun } from './who.ts';
