export {
  type CleanReps,
  type Constraints,
  compileConstraints,
  type Ruler,
  SHORTEST_HOLD_SECONDS,
  type Subject,
} from './constraints.ts';
export { IMPACT, type ImpactBounds } from './dials.ts';
export { createJudge, type Judge, type Verdict } from './law.ts';
export { type OddLimit, oddLimits, openMoves } from './odd-limits.ts';
export { laneLimits, laneSubject, subjectOf } from './subject.ts';
