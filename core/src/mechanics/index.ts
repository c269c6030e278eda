export { type Body, bodyFaults, GRAVITY, scaleOf, USUAL_BODY } from './body.ts';
export { type Contact, contactsOf } from './contacts.ts';
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
export {
  massesOf,
  NOTHING_HELD,
  problemAt,
  solved,
  standingOf,
} from './statics.ts';
