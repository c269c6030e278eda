export { distance, HEIGHT, LENGTHS, MASSES, type Point } from './body.ts';
export {
  frameOf,
  SCALE,
  type Shape,
  type Still,
  shapesOf,
  shapesOfPose,
  stripOf,
  svgOf,
  type Tone,
} from './draw.ts';
export { drawingSchema, MOST_POSES } from './drawing.ts';
export {
  addedPose,
  dragged,
  type HandleId,
  handlesOf,
  pinned,
} from './edit.ts';
export { type FigureFacts, type FigureFinding, factsOfFigure, figureFindings } from './facts.ts';
export {
  armRaised,
  bendOf,
  type Figure,
  faultsOf,
  hipBend,
  otherSide,
  type Prop,
  poseAt,
  type Touch,
  touchesOf,
} from './figure.ts';
export { FIGURES } from './figures/index.ts';
export {
  centreOf,
  type KeyPose,
  type Limb,
  mirrored,
  poseBetween,
  reach,
  type Solved,
  solve,
  type View,
} from './pose.ts';
export { checkFigures, type SheetChecked } from './sheet.ts';
export { drawnOf, figureWords, heightFault, nearestDrawn, type Shown, shownFor } from './shown.ts';
export { stillsOf } from './stills.ts';
export { type Wrong, wrongOf } from './wrong.ts';
