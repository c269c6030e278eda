import type * as z from 'zod';
import type { ChoiceKey, InputKey } from '../inputs.ts';
import type { ClockPiece } from '../timeline.ts';
import type { StationWork, Surroundings } from '../work.ts';

/** A count that goes in steps from the lowest to the highest. */
interface Steps {
  readonly low: number;
  readonly by: number;
  readonly high: number;
  /** The steps as they are done, were they to go up to a top or begin from it. */
  readonly to: (top: number) => readonly number[];
  /** It begins with the highest. */
  readonly falls: boolean;
}

/** What an estimate comes to and what it is made of. */
export interface Estimate {
  readonly of: 'rounds' | 'seconds left' | 'seconds';
  readonly lo: number;
  readonly hi: number;
  readonly says: string;
  readonly madeOf: readonly string[];
}

/** An input that can't be as it is, and what to change it to where one value would mend it. */
export interface FormatFault {
  readonly field: string;
  readonly says: string;
  readonly station: number | null;
}

export interface FormatEntry<F> {
  readonly name: string;
  readonly says: string;
  /** What a form asks for; an input ending in ? may be left out. */
  readonly inputs: readonly (InputKey | `${InputKey}?` | ChoiceKey | `${ChoiceKey}?`)[];
  readonly usual: F;
  /** What a station's dose is: nothing but the clock, a count, or a time of its own. */
  readonly dose: 'clock' | 'count' | 'time';
  /** Whose pace it goes by: the clock's, a leader's, or everybody's own. The clock's where nothing is said. */
  readonly pace?: (format: F) => 'led' | 'own';
  /** Rounds are counted as they are done. */
  readonly tallies?: true;
  /** Each round has a form of its own. */
  readonly climbs?: true;
  /** What follows in a chain fills what is left of the minute. */
  readonly fills?: true;
  /** Stations go in pairs, which may well be alike. */
  readonly pairs?: true;
  /** A count that goes in steps. */
  readonly steps?: (format: F) => Steps;
  /** Groups that go round the stations. */
  readonly groups?: (format: F) => number;
  /** One change that mends a fault; none where no one value does. */
  readonly fix?: (
    format: F,
    fault: FormatFault,
    stations: readonly StationWork[],
  ) => { label: string; format: F } | null;
  /** More than once round: what is checked between neighbours is checked from last to first as well. */
  readonly ring: (format: F) => boolean;
  readonly compile: (format: F, stations: readonly StationWork[], around: Surroundings) => ClockPiece[];
  readonly words: (format: F) => string;
  readonly estimate?: (format: F, stations: readonly StationWork[], around: Surroundings) => Estimate | null;
  readonly faults?: (format: F, stations: readonly StationWork[]) => FormatFault[];
}

/** A format as a whole: its schema and all that is made of it. One file each; `formats.ts` lists them. */
export const defineFormat = <S extends z.ZodType>(
  format: { readonly schema: S } & FormatEntry<z.infer<S>>,
): { readonly schema: S } & FormatEntry<z.infer<S>> => format;
