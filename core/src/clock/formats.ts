import { z } from 'zod';
import type { Segment, Slot } from './timeline.ts';

export const intervalsSchema = z.strictObject({
  kind: z.literal('intervals'),
  workSeconds: z.number().int().min(5).max(600),
  restSeconds: z.number().int().min(0).max(600),
  rounds: z.number().int().min(1).max(20),
  roundRestSeconds: z.number().int().min(0).max(900),
  /** A rest after the last station of a round as after any other. */
  closingRest: z.boolean(),
});
export const formatSchema = z.discriminatedUnion('kind', [intervalsSchema]);
export type Format = z.infer<typeof formatSchema>;
type FormatOf<K extends Format['kind']> = Extract<Format, { kind: K }>;

interface FormatEntry<F> {
  readonly name: string;
  readonly compile: (format: F, slots: readonly Slot[]) => Segment[];
  readonly words: (format: F) => string;
}

/**
 * Every format, each an entry with its compile to segments and its words. Lengths are never worked
 * out a second way: they are read off the segments.
 */
export const FORMATS: { readonly [K in Format['kind']]: FormatEntry<FormatOf<K>> } = {
  intervals: {
    name: 'Intervals',
    compile: (format, slots) => {
      const segments: Segment[] = [];
      let now = 0;
      const push = (
        kind: Segment['kind'],
        lengthSeconds: number,
        rest: Omit<Segment, 'startSeconds' | 'lengthSeconds' | 'kind'>,
      ) => {
        if (lengthSeconds <= 0) return;
        segments.push({ startSeconds: now, lengthSeconds, kind, ...rest });
        now += lengthSeconds;
      };
      for (let round = 0; round < format.rounds; round++) {
        slots.forEach((slot, i) => {
          push('work', format.workSeconds, { slot: i, round, ...slot });
          if (i < slots.length - 1 || format.closingRest) {
            const next = (i + 1) % slots.length;
            push('rest', format.restSeconds, {
              slot: next,
              round,
              station: slots[next]!.station,
              side: slots[next]!.side,
            });
          }
        });
        if (round < format.rounds - 1)
          push('round rest', format.roundRestSeconds, { slot: -1, round, station: 0, side: null });
      }
      return segments;
    },
    words: (f) =>
      `${f.workSeconds} on, ${f.restSeconds} off, ${f.rounds === 1 ? 'once' : f.rounds === 2 ? 'twice' : `${f.rounds} rounds`}`,
  },
};

export function compileFormat(format: Format, slots: readonly Slot[]): Segment[] {
  return FORMATS[format.kind].compile(format, slots);
}

/** Length of a timeline in seconds. */
export function lengthOf(segments: readonly Segment[]): number {
  const last = segments.at(-1);
  return last ? last.startSeconds + last.lengthSeconds : 0;
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
