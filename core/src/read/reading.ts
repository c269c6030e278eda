import type { Format } from '../clock/index.ts';
import type { Block, Dose, Plan, Role, Station } from '../session/index.ts';
import type { LineKind, Span } from './line.ts';
import type { Reading } from './names.ts';

/** What one line, or one movement of it, was read as. */
export interface ReadLine {
  /** From 1. */
  readonly line: number;
  readonly text: string;
  readonly kind: LineKind;
  readonly sure: number;
  /** Readings of a name, best first; empty for what names no movement. */
  readonly read: readonly Reading[];
  readonly dose: Dose | null;
  /** Numbers and names in the line, and what each was taken for. */
  readonly spans: readonly Span[];
  /** The station it became. */
  readonly station: string | null;
  /** Easier or harder ways of a station, by their words and what they are. */
  readonly tiers: readonly {
    readonly is: 'easier' | 'harder' | null;
    readonly text: string;
    readonly moves: readonly string[];
  }[];
}

export interface ReadBlock {
  readonly role: Role;
  readonly name: string | null;
  readonly format: Format;
  /** Fields of the format that nobody said. */
  readonly assumed: readonly string[];
  readonly lines: readonly ReadLine[];
  readonly stations: readonly Station[];
  readonly after: Block['after'] | null;
  /** What is done in its rests, where it says so. */
  readonly resting: Block['resting'] | null;
}

export interface ReadSession {
  readonly title: string | null;
  readonly blocks: readonly ReadBlock[];
  /** How hard it is meant to feel, where it says so. */
  readonly aim: NonNullable<Plan['aim']> | null;
  /** Lines that are none of a station, a clock or a heading: kept as notes, in their order. */
  readonly notes: readonly string[];
  /** What wasn't taken at all, and why. */
  readonly unread: readonly string[];
}
