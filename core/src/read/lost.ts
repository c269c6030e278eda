import type { FormatKind } from '../clock/index.ts';
import type { Fact } from './facts.ts';
import type { LineRead, SaidNumber } from './line.ts';
import type { ReadBlock } from './reading.ts';

/** Facts whose numbers become others, and the clocks that take them up. */
const TURNED: Readonly<Partial<Record<Fact['is'], readonly FormatKind[]>>> = {
  // How long each level works comes to a share of the longest.
  level: ['staggered'],
  percent: ['staggered'],
  // Of 2-4-6-8 the ends and the step.
  steps: ['pyramid', 'descending'],
  // Eight bouts at each of four stations are 32.
  'bouts each': ['tabata'],
  // As many tabatas as there are movements are blocks.
  times: ['tabata'],
  // Work to rest, two to one: forty seconds and twenty.
  ratio: ['intervals'],
  // Five minutes for all of a warm-up are shared out.
  'in all seconds': ['flow'],
};

/** "45/15 x 3 (20 min)": how long it is said to take in all is kept where it takes about as long, to half a round. */
function takesAbout({ format, stations }: ReadBlock, seconds: number): boolean {
  if (format.kind !== 'intervals') return false;
  const round = stations.length * (format.workSeconds + format.restSeconds);
  const all = format.rounds * round + (format.rounds - 1) * (format.roundRestSeconds ?? 0);
  return Math.abs(all - seconds) <= Math.max(60, round / 2);
}

/** Nothing at one station goes on for longer, in seconds. */
const LONGEST = 900;

function numbersIn(value: unknown, into: Set<number>): Set<number> {
  if (typeof value === 'number') into.add(value);
  else if (typeof value === 'string') for (const [n] of value.matchAll(/\d+(?:\.\d+)?/g)) into.add(Number(n));
  else if (value && typeof value === 'object') for (const one of Object.values(value)) numbersIn(one, into);
  return into;
}

/** Does a text have a number by itself? The 7 of "over 70s" is none. */
const holds = (text: string | null | undefined, said: string): boolean => {
  let at = text?.indexOf(said) ?? -1;
  while (text && at >= 0) {
    const touches = (c: string | undefined) => c !== undefined && c >= '0' && c <= '9';
    if (!touches(text[at - 1]) && !touches(text[at + said.length])) return true;
    at = text.indexOf(said, at + 1);
  }
  return false;
};

/** Numbers that stand in a block: what its clock, its stations and the break behind it say, and nobody assumed. */
function keptBy({ format, assumed, stations, after, name }: ReadBlock): Set<number> {
  const clock = Object.entries(format).filter(([field]) => !assumed.includes(field));
  const kept = numbersIn([clock.map(([, value]) => value), after, name, stations.length], new Set());
  if (format.kind === 'emom') kept.add(format.minutes * (format.everySeconds ?? 60));
  // "No rest" is as good as kept where there is none.
  kept.add(0);
  for (const { dose, chain, typed, words, settings } of stations)
    numbersIn([dose, chain?.map((part) => part.dose), typed, words, settings], kept);
  return kept;
}

/**
 * Numbers that stand nowhere in what their line became: a rest the kind of clock has no place for, a count beyond
 * what a station may have, a number that no rule took up. As it is said to the trainer: "“9999” in line 3".
 */
export function lostNumbers(
  lines: readonly LineRead[],
  blocks: readonly ReadBlock[],
  title: string | null,
): string[] {
  const kept = new Map(blocks.map((block) => [block, keptBy(block)]));
  return lines.flatMap((line) => {
    const its = blocks.filter((block) => block.lines.some((one) => one.line === line.line));
    // A title's clock may have gone to any of them.
    const became = its.length > 0 ? its : blocks;
    const stands = ({ said, value, as }: SaidNumber) =>
      // How many of a kind there are: "AMRAP x 3".
      (as === 'times' &&
        blocks.filter(({ format }) => format.kind === became[0]?.format.kind).length === value) ||
      // The number of a part says where it stands, and the parts stand in order.
      as === 'heading' ||
      as === 'aside' ||
      holds(title, said) ||
      (as === 'in all seconds' && became.some((block) => takesAbout(block, value))) ||
      became.some(
        ({ format, stations, ...block }) =>
          (as !== null && TURNED[as]?.includes(format.kind) && value <= LONGEST * stations.length) ||
          stations.some(({ typed }) => holds(typed, said)) ||
          holds(block.name, said),
      ) ||
      // Minutes that nobody called so: "AMRAP 12".
      became.some(
        (block) =>
          kept.get(block)!.has(value) ||
          ((as === 'format' || as === 'break') && kept.get(block)!.has(value * 60)),
      );
    const lost = line.numbers.filter((number) => !stands(number));
    return [...new Set(lost.map(({ said }) => said))].map((said) => `“${said}” in line ${line.line}`);
  });
}
