import { FORMATS, type Format, type FormatKind, INPUTS, type InputKey } from '@inner-rung/core/clock';
import {
  type Block,
  factsIn,
  KIND_IDS,
  PLAN_EXAMPLE,
  type Plan,
  type Station,
  type Timed,
} from '@inner-rung/core/session';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
export const moveIds = library.moves.map((m) => m.id);
export const facts = factsIn(library);

type Intervals = Extract<Format, { kind: 'intervals' }>;

/** A block of intervals with these moves. */
export const circuit = (
  moves: readonly (string | (Partial<Station> & { move: string }))[],
  format: Partial<Intervals> = {},
): Block => ({
  id: 'main',
  format: {
    kind: 'intervals',
    workSeconds: 40,
    restSeconds: 20,
    rounds: 2,
    roundRestSeconds: 60,
    closingRest: false,
    ...format,
  },
  stations: moves.map((move, i) => ({
    id: `s${i + 1}`,
    sides: 'swap at half' as const,
    ...(typeof move === 'string' ? { move } : move),
  })),
});

/** Blocks as a session. */
export const session = (...blocks: Block[]): Timed => ({ blocks, forWhom: 'adults' });

/** A plan document of blocks. */
export const planOf = (blocks: Block[], more: Partial<Plan> = {}): Plan => ({
  ...PLAN_EXAMPLE,
  blocks,
  ...more,
});

/** A number inside an input's bounds, small enough to draw thousands. */
const within = (key: InputKey, most = Number.POSITIVE_INFINITY) =>
  fc.integer({ min: INPUTS[key].min, max: Math.min(INPUTS[key].max, most) });

/** A format of one kind with inputs somewhere in their bounds. */
export function anyFormat(kind: FormatKind): fc.Arbitrary<Format> {
  const { usual, inputs } = FORMATS[kind];
  const fields: Record<string, fc.Arbitrary<unknown>> = {};
  for (const input of inputs) {
    const key = input.replace('?', '');
    if (key === 'closingRest' || key === 'led') fields[key] = fc.boolean();
    else if (key === 'order') fields[key] = fc.constantFrom('in turn', 'station by station');
    else if (key === 'way') fields[key] = fc.constantFrom('up', 'down', 'up and down');
    else if (key === 'timed') fields[key] = fc.option(fc.constant(true), { nil: undefined });
    else if (key === 'growBy') fields[key] = fc.option(within(key, 3), { nil: undefined });
    else if (key === 'everySeconds') fields[key] = fc.option(within(key, 180), { nil: undefined });
    else if (key === 'mostRounds') fields[key] = fc.option(within('mostRounds', 6), { nil: undefined });
    else if (key === 'from' || key === 'to') fields[key] = fc.integer({ min: 1, max: 12 });
    else if (key === 'capSeconds')
      fields[key] = input.endsWith('?')
        ? fc.option(within('capSeconds', 900), { nil: undefined })
        : within('capSeconds', 900);
    else fields[key] = within(key as InputKey, key === 'rounds' || key === 'sets' ? 4 : 90);
  }
  return fc.record(fields).map((values) => {
    const format = { ...usual, ...values } as Record<string, unknown>;
    for (const key of Object.keys(format)) if (format[key] === undefined) delete format[key];
    return format as Format;
  });
}

export const anyKind = fc.constantFrom(...(Object.keys(FORMATS) as FormatKind[]));

const anyStation = (id: string): fc.Arbitrary<Station> =>
  fc
    .record({
      move: fc.constantFrom(...moveIds),
      reps: fc.option(fc.integer({ min: 1, max: 20 }), { nil: undefined }),
      chain: fc.option(fc.constantFrom(...moveIds), { nil: undefined, freq: 6 }),
      sides: fc.constantFrom('swap at half' as const, 'two slots' as const, 'alternate' as const),
    })
    .map(({ move, reps, chain, sides }) => ({
      id,
      move,
      sides: library.move(move)!.sides === 'one' ? sides : ('swap at half' as const),
      ...(reps === undefined ? {} : { dose: { reps } }),
      ...(chain === undefined ? {} : { chain: [{ move: chain }] }),
    }));

/** One block of any format, with up to so many stations. */
const anyBlockOf = (id: string, most: number): fc.Arbitrary<Block> =>
  fc
    .tuple(anyKind.chain(anyFormat), fc.integer({ min: 1, max: most }))
    .chain(([format, n]) =>
      fc
        .tuple(...Array.from({ length: n }, (_, i) => anyStation(`s${i + 1}`)))
        .map((stations): Block => ({ id, format, stations })),
    );

/** A session of one to three blocks of any formats. */
export const anySession: fc.Arbitrary<Timed> = fc
  .tuple(fc.integer({ min: 1, max: 3 }), fc.constantFrom(...KIND_IDS))
  .chain(([n, forWhom]) =>
    fc.tuple(...Array.from({ length: n }, (_, i) => anyBlockOf(`b${i + 1}`, 6))).chain((blocks) =>
      fc
        .array(fc.record({ seconds: fc.integer({ min: 0, max: 120 }), drink: fc.boolean() }), {
          minLength: n,
          maxLength: n,
        })
        .map((after) => ({ forWhom, blocks: blocks.map((b, i) => ({ ...b, after: after[i]! })) })),
    ),
  );
