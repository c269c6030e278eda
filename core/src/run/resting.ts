import { SEGMENT_KINDS, type Segment } from '../clock/index.ts';
import { type Block, REST_STYLES, type RestStyle, restStyleIn } from '../session/index.ts';
import type { Present } from './people.ts';
import type { Run } from './run.ts';

/** Styles of rest that a session asks for anywhere. */
export const restStylesIn = (blocks: readonly Block[]): RestStyle[] => [
  ...new Set(blocks.flatMap(({ resting, after }) => [resting ?? [], after?.style ?? []].flat())),
];

/** Each style of rest as it is called out to those who are here: what most do first, then what it is for the others. */
export function restingSaid(
  run: Pick<Run, 'plan'>,
  people: readonly Present[],
): Readonly<Partial<Record<RestStyle, string>>> {
  const here = people.filter((one) => one.is === 'here');
  return Object.fromEntries(
    restStylesIn(run.plan.blocks).map((style) => {
      const times = new Map<string, number>();
      for (const { cast } of here) {
        const says = cast.resting?.[style] ?? REST_STYLES[style].says;
        times.set(says, (times.get(says) ?? 0) + 1);
      }
      const said = [...times].sort((a, b) => b[1] - a[1]).map(([says]) => says);
      return [style, said.join(', or ') || REST_STYLES[style].says];
    }),
  );
}

/** What a stretch that is no work is called: what is done in it, where something is asked for; null where nothing is. */
export function restWords(
  run: Pick<Run, 'plan'>,
  segment: Segment,
  said: Readonly<Partial<Record<RestStyle, string>>>,
): string | null {
  const style = restStyleIn(run.plan.blocks[segment.block]!, segment);
  const does = style && said[style];
  if (!does) return null;
  return segment.kind === 'drink' ? `${SEGMENT_KINDS.drink}, ${does}` : does;
}

/** What a stretch that is no work is called on a face. */
export const restCalled = (...of: Parameters<typeof restWords>): string =>
  restWords(...of) ?? SEGMENT_KINDS[of[1].kind];
