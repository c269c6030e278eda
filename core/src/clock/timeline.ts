/** What a stretch of a session is for. */
export type SegmentKind = 'ready' | 'work' | 'rest' | 'round rest';

/** One stretch of the clock, in whole seconds from the start. Everything that tells time reads these. */
export interface Segment {
  readonly startSeconds: number;
  readonly lengthSeconds: number;
  readonly kind: SegmentKind;
  /** Index of the slot it belongs to (work) or that it leads to (rest); −1 for round rest. */
  readonly slot: number;
  /** Index of the station; two slots of one station are its two sides. */
  readonly station: number;
  /** Counted from 0. */
  readonly round: number;
  readonly side: 'left' | 'right' | null;
}

export interface Slot {
  readonly station: number;
  readonly side: 'left' | 'right' | null;
}
