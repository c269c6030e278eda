import type { Segment } from '../clock/index.ts';
import { entriesOf } from '../session/index.ts';
import { doesNow, easierForAll, type Present } from './people.ts';
import { type Does, entryName, type Run } from './run.ts';
import { groupsIn } from './turns.ts';

/** What a second coach shows of one move while the first shows it as most do it. */
export interface ShownEasier {
  readonly entry: number;
  /** The move as it is written. */
  readonly name: string;
  /** The innermost form that anybody here does; null where nobody does any. */
  readonly does: Does;
  readonly people: readonly Present[];
  /** One easier still that every one of them can go to in the middle; null where there is none. */
  readonly easier: Does;
}

/**
 * The easier forms of a stretch, each once: of every move in it what those in the innermost lane do, and where they can
 * go from there. Where groups go round, of every station of the block, since somebody is at each.
 */
export function easierForms(
  run: Pick<Run, 'plan' | 'names' | 'how'>,
  people: readonly Present[],
  segment: Segment,
): ShownEasier[] {
  const here = people.filter((one) => one.is === 'here');
  const around = groupsIn(run, segment.block) > 1;
  const entries = around
    ? entriesOf(run.plan.blocks).flatMap((entry, i) =>
        entry.block === segment.block && entry.round === null ? [i] : [],
      )
    : [...new Set(segment.does.map((doing) => doing.entry))];
  return entries.map((entry) => {
    const all = here.flatMap((one) => {
      const does = doesNow(one, entry);
      return does ? [{ one, does }] : [];
    });
    const lane = Math.min(...all.map(({ does }) => does.lane));
    const inner = all.filter(({ does }) => does.lane === lane);
    const times = (name: string) => inner.filter(({ does }) => does.name === name).length;
    // Of several forms in one lane that which most do.
    const [first] = [...inner].sort((a, b) => times(b.does.name) - times(a.does.name));
    const same = inner.filter(({ does }) => does.name === first?.does.name);
    return {
      entry,
      name: entryName(run, entry),
      does: first?.does ?? null,
      people: same.map(({ one }) => one),
      easier: easierForAll(
        same.map(({ one }) => ({ one, entry })),
        first?.does ?? null,
      ),
    };
  });
}
