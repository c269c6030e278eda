import type { Plan } from '../session/index.ts';
import type { Token } from './tokens.ts';

const set = (words: string) => new Set(words.split(' '));
/** Words that say by themselves that it is of how hard it feels. */
const EFFORT = set('effort rpe intensity exertion');
/** Words that say so beside "of 10". */
const AIM = set('aim target goal hard feel want');
const NEW = set('beginner newcomer novice new newer starter');
/** Words after which it is of everybody else again. */
const OTHERS = set('other everybody everyone rest regular');
/** Words that may stand around them. */
const AROUND = set(
  'a about all around at be but else for how in is it keep level more no of on out over overall rating roughly scale session should stay than that the this those to today up want we which who whole with you and are as main for',
);
/** The top of the scale. */
const TOP = 10;

/**
 * How hard a session is meant to feel, where a line says that and nothing else: "effort 8 of 10, beginners 7", "RPE 7",
 * "aim for 7/10". Of a range the lower end. Null where it says anything more, or another scale's number.
 */
export function aimSaid(tokens: readonly Token[]): NonNullable<Plan['aim']> | null {
  let strong = false;
  let weak = false;
  let ofTen = false;
  let newcomers = false;
  const said: { value: number; newcomers: boolean }[] = [];
  for (const [i, { kind, word, value }] of tokens.entries()) {
    if (kind === 'sign') continue;
    if (kind === 'word') {
      if (EFFORT.has(word)) strong = true;
      else if (AIM.has(word)) weak = true;
      else if (NEW.has(word)) newcomers = true;
      else if (OTHERS.has(word)) newcomers = false;
      else if (!AROUND.has(word)) return null;
      continue;
    }
    if (kind !== 'number' || !Number.isInteger(value) || value < 1 || value > TOP) return null;
    const before = tokens[i - 1]?.word ?? '';
    const last = said.at(-1);
    if (value === TOP && last && (before === 'of' || before === '/')) {
      ofTen = true;
      continue;
    }
    // "7 to 8": it is the number before that is meant.
    if (last && last.newcomers === newcomers && /^(?:to|[-–—])$/.test(before)) continue;
    said.push({ value, newcomers });
  }
  // "8, 6 for those new to it": who it is for stands behind it.
  if (newcomers && said.length === 2 && said.every((one) => !one.newcomers)) said[1]!.newcomers = true;
  const all = said.filter((one) => !one.newcomers);
  const theirs = said.filter((one) => one.newcomers);
  if (!(strong || (weak && ofTen)) || all.length !== 1 || theirs.length > 1) return null;
  const effort = all[0]!.value;
  const less = theirs[0]?.value;
  if (less !== undefined && less > effort) return null;
  return { effort, ...(less === undefined ? {} : { newcomers: less }) };
}
