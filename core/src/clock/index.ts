export { clockText, compileFormat, FORMATS, type Format, formatSchema, lengthOf } from './formats.ts';
export type { Segment, SegmentKind, Slot } from './timeline.ts';
