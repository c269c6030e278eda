import { turnsShort } from '@inner-rung/core/class';
import { standsFor } from '@inner-rung/core/person';
import { check, type Finding } from '@inner-rung/core/review';
import { useDeferredValue, useMemo } from 'react';
import type { Picture } from '../features/use-scaled.ts';
import type { Bench } from './use-bench.ts';

const NONE: readonly Finding[] = [];

/** What is worth a look in a scaled session: found after the session itself is drawn. */
export function useFindings(bench: Bench): readonly Finding[] {
  const { library, plan, group, offered, room, outlook, at } = bench;
  const picture = useDeferredValue<Picture | null>(bench.picture, null);
  const block = plan.blocks[at.block];
  // Only a group that is chosen says how many would want the same thing at once.
  const short = useMemo(() => {
    if (!picture || !group || !block || !room || block.stations.length === 0) return undefined;
    const many = offered.reduce((sum, p) => sum + (standsFor(p) ?? 1), 0);
    return { block: at.block, ...turnsShort(library, room, block, many) };
  }, [picture, library, group, block, room, offered, at.block]);
  return useMemo(
    () =>
      picture
        ? check({
            library,
            session: picture.plan,
            version: picture.version,
            sums: picture.sums,
            limits: outlook?.limits ?? [],
            shortOfThings: short,
          })
        : NONE,
    [picture, library, outlook, short],
  );
}
