import type { Role } from '../session/index.ts';
import type { Fact } from './facts.ts';
import type { Reading } from './names.ts';

export type LineKind = 'station' | 'clock' | 'tier' | 'break' | 'note' | 'heading';

/** A number or name of the text: what it was taken for, and where it stands in the line. */
export interface Span {
  readonly what: string;
  readonly from: number;
  readonly to: number;
}

/** A piece of a line that is a movement, with what is said of how much. */
export interface Item {
  readonly text: string;
  readonly readings: readonly Reading[];
  readonly facts: readonly Fact[];
  readonly from: number;
  readonly to: number;
  /** What joins it to the item before. */
  readonly joined: 'with' | 'then' | 'next' | null;
  /** Easier and harder ways, as they were written: "(knees / toes)". */
  readonly tiers: readonly string[];
}

/** A line by itself: what it may be, before its neighbours are asked. */
export interface LineRead {
  readonly line: number;
  readonly text: string;
  readonly kind: LineKind;
  readonly sure: number;
  readonly items: readonly Item[];
  readonly facts: readonly Fact[];
  readonly spans: readonly Span[];
  readonly role: Role | null;
  /** A heading's or title's own words. */
  readonly heading: string | null;
  /** Words before a colon that say what the movements behind it are of. */
  readonly label: string | null;
  /** A heading that only names a round. */
  readonly roundNumber: number | null;
  /** Easier or harder, for a tier. */
  readonly tier: 'easier' | 'harder' | null;
  /** Stands after an empty line, or first. */
  readonly fresh: boolean;
  /** Words that look like a title: a day, "class", "circuit". */
  readonly titled: boolean;
  /** Numbered, bulleted: one of a list. */
  readonly listed: boolean;
  /** The letter of "A1": what has the same letter is done in turn. */
  readonly letter: string | null;
  /** A place by its number: all of its movements are done there. */
  readonly place: boolean;
  /** What a clock alone may be instead, where nothing else is done: "20 s sprint, 40 s walk x 10". */
  readonly spare?: readonly Item[];
  /** A turn of a clock that goes by the minute: "Minute 2:". */
  readonly turn: boolean;
  /** Every number of it but the line's own. */
  readonly numbers: readonly SaidNumber[];
}

/** A number as it stands in a line. */
export interface SaidNumber {
  readonly said: string;
  /** In seconds, kilograms, centimetres, metres or by count. */
  readonly value: number;
  /** The fact it was taken into, if any. */
  readonly as: Fact['is'] | 'heading' | null;
}
