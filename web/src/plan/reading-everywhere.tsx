import { type Library, ladderOfWays, wordFor } from '@inner-rung/core/ladder';
import { plainName, type ReadLine } from '@inner-rung/core/read';
import { useEdits } from '../features/use-edits.ts';
import { useOwn } from '../store/data.ts';

/**
 * A trainer's own easier and harder ways hold at this station by themselves; said so, they are rungs of that move from
 * now on, on a ladder of the trainer's own.
 */
export function TiersEverywhere(props: { library: Library; move: string; tiers: ReadLine['tiers'] }) {
  const { library, move, tiers } = props;
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const made = ladderOfWays(
    library,
    move,
    tiers.flatMap((tier) => (tier.moves.length === 1 ? [{ is: tier.is, move: tier.moves[0]! }] : [])),
  );
  if (!made || library.ladder(made.id)) return null;
  return (
    <button
      type="button"
      className="touch ml-2 text-left underline underline-offset-4"
      onClick={() => edits.keep(`${made.name}: own ways`, [made])}
    >
      from now on, everywhere
    </button>
  );
}

/** A choice made once may hold from now on: the word becomes an everyday name of that move, as one's own change. */
export function AlwaysMeans(props: { library: Library; word: string; move: string }) {
  const { library, word, move } = props;
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const name = library.move(move)?.name ?? move;
  const found = wordFor(library, word, move, plainName);
  if ('taken' in found)
    return <span className="quiet">“{word}” is the name of another move: it stays a question.</span>;
  return (
    <button
      type="button"
      className="touch text-left underline underline-offset-4"
      onClick={() =>
        edits.keep(
          `“${word}” stands for ${name}`,
          [],
          found.moves.map((one) => ({ move: one, demand: library.demand.get(one.id)! })),
        )
      }
    >
      From now on “{word}” stands for {name.toLowerCase()}
    </button>
  );
}
