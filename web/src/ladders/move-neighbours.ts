import type { Avoid, Library, Rung } from '@inner-rung/core/ladder';
import { stepWords } from '@inner-rung/core/ladder';
import { CAPABILITIES, type Need } from '@inner-rung/core/move';

interface Neighbour {
  readonly id: string;
  readonly ladder: string;
  readonly easier: Rung | null;
  readonly harder: Rung | null;
  readonly levers: { readonly down: string; readonly up: string };
}

/** The rungs below and above a move on each ladder it stands on. */
export function neighboursOf(library: Library, move: string): Neighbour[] {
  return library.ladders.flatMap((ladder) => {
    const at = ladder.rungs.flatMap((rung, i) => (rung.move === move ? [i] : []));
    if (at.length === 0) return [];
    const below = ladder.rungs[at[0]! - 1] ?? null;
    const above = ladder.rungs[at.at(-1)! + 1] ?? null;
    const words = (rung: number, way: 'harder' | 'easier') =>
      stepWords(library, ladder.rungs, rung, way).join(', ');
    return [
      {
        id: ladder.id,
        ladder: ladder.name,
        easier: below,
        harder: above,
        levers: { down: words(at[0]!, 'easier'), up: words(at.at(-1)! + 1, 'harder') },
      },
    ];
  });
}

export const ORIGIN = {
  published: 'published',
  memory: 'published, from memory',
  practice: 'common practice',
  drawing: 'from its drawing',
  estimate: 'estimate',
} as const;

/** What a trainer is asked to take out of a move most, in this order. */
export const WAYS_ROUND: readonly (readonly [Avoid, string])[] = [
  ['leaving the floor', 'Feet down'],
  ['weight through the wrists', 'Off the wrists'],
  ['kneeling', 'Off the knees'],
  ['bending the back', 'Long back'],
  ['getting down to the floor', 'Off the floor'],
  ['arms overhead', 'Arms low'],
  ['standing and the floor', 'Seated'],
];

export function needWords(need: Need): string {
  const unit = need.what === 'hand load' ? 'kg' : 'cm';
  const size =
    need.min === undefined && need.max === undefined
      ? ''
      : need.max === undefined
        ? ` (${need.min} ${unit} or more)`
        : ` (${need.min ?? 0}–${need.max} ${unit})`;
  return `${need.count > 1 ? `${need.count} × ` : ''}${CAPABILITIES[need.what]}${size}`;
}
