export { type Call, COUNT_DOWN, callsIn } from './calls.ts';
export { clockOf, type Position, positionAt, type RunClock, type Stretch, secondsLeft } from './clock.ts';
export { type Doing, doesNow, type Present, peopleOf, switchTo } from './people.ts';
export {
  type Cast,
  castSchema,
  type Does,
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
