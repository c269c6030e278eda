import type { Library } from '@inner-rung/core/ladder';
import { readSession, type Who } from '@inner-rung/core/read';

export interface NamedCase {
  readonly said: string;
  readonly means: readonly string[];
}
export interface SessionCase {
  readonly name: string;
  readonly text: string;
  readonly expected: readonly string[];
}
export interface WhoCase {
  readonly text: string;
  readonly means: readonly string[];
}

const rows = (text: string) => text.split('\n').filter((line) => line !== '' && !line.startsWith('#'));
const partsIn = (text: string) =>
  text
    .split(';')
    .map((piece) => piece.trim())
    .filter(Boolean)
    .sort();

/** The corpus out of its files; lines of even number were kept aside while the grammar was first written. */
export function corpusOf(names: string, sessions: string, who: string) {
  return {
    names: rows(names).map((line): NamedCase => {
      const [said, means] = line.split('\t');
      return { said: said!, means: means!.split('|') };
    }),
    sessions: sessions
      .split(/^=== /m)
      .slice(1)
      .map((part): SessionCase => {
        const [head, ...rest] = part.split('\n');
        const [text, expected] = rest.join('\n').split(/^--- ?$/m);
        return { name: head!, text: text!, expected: expected!.trim().split('\n') };
      }),
    who: rows(who).map((line): WhoCase => {
      const [text, means] = line.split('\t');
      return { text: text!, means: partsIn(means!) };
    }),
  };
}

/** What was read of a name, as the corpus writes it: ids with + between. */
const readAs = (library: Library, said: string): string => {
  const station = readSession(library, `40/20 x 3\nburpees\n- ${said}`).blocks[0]?.stations[1];
  return station ? [station.move, ...(station.chain ?? []).map((part) => part.move)].join('+') : '';
};

/** How many names are right at once, of those whose meaning the library has. */
export function nameScore(library: Library, cases: readonly NamedCase[]) {
  const misses: string[] = [];
  let total = 0;
  for (const { said, means } of cases) {
    const there = means.filter((one) => one.split('+').every((id) => library.move(id)));
    if (there.length === 0) continue;
    total++;
    const got = readAs(library, said);
    if (!means.includes(got)) misses.push(`${said}: read as ${got}, means ${means.join(' or ')}`);
  }
  return { right: total - misses.length, total, misses };
}

/** Who is here as the corpus writes it. */
export const whoWords = (who: Who): string[] =>
  [
    String(who.total),
    ...who.parts.map(
      (part) =>
        `${part.count}${part.level === null ? '' : `@${part.level}`}${part.ages ? `^${part.ages[0]}-${part.ages[1]}` : ''}${part.sex ? `%${part.sex}` : ''}:${part.conditions.map((held) => held.id + (held.side ? `/${held.side}` : '')).join(',')}${part.unread.map((piece) => `~${piece}`).join('')}`,
    ),
  ].sort();

/** What is otherwise than the corpus says of a session; none where it is right. */
export function sessionFaults(library: Library, { text, expected }: SessionCase): string[] {
  const read = readSession(library, text);
  const faults: string[] = [];
  const say = (what: string, got: unknown, want: unknown) =>
    faults.push(`${what} is ${String(got)}, should be ${String(want)}`);
  const blocks = expected.filter((line) => line.startsWith('block '));
  if (read.blocks.length !== blocks.length) say('the number of blocks', read.blocks.length, blocks.length);
  let at = -1;
  let station = 0;
  const closed = () => {
    const there = read.blocks[at]?.stations.length ?? 0;
    if (at >= 0 && there !== station) say(`the number of stations of block ${at + 1}`, there, station);
  };
  for (const line of expected) {
    if (line.startsWith('title ')) {
      if (read.title !== line.slice(6)) say('the title', read.title, line.slice(6));
      continue;
    }
    if (line.startsWith('block ')) {
      closed();
      at++;
      station = 0;
      const block = read.blocks[at];
      const [, role, kinds, fields] = /^block (\S+) (for time|\S+)(.*)$/.exec(line)!;
      if (!block) continue;
      if (block.role !== role) say('the role', block.role, role);
      if (kinds !== 'any' && !kinds!.split('|').includes(block.format.kind))
        say('the format', block.format.kind, kinds);
      for (const pair of fields!.trim().split(' ').filter(Boolean)) {
        const [key, value] = pair.split('=');
        const got = (block.format as unknown as Record<string, unknown>)[key!.replace('?', '')];
        if (key!.endsWith('?') && got === undefined) continue;
        if (String(got) !== value!.replaceAll('_', ' ')) say(key!, got, value);
      }
      continue;
    }
    const got = read.blocks[at]?.stations[station++];
    const [moves, ...more] = line.split(' ');
    if (!got) {
      say(`station ${station}`, 'missing', line);
      continue;
    }
    const chained = [got.move, ...(got.chain ?? []).map((part) => part.move)].join('+');
    if (moves!.includes('+') && moves === chained) {
      // all its parts, in their order
    } else if (moves === '?' ? library.move(got.move) !== undefined : !moves!.split('|').includes(got.move))
      say(`“${got.typed}”`, got.move, moves);
    for (const one of more) {
      if (one.startsWith('+')) {
        const links = (got.chain ?? []).map((part) => part.move);
        if (!links.some((id) => one.slice(1).split('|').includes(id)))
          say(`what follows “${got.typed}”`, links, one);
      } else {
        const [key, value] = one.split('=');
        const has =
          key === 'ways'
            ? (got.ways ?? []).join(',')
            : (got.dose as Record<string, unknown> | undefined)?.[key!];
        if (String(has) !== value) say(`${key} of “${got.typed}”`, has, value);
      }
    }
  }
  closed();
  return faults;
}
