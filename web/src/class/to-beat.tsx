import type { ClassPlan } from '@inner-rung/core/class';
import { isTallied } from '@inner-rung/core/clock';
import { toBeatOf } from '@inner-rung/core/log';
import { countWords, type Taking } from '@inner-rung/core/run';
import type { Plan } from '@inner-rung/core/session';
import { spokenAs } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { useRecords } from '../store/use-records.ts';

/** What each has to beat of a block that is counted in rounds, where they do now what they did then. */
export function ToBeat(props: {
  plan: Plan;
  block: number;
  classPlan: ClassPlan;
  taking: readonly Taking[];
}) {
  const { plan, block } = props;
  // No child is set beside another, on a page that may hang on a wall.
  return isTallied(plan.blocks[block]!.format) && plan.forWhom !== 'children' ? <Known {...props} /> : null;
}

function Known(props: Parameters<typeof ToBeat>[0]) {
  const { plan, block, classPlan, taking } = props;
  const { all } = useRecords();
  const lines = useMemo(
    () =>
      taking.flatMap(({ id, person }) =>
        toBeatOf(all, id, plan, classPlan.uses[id] ?? [])
          .filter((one) => one.block === block)
          .map((one) => `${spokenAs(person).name} ${countWords(one)}`),
      ),
    [all, plan, block, classPlan, taking],
  );
  if (lines.length === 0) return null;
  return (
    <p className="text-sm" data-to-beat>
      To beat: {lines.join(', ')}
    </p>
  );
}
