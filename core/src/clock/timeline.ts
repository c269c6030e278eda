/** What a stretch of a session is for. */
export const SEGMENT_KINDS = {
  show: 'showing',
  ready: 'get ready',
  work: 'work',
  change: 'change over',
  rest: 'rest',
  'round rest': 'rest between rounds',
  'block rest': 'rest between blocks',
  drink: 'drink',
  hold: 'hold after a step',
} as const;
export type SegmentKind = keyof typeof SEGMENT_KINDS;

/** Shortest, likeliest and longest, in seconds. */
export interface Span {
  readonly lo: number;
  readonly mid: number;
  readonly hi: number;
}

/** Part of a stretch of work: what is done, for how long, how often. */
export interface Doing {
  /** Place in the session's list of entries. */
  readonly entry: number;
  /** In all its goes together. */
  readonly seconds: number;
  /** How many goes it is: one, but where rounds are run through without a clock. */
  readonly goes: number;
  /** Reps in all (both sides together) where they are counted; null where the time is. */
  readonly reps: number | null;
  /** The most reps it can come to: more than `reps` where rounds are only estimated. */
  readonly most: number | null;
}

/** One stretch of the clock, in whole seconds from the start. Everything that tells time reads these. */
export interface Segment {
  readonly startSeconds: number;
  readonly lengthSeconds: number;
  readonly kind: SegmentKind;
  readonly block: number;
  /** Index of the slot in its block it belongs to (work) or leads to (rest); −1 for neither. */
  readonly slot: number;
  /** Index of the station among all of the session, −1 where there is none or where all take turns. */
  readonly station: number;
  /** Counted from 0. */
  readonly round: number;
  readonly side: 'left' | 'right' | null;
  /** What is done in it, one thing after another; empty but for work. */
  readonly does: readonly Doing[];
  /** Where nobody's clock fixes the length: what it may come to. */
  readonly open: { readonly lo: number; readonly hi: number } | null;
  /** Staggered finish: seconds of it that each lane works, innermost first. */
  readonly laneEnds?: readonly number[];
  /** Which step, set or minute it is, in words. */
  readonly note?: string;
}

/** A segment before it has its place. */
export type ClockPiece = Omit<Segment, 'startSeconds' | 'block'>;

/** Lays pieces end to end. Lengths are whole seconds; nothing of no length is kept. */
export class Track {
  readonly pieces: ClockPiece[] = [];

  push(kind: SegmentKind, seconds: number, more: Partial<ClockPiece> = {}): void {
    const lengthSeconds = Math.round(seconds);
    if (lengthSeconds <= 0) return;
    this.pieces.push({
      slot: -1,
      station: -1,
      round: 0,
      side: null,
      does: [],
      open: null,
      ...more,
      kind,
      lengthSeconds,
    });
  }
}

/** Length of a timeline in seconds. */
export function lengthOf(segments: readonly Pick<Segment, 'startSeconds' | 'lengthSeconds'>[]): number {
  const last = segments.at(-1);
  return last ? last.startSeconds + last.lengthSeconds : 0;
}

/** What the length may come to: open segments at their shortest and longest. */
export function rangeOf(segments: readonly Pick<Segment, 'lengthSeconds' | 'open'>[]): {
  lo: number;
  hi: number;
} {
  let lo = 0;
  let hi = 0;
  for (const { lengthSeconds, open } of segments) {
    lo += open?.lo ?? lengthSeconds;
    hi += open?.hi ?? lengthSeconds;
  }
  return { lo: Math.round(lo), hi: Math.round(hi) };
}

/** 605 seconds as "10:05", and from an hour on as "1:00:05". */
export function clockText(seconds: number): string {
  const s = Math.round(seconds);
  const two = (n: number) => String(n).padStart(2, '0');
  const minutes = Math.floor(s / 60);
  return minutes >= 60
    ? `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(s % 60)}`
    : `${minutes}:${two(s % 60)}`;
}

/** A length as it is said: "about 24 min" for a clock that is fixed, "22–27 min" for one that isn't. */
export function lengthWords(range: { readonly lo: number; readonly hi: number }): string {
  return Math.abs(range.hi - range.lo) < 30
    ? clockText(range.hi)
    : `${Math.round(range.lo / 60)}–${Math.round(range.hi / 60)} min`;
}
