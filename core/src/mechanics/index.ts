export { type Body, bodyFaults, GRAVITY, USUAL_BODY } from './body.ts';
export { loadFindings } from './findings.ts';
export {
  ABOVE_LOW_BACK,
  BELOW_LOW_BACK,
  JOINT_ROWS,
  JOINTS,
  type Joint,
  jointAt,
  lowBackAt,
  turnAbout,
} from './joints.ts';
export { lowBackOf, momentsOf } from './moments.ts';
export { nonNegativeLeastSquares } from './nnls.ts';
export { findingsOf } from './odd.ts';
export {
  type Frame,
  heldAs,
  landing,
  metOfRaising,
  mostOf,
  onHands,
  type Rep,
  repOf,
} from './rep.ts';
export { saidFindings } from './said.ts';
export {
  problemAt,
  solved,
  standingOf,
} from './statics.ts';
