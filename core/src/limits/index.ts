export {
  type Constraints,
  compileConstraints,
  NOBODY,
  type Ruler,
  SHORTEST_HOLD_SECONDS,
  type Subject,
} from './constraints.ts';
export { IMPACT } from './dials.ts';
export { createLaw, type Law, lawIn, type Verdict } from './law.ts';
export { oddLimits, openMoves } from './odd-limits.ts';
export { openForAll } from './open.ts';
export { laneLimits, laneSubject, subjectOf } from './subject.ts';
export { type LadderMay, limitsLeave, personMay, type WhoMay } from './who-may.ts';
