import { type Level, type Segment, span } from '../clock/index.ts';
import { type LibraryIndex, rowOf } from '../forms/index.ts';
import { type Facts, type MoveFacts, UNKNOWN_FACTS } from '../session/index.ts';

const factsByIndex = new WeakMap<LibraryIndex, Facts>();

/** What the clock has to know of a move, read off the index. */
export function factsInIndex(index: LibraryIndex): Facts {
  const made = factsByIndex.get(index);
  if (made) return made;
  const known = new Map<string, MoveFacts>();
  const factsOf: Facts = (id) => {
    let facts = known.get(id);
    if (!facts) {
      const row = rowOf(index, id);
      const pace = index.pace.subarray(row * 3, row * 3 + 3);
      facts =
        row < 0
          ? UNKNOWN_FACTS
          : {
              rep: Number.isNaN(pace[1]) ? null : span(60 / pace[2]!, 60 / pace[1]!, 60 / pace[0]!),
              sided: index.oneSided[row] === 1,
              starts: index.startsAt[row] as Level,
              ends: index.endsAt[row] as Level,
            };
      known.set(id, facts);
    }
    return facts;
  };
  factsByIndex.set(index, factsOf);
  return factsOf;
}

/** One go at something, and how many such goes a session has. */
export interface Go {
  readonly seconds: number;
  /** The most reps where they are counted. */
  readonly most: number | null;
  times: number;
}

/** Every entry's goes, equal ones together, the longest of them in whole seconds, and the longest
 * stretch of the clock it is done in. */
export function goesOf(
  segments: readonly Segment[],
  entries: number,
): { readonly all: readonly Go[]; readonly longest: number; readonly slot: number }[] {
  const goes = Array.from({ length: entries }, () => ({ all: [] as Go[], longest: 0, slot: 0 }));
  for (const { does, lengthSeconds } of segments)
    for (const doing of does) {
      const at = goes[doing.entry]!;
      at.slot = Math.max(at.slot, does.length === 1 ? lengthSeconds : Math.floor(doing.seconds));
      at.longest = Math.max(at.longest, Math.floor(doing.seconds / doing.goes));
      const same = at.all.find((go) => go.seconds === doing.seconds && go.most === doing.most);
      if (same) same.times++;
      else at.all.push({ seconds: doing.seconds, most: doing.most, times: 1 });
    }
  return goes;
}
