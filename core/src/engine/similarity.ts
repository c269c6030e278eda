import type { LibraryIndex } from '../forms/index.ts';
import { type Costs, intentKept, MUSCLE_COUNT, PATTERN_COUNT, PATTERN_DISTANCE } from './costs.ts';
import { USUAL_PAIRS } from './usual.ts';

/** Moves that keep enough of one move's intent, cheapest first; `base` is what all their forms cost. */
interface Ranking {
  readonly moves: Int32Array;
  readonly base: Int32Array;
  /** What each would cost by ladders, patterns and muscles alone, whatever is usual. */
  readonly far: Int32Array;
}

export interface Similarity {
  /** Muscles shared with another move, 0–1. */
  readonly overlap: (move: number, other: number) => number;
  readonly ranking: (move: number) => Ranking;
}

const made = new WeakMap<LibraryIndex, { costs: Costs; least: number; similarity: Similarity }[]>();

/**
 * How near moves are to one another. It depends on no room and nobody, so every scaler on one index
 * shares it; each move asked about is worked out once and kept.
 */
export function similarityOf(index: LibraryIndex, costs: Costs, least: number): Similarity {
  const list = made.get(index) ?? [];
  made.set(index, list);
  const known = list.find((one) => one.costs === costs && one.least === least);
  if (known) return known.similarity;
  const similarity = createSimilarity(index, costs, least);
  list.push({ costs, least, similarity });
  return similarity;
}

function createSimilarity(index: LibraryIndex, costs: Costs, leastIntent: number): Similarity {
  const { muscles, ladder, ladderRoot, ladderStart } = index;

  /** The muscles that a move works: a handful of all there are. */
  const worked = (move: number): number[] =>
    Array.from({ length: MUSCLE_COUNT }, (_, k) => k).filter((k) => muscles[move * MUSCLE_COUNT + k]! > 0);
  const shares = (move: number, other: number, works: readonly number[]): number => {
    let sum = 0;
    for (const k of works)
      sum += Math.min(muscles[move * MUSCLE_COUNT + k]!, muscles[other * MUSCLE_COUNT + k]!);
    return sum;
  };

  /** 0 on one ladder, 1 on branches of one ladder, 2 on neither. */
  const ladderDistance = (move: number, other: number): 0 | 1 | 2 => {
    let least: 1 | 2 = 2;
    for (let i = ladderStart[move]!; i < ladderStart[move + 1]!; i++)
      for (let k = ladderStart[other]!; k < ladderStart[other + 1]!; k++) {
        if (ladder[k] === ladder[i]) return 0;
        if (ladderRoot[k] === ladderRoot[i]) least = 1;
      }
    return least;
  };

  const rankings = new Map<number, Ranking>();
  const rank = (move: number): Ranking => {
    const found: { other: number; base: number; far: number }[] = [{ other: move, base: 0, far: 0 }];
    const works = worked(move);
    const usual = new Map((USUAL_PAIRS.get(index.ids[move]!) ?? []).map((id, i) => [id, i]));
    for (let other = 0; other < index.count; other++) {
      if (other === move) continue;
      const ladders = ladderDistance(move, other);
      // A ladder is one intent: its rungs and branches keep it, whatever pattern each is filed under.
      const distance =
        ladders < 2 ? 0 : PATTERN_DISTANCE[index.pattern[move]! * PATTERN_COUNT + index.pattern[other]!]!;
      const shared = shares(move, other, works);
      const place = usual.get(index.ids[other]!);
      if (place === undefined && intentKept(distance, shared) < leastIntent) continue;
      const far =
        [0, costs.neighbourPattern, costs.otherPattern][distance]! +
        Math.round(costs.musclesLost * (1 - shared)) +
        [0, costs.branch, costs.otherLadder][ladders]!;
      const base = place !== undefined ? Math.min(far, costs.usual + costs.usualStep * place) : far;
      found.push({ other, base, far });
    }
    found.sort((a, b) => a.base - b.base || a.other - b.other);
    return {
      moves: Int32Array.from(found, (f) => f.other),
      base: Int32Array.from(found, (f) => f.base),
      far: Int32Array.from(found, (f) => f.far),
    };
  };

  return {
    overlap: (move, other) => shares(move, other, worked(move)),
    ranking: (move) => {
      const known = rankings.get(move) ?? rank(move);
      rankings.set(move, known);
      return known;
    },
  };
}
