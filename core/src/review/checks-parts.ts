import type { Joint, Pattern } from '../move/index.ts';
import { floorSeconds } from '../person/index.ts';
import { isCircuit, roleOf } from '../session/index.ts';
import { usedBy } from '../ways/index.ts';
import { type Check, type Context, type Raw, span } from './check.ts';

/** Joints that a coach sees to before a circuit; the others come along. Common practice. */
const READIED: ReadonlySet<Joint> = new Set(['shoulders', 'wrists', 'lower back', 'hips', 'knees', 'ankles']);

const GROUPS_OF_PATTERNS: readonly {
  readonly id: string;
  readonly words: string;
  readonly advice: string;
  readonly is: (pattern: Pattern) => boolean;
}[] = [
  {
    id: 'no pull',
    words: 'pulls',
    advice: 'A row would balance the pushing.',
    is: (p) => p.startsWith('pull'),
  },
  {
    id: 'no push',
    words: 'pushes',
    advice: 'A push-up of some kind would balance the pulling.',
    is: (p) => p.startsWith('push'),
  },
  {
    id: 'no legs',
    words: 'trains the legs',
    advice: 'A squat or a lunge would carry the rest.',
    is: (p) => ['squat', 'hinge', 'split stance', 'step', 'jump', 'get up'].includes(p),
  },
];

/** Nothing in a session of one group of patterns, unless nothing of a group before it is told already. */
function missingGroup(c: Context, id: string): Raw[] {
  const stations = c.session.blocks.filter(isCircuit).flatMap((block) => block.stations);
  if (stations.length < 6) return [];
  const done = new Set<Pattern>();
  c.entries.forEach((entry, i) => {
    if (!isCircuit(c.session.blocks[entry.block]!)) return;
    const move = c.library.move(c.version.uses[i]?.move ?? entry.move);
    if (move) done.add(move.pattern);
  });
  const missing = GROUPS_OF_PATTERNS.find(({ is }) => ![...done].some(is));
  if (missing?.id !== id) return [];
  return [
    {
      severity: 'note',
      block: null,
      station: null,
      says: `Nothing in this session ${missing.words}. ${missing.advice}`,
      fix: null,
    },
  ];
}

export const warmUpThere: Check = {
  id: 'warm-up',
  find: (c) => {
    const circuits = c.session.blocks.filter(isCircuit);
    if (circuits.every((block) => block.stations.length === 0)) return [];
    const needs = floorSeconds(c.limits ?? [], 'warm-up');
    const warm = c.session.blocks.findIndex((block) => roleOf(block) === 'warm-up');
    const has = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
    if (needs > has)
      return [
        {
          severity: warm < 0 ? 'note' : 'mend',
          block: warm < 0 ? null : warm,
          station: null,
          says: `They need ${span(needs)} of warm-up, rising slowly, before this begins${warm < 0 ? '' : `; there are ${span(has)}`}.`,
          fix: { label: 'Make one', kind: 'add', role: 'warm-up' },
        },
      ];
    if (warm < 0)
      return [
        {
          severity: 'note',
          block: null,
          station: null,
          says: 'No warm-up in this session.',
          fix: { label: 'Make one', kind: 'add', role: 'warm-up' },
        },
      ];
    return [];
  },
};

export const jointNotWarm: Check = {
  id: 'joint not warm',
  find: (c) => {
    const circuits = c.session.blocks.filter(isCircuit);
    const warm = c.session.blocks.findIndex((block) => roleOf(block) === 'warm-up');
    const lasts = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
    // One that is missing or too short is told of first.
    if (warm < 0 || floorSeconds(c.limits ?? [], 'warm-up') > lasts) return [];
    if (circuits.every((block) => block.stations.length === 0)) return [];
    const used = usedBy(
      c.library,
      circuits.flatMap((block) => block.stations),
    ).joints;
    const warmed = new Set(
      c.session.blocks[warm]!.stations.flatMap((s) => {
        const move = c.library.move(s.move);
        return move?.serves ? move.serves.joints : usedBy(c.library, [s]).joints;
      }),
    );
    const cold = used.filter((joint) => READIED.has(joint) && !warmed.has(joint));
    return cold.length > 0
      ? [
          {
            severity: 'note',
            block: warm,
            station: null,
            says: `The warm-up leaves out the ${cold.join(', ')}, which the circuit uses.`,
            fix: { label: 'Make it anew', kind: 'add', role: 'warm-up' },
          },
        ]
      : [];
  },
};

export const coolDownThere: Check = {
  id: 'cool-down',
  find: (c) => {
    const needs = floorSeconds(c.limits ?? [], 'cool-down');
    const at = c.session.blocks.findIndex((block) => roleOf(block) === 'cool-down');
    const has = at < 0 ? 0 : c.sums.blocks[at]!.lengthSeconds;
    return needs > has
      ? [
          {
            severity: 'note',
            block: at < 0 ? null : at,
            station: null,
            says: `They need ${span(needs)} of cooling down afterwards, never stopping dead${at < 0 ? '' : `; there are ${span(has)}`}.`,
            fix: { label: 'Make one', kind: 'add', role: 'cool-down' },
          },
        ]
      : [];
  },
};

export const noPull: Check = {
  id: 'no pull',
  was: ['nothing pulls'],
  find: (c) => missingGroup(c, 'no pull'),
};

export const noPush: Check = {
  id: 'no push',
  was: ['nothing pushes'],
  find: (c) => missingGroup(c, 'no push'),
};

export const noLegs: Check = {
  id: 'no legs',
  was: ['nothing trains the legs'],
  find: (c) => missingGroup(c, 'no legs'),
};
