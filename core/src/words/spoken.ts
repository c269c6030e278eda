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

/** Who writes press-ups reads press-ups at every other form too; nothing where both are written or neither. */
function englishOf(blocks: readonly Pick<Block, 'stations'>[]): ((name: string) => string) | null {
  const typed = blocks.flatMap(({ stations }) => stations.map((station) => station.typed ?? '')).join('\n');
  if (!/\bpress[- ]?ups?\b/i.test(typed) || /\bpush[- ]?ups?\b/i.test(typed)) return null;
  return (name) => name.replace(/\bpush-up/g, 'press-up').replace(/\bPush-up/g, 'Press-up');
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
      said.set(
        move,
        words.replace(/^./u, (c) => c.toUpperCase()),
      );
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
      const name = move && english(move.name);
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
