import type { Segment } from '../clock/index.ts';
import { roleOf, timelineOf } from '../session/index.ts';
import { factsOfRun, inOrder, type Run, type RunEvent } from './run.ts';

/** A stretch of the clock as it is run: the segment, how long it became, and its name, which a copy has of its own. */
export interface Stretch {
  readonly key: string;
  readonly segment: Segment;
  readonly seconds: number;
}

/** Everything the clock of a run comes to after its events. */
export interface RunClock {
  readonly stretches: readonly Stretch[];
  /** Milliseconds on the run's clock at which it began; null while it hasn't. */
  readonly beganAt: number | null;
  /** While it stands still: since when, and why. */
  readonly paused: { readonly at: number; readonly why: 'pause' | 'drink' | 'stop sign' } | null;
  /** Milliseconds it has stood still in all, the pause that lasts not counted. */
  readonly stoodMs: number;
  /** Ended by hand, at so many milliseconds of the run's clock. */
  readonly finishedAt: number | null;
}

/** Where a run is at a moment. */
export interface Position {
  readonly is: 'before' | 'running' | 'paused' | 'over';
  /** Index of the stretch; the last one when it is over. */
  readonly index: number;
  /** Seconds into it, and seconds left of it. */
  readonly into: number;
  readonly left: number;
  /** Seconds of the whole that are done and to come. */
  readonly done: number;
  readonly toCome: number;
}

/** Milliseconds of work time since the beginning, pauses taken out. */
function ranMs(clock: RunClock, at: number): number {
  if (clock.beganAt === null) return 0;
  const until = Math.min(at, clock.paused?.at ?? at, clock.finishedAt ?? at);
  return Math.max(0, until - clock.beganAt - clock.stoodMs);
}

function place(stretches: readonly Stretch[], ran: number): { index: number; into: number } {
  let start = 0;
  for (let i = 0; i < stretches.length; i++) {
    const length = stretches[i]!.seconds * 1000;
    if (ran < start + length) return { index: i, into: (ran - start) / 1000 };
    start += length;
  }
  return { index: stretches.length, into: 0 };
}

const total = (stretches: readonly Stretch[]) => stretches.reduce((sum, s) => sum + s.seconds, 0);

export function positionAt(clock: RunClock, at: number): Position {
  const { stretches } = clock;
  const whole = total(stretches);
  if (clock.beganAt === null)
    return { is: 'before', index: 0, into: 0, left: stretches[0]?.seconds ?? 0, done: 0, toCome: whole };
  const ran = ranMs(clock, at);
  const { index, into } = place(stretches, ran);
  if (clock.finishedAt !== null || index >= stretches.length) {
    const last = Math.max(0, stretches.length - 1);
    return { is: 'over', index: last, into: 0, left: 0, done: Math.min(ran / 1000, whole), toCome: 0 };
  }
  return {
    is: clock.paused ? 'paused' : 'running',
    index,
    into,
    left: stretches[index]!.seconds - into,
    done: ran / 1000,
    toCome: whole - ran / 1000,
  };
}

/** Stretches of the same round of the same block. */
const sameRound = (a: Segment, b: Segment) => a.block === b.block && a.round === b.round;
const ROUND_RESTS: ReadonlySet<Segment['kind']> = new Set(['round rest', 'block rest', 'drink']);

/**
 * The clock of a run after its events: always the same for the same events, in whatever order they came in.
 * Buttons name the stretch that they were pressed in; where the run is in another by then they do nothing, so
 * that two who press at once do it once.
 */
export function clockOf(run: Pick<Run, 'plan' | 'facts'>, events: readonly RunEvent[]): RunClock {
  const { segments } = timelineOf(run.plan, factsOfRun(run));
  let stretches: Stretch[] = segments.map((segment, i) => ({
    key: String(i),
    segment,
    seconds: segment.lengthSeconds,
  }));
  let clock: RunClock = { stretches, beganAt: null, paused: null, stoodMs: 0, finishedAt: null };
  let copies = 0;
  const cut = (index: number, into: number): Stretch => ({
    ...stretches[index]!,
    // What is over at once was a second long at the least, so that what follows never begins before it.
    seconds: Math.max(0, Math.round(into * 1000) / 1000),
  });
  for (const event of inOrder(events)) {
    if (clock.finishedAt !== null) break;
    const here = positionAt({ ...clock, stretches }, event.at);
    const now = stretches[here.index];
    const pressedHere =
      'during' in event && now !== undefined && here.is !== 'over' && now.key === event.during;
    switch (event.kind) {
      case 'go':
        if (clock.beganAt === null) clock = { ...clock, beganAt: event.at };
        else if (clock.paused)
          clock = { ...clock, stoodMs: clock.stoodMs + (event.at - clock.paused.at), paused: null };
        break;
      case 'pause':
        if (clock.beganAt !== null && here.is === 'running')
          clock = { ...clock, paused: { at: event.at, why: event.why } };
        break;
      case 'add':
        if (pressedHere)
          stretches = stretches.map((s, i) =>
            i === here.index ? { ...s, seconds: s.seconds + event.seconds } : s,
          );
        break;
      case 'next':
        if (pressedHere && clock.beganAt !== null)
          stretches = stretches.map((s, i) => (i === here.index ? cut(i, here.into) : s));
        break;
      case 'again':
        if (pressedHere && clock.beganAt !== null)
          stretches = [
            ...stretches.slice(0, here.index),
            cut(here.index, here.into),
            { ...now!, key: `${now!.key}+${++copies}`, seconds: now!.segment.lengthSeconds },
            ...stretches.slice(here.index + 1),
          ];
        break;
      case 'one more round': {
        if (!pressedHere) break;
        const inBlock = (s: Stretch) => s.segment.block === now!.segment.block;
        const last = stretches.findLastIndex((s) => inBlock(s) && s.segment.kind === 'work');
        if (last < 0) break;
        const round = stretches.filter((s) => sameRound(s.segment, stretches[last]!.segment));
        const rest = stretches.find((s) => inBlock(s) && s.segment.kind === 'round rest');
        const more = [...(rest ? [rest] : []), ...round.filter((s) => !ROUND_RESTS.has(s.segment.kind))];
        copies++;
        stretches = [
          ...stretches.slice(0, last + 1),
          ...more.map((s, i) => ({
            key: `${s.key}+${copies}.${i}`,
            seconds: s.segment.lengthSeconds,
            segment: { ...s.segment, round: s.segment.round + (s === rest ? 0 : 1) },
          })),
          ...stretches.slice(last + 1),
        ];
        break;
      }
      case 'end after this round': {
        if (!pressedHere) break;
        // The round is finished; what comes after it goes, but for the cool-down.
        const end = stretches.findLastIndex(
          (s) => sameRound(s.segment, now!.segment) && !ROUND_RESTS.has(s.segment.kind),
        );
        const coolDown = (s: Stretch) => roleOf(run.plan.blocks[s.segment.block]!) === 'cool-down';
        stretches = stretches.filter((s, i) => i <= Math.max(end, here.index) || coolDown(s));
        break;
      }
      case 'finish':
        if (clock.beganAt !== null) clock = { ...clock, finishedAt: event.at };
        break;
      default:
    }
  }
  return { ...clock, stretches };
}

/** Seconds from a moment until everything is over, the pause that lasts not counted. */
export const secondsLeft = (clock: RunClock, at: number): number => positionAt(clock, at).toCome;
