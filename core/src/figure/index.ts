export {
  ALONG_REACH,
  frameOf,
  SCALE,
  type Shape,
  type Still,
  seenAlong,
  shapesOf,
  shapesOfPose,
  stripOf,
  svgOf,
  type Tone,
  turns,
} from './draw.ts';
export {
  addedPose,
  dragged,
  type HandleId,
  handlesOf,
  pinned,
  withoutPose,
} from './edit.ts';
export { type FigureFinding, factsOfFigure, figureFindings } from './facts.ts';
export { FIGURES } from './figures/index.ts';
export { pictureOf } from './picture.ts';
export { checkFigures, type SheetChecked } from './sheet.ts';
export { drawnOf, figureWords, heightFault, nearestDrawn, type Shown, shownFor } from './shown.ts';
export { stillsOf } from './stills.ts';
export { wrongOf } from './wrong.ts';
