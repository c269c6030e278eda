export {
  type Constraints,
  compileConstraints,
  type Ruler,
  SHORTEST_HOLD_SECONDS,
  type Subject,
} from './constraints.ts';
export { IMPACT } from './dials.ts';
export { createJudge, type Judge, type Verdict } from './law.ts';
export { oddLimits, openMoves } from './odd-limits.ts';
export { laneLimits, laneSubject, subjectOf } from './subject.ts';
