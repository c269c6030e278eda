import * as z from 'zod';
import {
  DEMAND_KEYS,
  type Demand,
  idSchema,
  type Move,
  moveSchema,
  type WrittenFigure,
} from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import { type Ladder, ladderSchema } from './ladder.ts';
import { demandFrom, type Library, ladderFaults, libraryWith } from './library.ts';
import { NOT_DRAWN } from './undrawn.ts';

const common = () => ({
  version: z.literal(1),
  /** "move-push-up" or "ladder-push": one change for each thing. */
  id: idSchema,
  of: idSchema,
});

/** A trainer's own move or ladder, or their change to one of the reference, kept apart from it. */
export const changeSchema = lazily(() =>
  z
    .discriminatedUnion('kind', [
      z.strictObject({
        ...common(),
        kind: z.literal('move'),
        mine: moveSchema,
        /** The reference as it stood when it was changed; null where there was none. */
        was: moveSchema.nullable(),
      }),
      z.strictObject({
        ...common(),
        kind: z.literal('ladder'),
        /** Null: put away. */
        mine: ladderSchema.nullable(),
        was: ladderSchema.nullable(),
      }),
    ])
    .superRefine((change, ctx) => {
      const wrong = (path: string, message: string) =>
        ctx.addIssue({ code: 'custom', path: [path], message });
      if (change.id !== changeId(change.kind, change.of))
        wrong(
          'id',
          `the change to ${change.kind} "${change.of}" is called "${changeId(change.kind, change.of)}"`,
        );
      for (const side of ['mine', 'was'] as const)
        if (change[side] && change[side].id !== change.of) wrong(side, `its id must be "${change.of}"`);
      if (!change.mine && !change.was) wrong('mine', 'there is nothing here to put away');
    }),
);
export type Change = z.output<typeof changeSchema>;

export function changeId(kind: Change['kind'], of: string): string {
  return `${kind}-${of}`;
}

const CHANGE_EXAMPLE: Change = {
  version: 1,
  id: 'ladder-my-squats',
  of: 'my-squats',
  kind: 'ladder',
  mine: {
    id: 'my-squats',
    name: 'My squats',
    intent: 'Squats to begin with.',
    measures: ['strength.legs'],
    branchOf: [],
    rungs: [{ move: 'squat', levers: [] }],
  },
  was: null,
};

export const CHANGE: RecordKind<Change> = {
  kind: 'change',
  collection: 'changes',
  name: 'change of the library',
  schema: changeSchema,
  version: 1,
  upgrades: {},
  references: [],
  example: CHANGE_EXAMPLE,
};

/** One thing that differs, as plain JSON on both sides; undefined where one side doesn't say. */
export interface FieldChange {
  /** "cues", "demand.wrist.load", "rungs". */
  readonly field: string;
  readonly was: unknown;
  readonly mine: unknown;
  readonly now: unknown;
  /** Changed here and in the reference since, differently: somebody has to choose. */
  readonly clash: boolean;
}

export interface ChangeState {
  readonly change: Change;
  /** `broken`: it can't stand in the library any more; it is kept, and `says` why. */
  readonly state: 'own' | 'changed' | 'put away' | 'clash' | 'broken';
  readonly fields: readonly FieldChange[];
  readonly says: string | null;
}

type Record_ = Readonly<Record<string, unknown>>;

/** A move or ladder as flat fields: a demand's figures are fields of their own. */
function fieldsOf(thing: object | null): Record_ {
  if (!thing) return {};
  const { demand, ...rest } = thing as { demand?: Record_ };
  const flat: Record<string, unknown> = { ...rest };
  for (const [key, figure] of Object.entries(demand ?? {})) flat[`demand.${key}`] = figure;
  return flat;
}

function unflatten(fields: Record_): Record_ {
  const out: Record<string, unknown> = {};
  const demand: Record<string, unknown> = {};
  for (const [field, value] of Object.entries(fields)) {
    if (value === undefined) continue;
    if (field.startsWith('demand.')) demand[field.slice(7)] = value;
    else out[field] = value;
  }
  if (Object.keys(demand).length > 0 || 'base' in out) out['demand'] = demand;
  return out;
}

