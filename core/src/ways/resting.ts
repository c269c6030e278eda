import { type LibraryIndex, rowOf } from '../forms/index.ts';
import type { Library } from '../ladder/index.ts';
import { compileConstraints, type Law, lawIn, openForAll, type Subject, subjectOf } from '../limits/index.ts';
import { at, DEMAND_KEYS } from '../move/index.ts';
import type { Person } from '../person/index.ts';
import { EVERYWHERE } from '../room/index.ts';
import { AS_WRITTEN, REST_STYLES, type RestStyle } from '../session/index.ts';

/** What somebody does in a rest, in words; the move that it is, where it is one. */
interface RestingHere {
  readonly says: string;
  readonly move: string | null;
}

const MET = at('effort.met');
const metOf = (index: LibraryIndex, move: string): number =>
  index.hi[rowOf(index, move) * DEMAND_KEYS.length + MET] ?? Number.NaN;
/** An easier move in place of the one that is meant, as it is called out. */
const SAID: Readonly<Record<string, string>> = {
  march: REST_STYLES.marching.says,
  'seated-march': 'march where you sit',
};
const GENTLY: RestingHere = { says: 'move about gently', move: null };

/**
 * What somebody does in the rests where this is asked of all: the move that is meant, or the first of its easier ones that
 * is open to them and no harder than what their effort allows; else they move about gently. Nobody who has to cool down
 * slowly stands or sits still out of hard work.
 */
export function restingFor(law: Law, subject: Subject, style: RestStyle): RestingHere {
  const { says, seated = says, moves: meant } = REST_STYLES[style];
  if (meant.length === 0) {
    const still = style === 'standing' || style === 'sitting';
    const slowly = subject.limits.some((limit) => limit.kind === 'floor' && limit.what === 'cool-down');
    const stands = !subject.limits.some(
      (limit) => limit.kind === 'cap' && limit.on === 'posture.standing' && limit.max === 0,
    );
    return still && slowly ? GENTLY : { says: stands ? says : seated, move: null };
  }
  const c = compileConstraints(subject, AS_WRITTEN);
  const most = Math.min(Number.POSITIVE_INFINITY, ...c.met.map(({ max }) => max));
  const { index } = law.table;
  const move = meant.find((id) => metOf(index, id) <= most && openForAll(law, [c], { move: id }) !== null);
  if (move === undefined) return GENTLY;
  return { says: move === meant[0] ? says : (SAID[move] ?? says), move };
}

/** What is said to one person of each style of rest that a session asks for, on a day. */
export function restingSays(
  library: Library,
  person: Person,
  on: string,
  styles: readonly RestStyle[],
): Readonly<Partial<Record<RestStyle, string>>> {
  if (styles.length === 0) return {};
  const law = lawIn(library, EVERYWHERE);
  const subject = subjectOf(person, library, on);
  return Object.fromEntries(styles.map((style) => [style, restingFor(law, subject, style).says]));
}
