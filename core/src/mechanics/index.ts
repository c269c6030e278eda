export { type Body, bodyFaults, GRAVITY, USUAL_BODY } from './body.ts';
export { readDrawing } from './drawn.ts';
export { loadFindings } from './findings.ts';
export { helpFindings } from './helps.ts';
export { HIDDEN_LET_STAND, hiddenFindings, hiddenLeasts } from './hidden.ts';
export {
  ABOVE_LOW_BACK,
  BELOW_LOW_BACK,
  JOINT_ROWS,
  jointAt,
  lowBackAt,
  MOMENT_JOINTS,
  type MomentJoint,
  turnAbout,
} from './joints.ts';
export { handLoad, LET_STAND, leastsOf } from './least.ts';
export { limbFigures, otherLimb } from './limbs.ts';
export { lowBackOf, momentsOf } from './moments.ts';
export { nonNegativeLeastSquares } from './nnls.ts';
export { findingsOf } from './odd.ts';
export {
  couldStop,
  type Frame,
  hardestFrame,
  heldAs,
  LOW_BACK_ACTION_N,
  landing,
  metOfRaising,
  momentAt,
  mostOf,
  onHands,
  type Rep,
  repOf,
  shareAt,
} from './rep.ts';
export { saidFindings } from './said.ts';
export { SIBLINGS_LET_STAND, siblingFindings } from './siblings.ts';
export {
  placedOf,
  problemAt,
  solved,
} from './statics.ts';
