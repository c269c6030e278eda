import * as z from 'zod';
import { drawnSchema, idSchema, limbFiguresSchema, moveSchema } from '../move/index.ts';
import { lazily } from '../record/index.ts';
import type { LibraryFault, LibraryFile } from './file.ts';
import { ladderSchema } from './ladder.ts';

/** One file of the library: a ladder and the moves that have their home on it, or moves that stand on none. */
export const ladderFileSchema = lazily(() =>
  z.strictObject({
    $schema: z.string().optional(),
    ladder: ladderSchema.optional(),
    moves: z.array(moveSchema).default([]),
  }),
);

/** Sentences that many moves have, by a name. */
const sharedSchema = lazily(() =>
  z.strictObject({
    breaths: z.record(idSchema, z.string().min(2)),
    faults: z.record(idSchema, moveSchema.shape.faults.element),
  }),
);

/** Figures that were reckoned from the moves' drawings, by move: what a move doesn't say itself. */
const drawnFileSchema = lazily(() =>
  z.strictObject({
    drawn: z.record(idSchema, drawnSchema),
    others: z.record(idSchema, limbFiguresSchema).default({}),
  }),
);

type Raw = Readonly<Record<string, unknown>>;
const isRaw = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is said of a move beyond the one it is like: figures one by one, everything else as a whole. */
const over = (like: Raw, own: Raw): Raw => ({
  ...like,
  // Names are a move's own.
  twins: [],
  ...own,
  ...(isRaw(like['demand']) && isRaw(own['demand'])
    ? { demand: { ...like['demand'], ...own['demand'] } }
    : {}),
});

/**
 * Files as they are written made into files that say everything: a move that is `like` another has what it doesn't say
 * itself from that one, and breaths and faults that are named stand as their sentences. What can't be made out is left
 * as it is and told.
 */
export function writtenOut(files: readonly LibraryFile[]): {
  readonly files: readonly LibraryFile[];
  readonly faults: readonly LibraryFault[];
} {
  const faults: LibraryFault[] = [];
  const moves = new Map<string, { file: string; raw: Raw }>();
  let shared: z.output<typeof sharedSchema> = { breaths: {}, faults: {} };
  let { drawn, others }: z.output<typeof drawnFileSchema> = { drawn: {}, others: {} };
  const rest: LibraryFile[] = [];
  for (const file of files) {
    if (isRaw(file.json) && 'breaths' in file.json) {
      const read = sharedSchema.safeParse(file.json);
      if (read.success) shared = read.data;
      else
        for (const { path, message } of read.error.issues)
          faults.push({ file: file.name, where: 'the file itself', field: path.join('.'), message });
      continue;
    }
    if (isRaw(file.json) && 'drawn' in file.json) {
      const read = drawnFileSchema.safeParse(file.json);
      if (read.success) ({ drawn, others } = read.data);
      else
        for (const { path, message } of read.error.issues)
          faults.push({ file: file.name, where: 'the file itself', field: path.join('.'), message });
      continue;
    }
    rest.push(file);
    const list = isRaw(file.json) ? file.json['moves'] : undefined;
    for (const raw of Array.isArray(list) ? list : [])
      if (isRaw(raw) && typeof raw['id'] === 'string') moves.set(raw['id'], { file: file.name, raw });
  }

  const made = new Map<string, Raw>();
  const wholeOf = (id: string, seen: readonly string[]): Raw | string => {
    const known = made.get(id);
    if (known) return known;
    const found = moves.get(id);
    if (!found) return `there is no move "${id}" to be like`;
    if (seen.includes(id)) return `"${id}" is like itself`;
    const { like, ...own } = found.raw;
    if (like === undefined) return own;
    if (typeof like !== 'string') return 'name a move by its id';
    const other = wholeOf(like, [...seen, id]);
    if (typeof other === 'string') return other;
    const whole = over(other, own);
    made.set(id, whole);
    return whole;
  };
  /** What its own drawing doesn't say of a move, that of the one it is like does. */
  const drawnOf = (id: string, seen: readonly string[]): Raw | undefined => {
    const like = moves.get(id)?.raw['like'];
    const other = typeof like === 'string' && !seen.includes(like) ? drawnOf(like, [...seen, id]) : undefined;
    const own = drawn[id];
    if (!own || !other) return own ?? other;
    return Object.fromEntries(Object.entries(own).map(([key, said]) => [key, said ?? other[key] ?? null]));
  };
  const named = (move: Raw): Raw => {
    const { breath, faults: told } = move;
    const id = String(move['id']);
    const reckoned = drawnOf(id, []);
    return {
      ...move,
      ...(reckoned && move['drawn'] === undefined ? { drawn: reckoned } : {}),
      ...(others[id] && move['other'] === undefined ? { other: others[id] } : {}),
      ...(typeof breath === 'string' && Object.hasOwn(shared.breaths, breath)
        ? { breath: shared.breaths[breath] }
        : {}),
      ...(Array.isArray(told)
        ? {
            faults: told.map((one) =>
              typeof one === 'string' && Object.hasOwn(shared.faults, one) ? shared.faults[one] : one,
            ),
          }
        : {}),
    };
  };
  return {
    faults,
    files: rest.map((file): LibraryFile => {
      const list = isRaw(file.json) ? file.json['moves'] : undefined;
      if (!Array.isArray(list)) return file;
      return {
        name: file.name,
        json: {
          ...(file.json as Raw),
          moves: list.map((raw: unknown) => {
            if (!isRaw(raw) || typeof raw['id'] !== 'string') return raw;
            const whole = wholeOf(raw['id'], []);
            if (typeof whole !== 'string') return named(whole);
            faults.push({
              file: file.name,
              where: `move "${raw['id']}"`,
              field: 'like',
              message: whole,
            });
            const { like: _, ...own } = raw;
            return named(own);
          }),
        },
      };
    }),
  };
}

/** A ladder's file as an editor checks it while it is written: a move that is like another says only what differs. */
export function ladderFileJsonSchema(): object {
  const { properties = {}, ...move } = z.toJSONSchema(moveSchema, {
    io: 'input',
    unrepresentable: 'any',
  }) as { properties?: Record<string, object>; required?: string[]; $schema?: string };
  const sentence = { type: 'string', description: 'a sentence, or the name of one in shared.json' };
  const { $schema, ...ladder } = z.toJSONSchema(ladderSchema, { io: 'input', unrepresentable: 'any' }) as {
    $schema?: string;
  };
  const { required = [], $schema: _, ...rest } = move;
  const written = {
    ...rest,
    properties: {
      ...properties,
      like: { type: 'string', description: 'the id of a move that this one is like but for what it says' },
      breath: sentence,
      faults: {
        type: 'array',
        minItems: 1,
        maxItems: 2,
        items: { anyOf: [sentence, (properties['faults'] as { items?: object }).items ?? {}] },
      },
    },
    required: ['id', 'name'],
    if: { required: ['like'] },
    else: { required },
  };
  return {
    $schema,
    title: 'A ladder of the library with its moves',
    type: 'object',
    additionalProperties: false,
    properties: { $schema: { type: 'string' }, ladder, moves: { type: 'array', items: written } },
  };
}
