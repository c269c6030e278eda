import type { Library } from '../ladder/index.ts';
import type { Move } from '../move/index.ts';
import type { Block } from '../session/index.ts';
import { formName } from './say.ts';

/** Longer than this it is no name but a sentence, and the library's name stands. */
const LONGEST_NAME = 60;

/** The library that stands under one with a trainer's words over it. */
const under = new WeakMap<Library, Library>();
/** A library as it was opened, whatever words lie over it: what engines are asked with. */
export const asOpened = (library: Library): Library => under.get(library) ?? library;

/** Where the two Englishes of the trade name one thing in two ways. Common practice. */
const TWO_ENGLISHES: readonly (readonly [british: string, american: string])[] = [
  ['press-up', 'push-up'],
  ['on the spot', 'in place'],
  ['rope skipping', 'jump rope'],
  ['skipping', 'jump rope'],
  ['bed or sofa', 'bed or couch'],
  ['dead lift', 'deadlift'],
];
export const ENGLISHES = ['British', 'American'] as const;
export type English = (typeof ENGLISHES)[number];

const capital = (text: string): string => text.replace(/^./u, (c) => c.toUpperCase());
/** A name in one of the Englishes. */
function nameIn(english: English, name: string): string {
  const to = ENGLISHES.indexOf(english);
  return TWO_ENGLISHES.reduce((said, pair) => {
    const [from, into] = [pair[1 - to]!, pair[to]!];
    const at = said.toLowerCase().indexOf(from);
    if (at < 0) return said;
    const put = at === 0 ? capital(into) : into;
    return `${said.slice(0, at)}${put}${said.slice(at + from.length)}`;
  }, name);
}

/** The English a session is written in, where it is written in one of them. */
function englishOf(blocks: readonly Pick<Block, 'stations'>[]): English | null {
  const typed = blocks.flatMap(({ stations }) => stations.map((station) => station.typed ?? '')).join('\n');
  const british = /\bpress[- ]?ups?\b/i.test(typed);
  return british === /\bpush[- ]?ups?\b/i.test(typed) ? null : british ? 'British' : 'American';
}

const spokenIn = new WeakMap<Library, Map<English, Library>>();
/**
 * The library with its moves named in the English that a trainer speaks, on every page; what engines are asked with
 * stays as it was opened.
 */
export function inEnglish(library: Library, english: English | null): Library {
  if (!english) return library;
  const known = spokenIn.get(library) ?? new Map<English, Library>();
  spokenIn.set(library, known);
  const found = known.get(english);
  if (found) return found;
  const moves = library.moves.map((move) => {
    const name = nameIn(english, move.name);
    // The other name stays a name of it: it is still found by what it was called.
    return name === move.name ? move : { ...move, name, twins: [...move.twins, move.name] };
  });
  const byId = new Map(moves.map((move) => [move.id, move]));
  const spoken: Library = { ...library, moves, move: (id) => byId.get(id) };
  under.set(spoken, asOpened(library));
  known.set(english, spoken);
  return spoken;
}

/**
 * The library as it is spoken of in a session: a move that the trainer wrote at a station goes by the trainer's own
 * words on every face of it. Only names differ; where one is written in two ways the first stands.
 */
export function inOwnWords(library: Library, blocks: readonly Pick<Block, 'stations'>[]): Library {
  const said = new Map<string, string>();
  for (const { stations } of blocks)
    for (const { move, typed, chain, settings } of stations) {
      const words = typed?.trim() ?? '';
      // Words for several parts, or for one side, are no name of the first of them.
      if (words === '' || words.length > LONGEST_NAME || chain || settings?.side || said.has(move)) continue;
      said.set(move, capital(words));
    }
  const english = englishOf(blocks);
  if (said.size === 0 && !english) return library;
  const named = new Map<string, Move>();
  for (const [id, name] of said) {
    const move = library.move(id);
    if (move) named.set(id, { ...move, name });
  }
  const spoken: Library = {
    ...library,
    move: (id) => {
      const known = named.get(id);
      if (known || !english) return known ?? library.move(id);
      const move = library.move(id);
      const name = move && nameIn(english, move.name);
      if (!move || name === move.name) return move;
      // Remembered, so that the same move is the same object.
      const renamed: Move = { ...move, name: name! };
      named.set(id, renamed);
      return renamed;
    },
  };
  under.set(spoken, asOpened(library));
  return spoken;
}

/** What those do at a station for whom no form of it is open; a movement only its trainer knows is theirs to judge. */
export const restingName = (library: Library, written: string): string =>
  library.move(written) ? 'Easy movement' : `${formName(library, written)}, as you teach it`;
