import { clockText, SEGMENT_KINDS, type Segment } from '../clock/index.ts';
import { numberOf } from '../record/index.ts';
import { blockName, type Plan, roleOf } from './plan.ts';
import { type Entry, entriesOf } from './timeline.ts';

/** What a stretch of the clock is, read in one line: when, where in the session, what, which side, how long. */
export function readSegment(
  plan: Pick<Plan, 'blocks'>,
  segment: Segment,
  nameOf: (entry: number) => string,
): string {
  const { kind, lengthSeconds, open } = segment;
  const block = plan.blocks[segment.block]!;
  const rounds = 'rounds' in block.format && block.format.rounds > 1 && roleOf(block) !== 'warm-up';
  const what =
    kind === 'work'
      ? segment.does.map((doing) => nameOf(doing.entry)).join(', then ')
      : kind === 'hold' && segment.does.length > 0
        ? `hold: ${segment.does.map((doing) => nameOf(doing.entry)).join(', then ')}`
        : SEGMENT_KINDS[kind];
  const time = open ? `about ${clockText(lengthSeconds)}` : `${lengthSeconds} s`;
  return [
    clockText(segment.startSeconds),
    plan.blocks.length > 1 ? blockName(plan.blocks, segment.block) : '',
    rounds && kind === 'work' && segment.station >= 0 ? `round ${segment.round + 1}` : '',
    what,
    segment.side ? `${segment.side} side` : '',
    segment.note ?? '',
    time,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** One line of the session read aloud. */
export interface SheetLine {
  readonly startSeconds: number;
  readonly lengthSeconds: number;
  readonly open: boolean;
  readonly segment: Segment;
  /** What is now; empty does for a rest. */
  readonly entries: readonly number[];
  /** Entries of the next stretch of work, for a rest. */
  readonly next: readonly number[];
  /** Calls and phases inside it: seconds from its start, and the words. */
  readonly says: readonly { readonly at: number; readonly words: string }[];
}

function* numbers(seed: number): Generator<number> {
  let state = seed >>> 0;
  for (;;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 4294967296;
  }
}

/** Words inside a stretch: the other side at half time, phases, calls, time left in a long one. */
function saysIn(entry: Entry, plan: Pick<Plan, 'blocks'>, segment: Segment, at: number, seconds: number) {
  const says: { at: number; words: string }[] = [];
  const { dose } = entry;
  let phase = 0;
  for (const part of dose?.phases ?? []) {
    if (phase < seconds) says.push({ at: at + phase, words: part.says });
    phase += part.seconds;
  }
  if (dose?.calls) {
    const { times, random, says: words } = dose.calls;
    // Surprise calls are the same on paper and aloud.
    const draw = numbers(numberOf(`${plan.blocks[segment.block]!.id}/${entry.station}/${segment.round}`));
    const gap = seconds / (times + 1);
    for (let k = 1; k <= times; k++) {
      // A surprise lies anywhere in the middle of its share, so that two never come at once.
      const shift = random ? (draw.next().value! - 0.5) * gap * 0.8 : 0;
      says.push({ at: Math.round(at + k * gap + shift), words });
    }
  }
  return says;
}

/** What is called when a lane, 0 innermost, stops before the others. */
export const laneDone = (lane: number): string => (lane === 2 ? 'middle lane done' : 'inner lanes done');

/**
 * A session as it is read aloud, line by line: what is now, what is next, what is called inside. Lines lie on
 * the segments of the timeline; `sidedOf` says of an entry whether its sides swap in the middle.
 */
export function sheetLines(
  plan: Pick<Plan, 'blocks'>,
  segments: readonly Segment[],
  sidedOf: (entry: number) => boolean,
): SheetLine[] {
  const entries = entriesOf(plan.blocks);
  return segments.map((segment, i) => {
    const following = segments.slice(i + 1).find((s) => s.kind === 'work');
    const says: { at: number; words: string }[] = [];
    if (segment.kind === 'work') {
      let at = 0;
      for (const doing of segment.does) {
        const entry = entries[doing.entry]!;
        const station = plan.blocks[segment.block]!.stations[entry.inBlock]!;
        if (segment.side === null && sidedOf(doing.entry) && segment.does.length === 1)
          if (station.sides === 'swap at half')
            says.push({ at: Math.round(segment.lengthSeconds / 2), words: 'other side' });
        says.push(...saysIn(entry, plan, segment, at, doing.seconds));
        at += doing.seconds;
      }
      if (segment.lengthSeconds >= 120) {
        says.push({ at: Math.round(segment.lengthSeconds / 2), words: 'half time' });
        says.push({ at: segment.lengthSeconds - 60, words: 'one minute left' });
      }
      segment.laneEnds?.forEach((end, lane) => {
        if (end < segment.lengthSeconds && (lane === 0 || segment.laneEnds![lane - 1] !== end))
          says.push({ at: end, words: laneDone(lane) });
      });
    }
    return {
      startSeconds: segment.startSeconds,
      lengthSeconds: segment.lengthSeconds,
      open: segment.open !== null,
      segment,
      entries: segment.does.map((doing) => doing.entry),
      next: segment.does.length > 0 ? [] : (following?.does.map((doing) => doing.entry) ?? []),
      says: says.sort((a, b) => a.at - b.at),
    };
  });
}
