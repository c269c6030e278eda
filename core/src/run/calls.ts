import type { Segment } from '../clock/index.ts';
import { entriesOf, type MoveFacts, sheetLines } from '../session/index.ts';
import type { Stretch } from './clock.ts';
import { movesWords } from './moves.ts';
import { beatsOf, isLed, tempoSeconds } from './pace.ts';
import { restWords } from './resting.ts';
import { type Does, factsOfRun, type Run } from './run.ts';
import { groupsIn } from './turns.ts';

/** Something to be heard at a moment of a stretch. */
export interface Call {
  /** Seconds from the beginning of the stretch. */
  readonly at: number;
  readonly sound: 'work' | 'rest' | 'tick' | 'lane' | 'say' | 'end' | 'pulse';
  /** Words, where there are any. */
  readonly says: string | null;
  /** Worth reading for whoever doesn't hear it, and on no other part of a wall. */
  readonly shown?: true;
}

/** Seconds before the end of a stretch that are counted down. Common practice. */
const COUNT_DOWN = [3, 2, 1] as const;
/** Seconds left at which time is called in a stretch that is long enough. Common practice. */
const TIME_LEFT = [15, 10] as const;

/** What is counted aloud through a stretch in which one thing is done that is counted so. */
function countsOf(
  { does }: Segment,
  of: (entry: number) => MoveFacts['counts'],
): NonNullable<MoveFacts['counts']> | null {
  const [only, ...more] = does;
  return only && more.length === 0 ? (of(only.entry) ?? null) : null;
}
/** Whole reps only: nobody is stopped in the middle of a breath. */
function countedIn(counts: NonNullable<MoveFacts['counts']>, seconds: number): Call[] {
  const rep = counts.reduce((sum, part) => sum + part.seconds, 0);
  const from = Math.min(COUNT_FROM, Math.max(0, seconds - rep));
  return Array.from({ length: Math.floor((seconds - from) / rep) }, (_, nth) => {
    let at = from + nth * rep;
    return counts.flatMap((part) => {
      const begun = at;
      at += part.seconds;
      return Array.from(
        { length: part.seconds },
        (_, k): Call =>
          k === 0
            ? { at: begun, sound: 'say', says: part.says, shown: true }
            : { at: begun + k, sound: 'pulse', says: String(k + 1) },
      );
    });
  }).flat();
}
/** Seconds in which what it is has been said, before it is counted. Estimate. */
const COUNT_FROM = 4;

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const isRest = (segment: Segment) => segment.kind !== 'work' && segment.kind !== 'hold';

/**
 * All that is to be heard in each stretch: how it begins, what comes next during a rest, the sides and phases,
 * lanes that end, time left, the last three seconds. `nameOf` says an entry as it is called, `doesOf` what somebody does
 * there, where it is for one alone; `resting` what is done in rests of each style.
 */
export function callsIn(
  run: Pick<Run, 'plan' | 'facts' | 'how'>,
  stretches: readonly Stretch[],
  nameOf: (entry: number) => string,
  doesOf?: (entry: number) => Does,
  resting: Parameters<typeof restWords>[2] = {},
): Call[][] {
  const { plan } = run;
  const facts = factsOfRun(run);
  const entries = entriesOf(plan.blocks);
  const lines = sheetLines(
    plan,
    stretches.map(({ segment }) => segment),
    (entry) => facts(entries[entry]!.move).sided,
  );
  return stretches.map(({ segment, seconds }, i) => {
    const calls: Call[] = [];
    const line = lines[i]!;
    // Where groups go round, each has another move before it: only the moving on is called.
    const around = groupsIn(run, segment.block) > 1;
    if (isRest(segment)) {
      const after = line.next.length > 0 && stretches.slice(i + 1).find((one) => one.segment.does.length > 0);
      const named = after ? movesWords(run, after.segment, nameOf, doesOf) : '';
      const next = named && around ? 'one station on' : named;
      const side = stretches[i + 1]?.segment.side;
      const does = restWords(run, segment, resting);
      calls.push({ at: 0, sound: 'rest', says: does && capital(does) });
      if (next)
        calls.push({
          // After what is done meanwhile has been said.
          at: Math.min(does ? 3 : 1, seconds / 2),
          sound: 'say',
          says: `Next: ${next}${side ? `, ${side} side` : ''}`,
        });
    } else {
      const first = around ? 'Work' : movesWords(run, segment, nameOf, doesOf);
      calls.push({
        at: 0,
        sound: 'work',
        says: first ? `${first}${segment.side ? `, ${segment.side} side` : ''}` : null,
      });
      for (const { at, words } of line.says)
        if (at < seconds)
          calls.push({ at, sound: /lanes? done$/.test(words) ? 'lane' : 'say', says: words, shown: true });
      const counts = around ? null : countsOf(segment, (entry) => facts(entries[entry]!.move).counts);
      if (counts) calls.push(...countedIn(counts, seconds));
      const { format } = plan.blocks[segment.block]!;
      if (!around && !counts && isLed(format))
        for (const beat of beatsOf(segment, seconds, (entry) => {
          const { move, dose } = entries[entry]!;
          return tempoSeconds(dose?.tempo) ?? facts(move).rep?.mid ?? null;
        }))
          calls.push({ at: beat.at, sound: 'pulse', says: beat.rep === null ? null : String(beat.rep) });
      if (seconds >= 40 && !counts)
        for (const left of TIME_LEFT)
          calls.push({ at: seconds - left, sound: 'say', says: `${left} seconds` });
    }
    if (seconds > COUNT_DOWN[0] + 1)
      for (const left of COUNT_DOWN) calls.push({ at: seconds - left, sound: 'tick', says: null });
    if (i === stretches.length - 1)
      calls.push({ at: seconds, sound: 'end', says: 'That was it. Well done.' });
    return calls.sort((a, b) => a.at - b.at);
  });
}

/** How long a call stays on a wall, s: long enough to look up. Estimate. */
const SHOWN_SECONDS = 4;

/** What was just called in a stretch, for whoever doesn't hear it: a phase, the other side, a lane that ends. */
export const calledAt = (calls: readonly Call[], into: number): string | null =>
  calls.findLast(({ at, shown }) => shown && at <= into && into < at + SHOWN_SECONDS)?.says ?? null;
