export { oneSlot } from './formats/staggered.ts';
export {
  compileFormat,
  type Estimate,
  FORMATS,
  type Format,
  type FormatFault,
  type FormatKind,
  formatEntry,
  formatRange,
  formatSchema,
  formatWords,
  isTallied,
  paceOf,
} from './formats.ts';
export { CHOICES, type ChoiceKey, INPUTS, type InputKey } from './inputs.ts';
export {
  type ClockPiece,
  clockText,
  lengthOf,
  lengthWords,
  rangeOf,
  SEGMENT_KINDS,
  type Segment,
  type SegmentKind,
  type Span,
} from './timeline.ts';
export {
  goTakes,
  type Level,
  type PartWork,
  passTakes,
  roundsIn,
  SIDES,
  SIDES_IDS,
  type Sides,
  type StationWork,
  type Surroundings,
  secondsFor,
  span,
  stepsOf,
} from './work.ts';