/** Compared as written: an empty list and a missing one are one and the same. */
const same = (a: unknown, b: unknown) => plain(a) === plain(b);
function plain(value: unknown): string {
  if (value === undefined || (Array.isArray(value) && value.length === 0)) return '';
  if (Array.isArray(value)) return `[${value.map(plain).join(',')}]`;
  if (value && typeof value === 'object')
    return `{${Object.entries(value)
      .filter(([, v]) => plain(v) !== '')
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${k}:${plain(v)}`)
      .join(',')}}`;
  return JSON.stringify(value);
}

/**
 * Three ways into one: what only the reference changed is taken over, what only the trainer changed
 * stands, and where both changed differently it is a clash, in which the trainer's stands until they
 * choose.
 */
function merge(
  was: object | null,
  mine: object,
  now: object | null,
): { merged: Record_; fields: FieldChange[] } {
  const [w, m, n] = [fieldsOf(was), fieldsOf(mine), fieldsOf(now)];
  const fields: FieldChange[] = [];
  const merged: Record<string, unknown> = {};
  for (const field of new Set([...Object.keys(w), ...Object.keys(m), ...Object.keys(n)])) {
    const ours = !same(w[field], m[field]);
    const theirs = !same(w[field], n[field]);
    merged[field] = ours ? m[field] : theirs ? n[field] : (m[field] ?? n[field]);
    if (ours && !same(m[field], n[field]))
      fields.push({ field, was: w[field], mine: m[field], now: n[field], clash: theirs });
  }
  return { merged: unflatten(merged), fields };
}

export interface OwnLibrary {
  readonly library: Library;
  readonly states: readonly ChangeState[];
}

/**
 * The reference library with a trainer's changes on top. A change that can't stand (a rung whose move is
 * gone, say) is left out, kept and told, and the rest stands.
 */
export function openOwn(reference: Library, changes: readonly Change[]): OwnLibrary {
  const states: ChangeState[] = [];
  const moves = new Map<string, { move: Move; demand: Demand }>();
  const ladders: { ladder: Ladder; change: Change; fields: readonly FieldChange[] }[] = [];
  const away = new Set<string>();
  const broken = (
    change: Change,
    fields: readonly FieldChange[],
    fault: { field: string; message: string },
  ) => states.push({ change, fields, state: 'broken', says: `${fault.field}: ${fault.message}` });
  const stands = (change: Change, fields: readonly FieldChange[], now: object | null) =>
    states.push({
      change,
      fields,
      state: fields.some((f) => f.clash) ? 'clash' : now ? 'changed' : 'own',
      says: null,
    });

  for (const change of [...changes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    if (!change.mine) {
      away.add(change.of);
      states.push({ change, fields: [], state: 'put away', says: null });
      continue;
    }
    const now = (change.kind === 'move' ? reference.move(change.of) : reference.ladder(change.of)) ?? null;
    const { merged, fields: all } = merge(change.was, change.mine, now);
    const fields = change.was || now ? all : [];
    const read = change.kind === 'move' ? moveSchema.safeParse(merged) : ladderSchema.safeParse(merged);
    if (!read.success) {
      const issue = read.error.issues[0]!;
      broken(change, fields, { field: issue.path.join('.') || '(whole)', message: issue.message });
    } else if (change.kind === 'move') {
      const move = read.data as Move;
      const demand = demandFrom(move, reference.bases);
      if (Array.isArray(demand)) broken(change, fields, demand[0]!);
      else {
        moves.set(move.id, { move, demand });
        stands(change, fields, now);
      }
    } else ladders.push({ ladder: read.data as Ladder, change, fields });
  }

  // Ladders are looked at last: their rungs may be moves of one's own, their trunks each other.
  const moveOf = (id: string) => moves.get(id)?.move ?? reference.move(id);
  let standing = ladders;
  for (;;) {
    const ids = new Set([...reference.ladders.map((l) => l.id), ...standing.map((l) => l.ladder.id)]);
    const next = standing.filter(({ ladder, change, fields }) => {
      const [fault] = ladderFaults(ladder, moveOf, ids);
      if (fault) broken(change, fields, fault);
      return !fault;
    });
    if (next.length === standing.length) break;
    standing = next;
  }
  for (const { change, fields } of standing) stands(change, fields, reference.ladder(change.of) ?? null);
  states.sort((a, b) => (a.change.id < b.change.id ? -1 : 1));

  const own = new Map(standing.map((l) => [l.ladder.id, l.ladder]));
  const all = [...reference.ladders.filter((l) => !own.has(l.id)), ...own.values()]
    .filter((l) => !away.has(l.id))
    .map((l) =>
      l.branchOf.some((id) => away.has(id))
        ? { ...l, branchOf: l.branchOf.filter((id) => !away.has(id)) }
        : l,
    );
  return { library: libraryWith({ ...reference, ladders: [] }, [...moves.values()], all), states };
}

/** A move as it is written down: only the figures that differ from its base posture's and that nothing else says. */
export function writtenMove(library: Library, move: Move, demand: Demand): Move {
  const base = library.bases.get(move.base)?.demand ?? {};
  const figures: Record<string, WrittenFigure> = {};
  for (const key of DEMAND_KEYS) {
    const { lo, hi, from, source } = demand[key];
    const standing = base[key];
    if (standing && standing.lo === lo && standing.hi === hi) continue;
    // What is drawn is read off the drawing, and what only a drawing knows is reckoned anew.
    if (from === 'drawing' || source === NOT_DRAWN) continue;
    figures[key] =
      lo === null || hi === null
        ? null
        : from === move.from && !source
          ? lo === hi
            ? lo
            : [lo, hi]
          : { lo, hi, from, ...(source ? { source } : {}) };
  }
  return { ...move, demand: figures as Move['demand'] };
}

/** The change that puts a move or ladder in the library, or stands for the one of the same id there. */
export function changeTo(reference: Library, thing: Move | Ladder): Change {
  const common = { version: 1, of: thing.id } as const;
  return 'rungs' in thing
    ? {
        ...common,
        id: changeId('ladder', thing.id),
        kind: 'ladder',
        mine: thing,
        was: reference.ladder(thing.id) ?? null,
      }
    : {
        ...common,
        id: changeId('move', thing.id),
        kind: 'move',
        mine: thing,
        was: reference.move(thing.id) ?? null,
      };
}

/**
 * The next change after an edit: what it started from stays, so that an upgrade of the reference can still
 * be told from the trainer's work. Null when nothing differs from the reference any more.
 */
export function changeWith(
  reference: Library,
  standing: Change | undefined,
  thing: Move | Ladder,
): Change | null {
  const next = changeTo(reference, thing);
  const change = standing?.was ? ({ ...next, was: standing.was } as Change) : next;
  return change.was && same(change.mine, change.was) ? null : change;
}

/** A change after somebody has chosen for one field: theirs is the reference's as it stands now. */
export function settleField(
  change: Change,
  field: string,
  take: 'mine' | 'theirs',
  now: object | null,
): Change | null {
  if (!change.mine) return null;
  const mine = { ...fieldsOf(change.mine) };
  const was = { ...fieldsOf(change.was) };
  const standing = fieldsOf(now);
  if (take === 'theirs') mine[field] = standing[field];
  was[field] = standing[field];
  const next = changeSchema.safeParse({
    ...change,
    mine: unflatten(mine),
    was: change.was ? unflatten(was) : null,
  });
  if (!next.success) return null;
  return same(next.data.mine, next.data.was) ? null : next.data;
}

/**
 * The moves as they have to be for a trainer's own word to mean one of them: it gains the word as an everyday
 * name, whatever else went by it loses it. A move's own name can't be taken from it: null then, with whose it is.
 */
export function wordFor(
  library: Library,
  word: string,
  id: string,
  plainOf: (text: string) => string,
): { readonly moves: readonly Move[] } | { readonly taken: Move } {
  const plain = plainOf(word);
  const taken = library.moves.find((m) => m.id !== id && plainOf(m.name) === plain);
  if (taken) return { taken };
  return {
    moves: library.moves.flatMap((move): Move[] => {
      const goes = plainOf(move.name) === plain || move.twins.some((twin) => plainOf(twin) === plain);
      if (move.id === id) return goes ? [] : [{ ...move, twins: [...move.twins, word.trim()] }];
      return goes ? [{ ...move, twins: move.twins.filter((twin) => plainOf(twin) !== plain) }] : [];
    }),
  };
}
