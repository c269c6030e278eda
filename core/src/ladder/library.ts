import * as z from 'zod';
import {
  DEMAND_KEYS,
  type Demand,
  type DemandKey,
  DRAWN_KEYS,
  demandKeySchema,
  type Figure,
  figureSchema,
  type Heights,
  idSchema,
  leastAt,
  type Move,
  readFigure,
} from '../move/index.ts';
import { lazily } from '../record/index.ts';
import type { LibraryFault, LibraryFile } from './file.ts';
import type { Ladder } from './ladder.ts';
import { undrawn } from './undrawn.ts';
import { ladderFileSchema, writtenOut } from './written.ts';

const basesSchema = lazily(() =>
  z.strictObject({
    bases: z.array(
      z.strictObject({
        id: idSchema,
        says: z.string().min(3),
        on: idSchema.optional(),
        demand: z.partialRecord(demandKeySchema, figureSchema),
      }),
    ),
  }),
);

export class LibraryError extends Error {
  readonly faults: readonly LibraryFault[];
  constructor(faults: readonly LibraryFault[]) {
    super(
      faults.map((f) => `${f.file}: ${f.where}, field "${f.field}": ${f.message}`).join('\n') ||
        'The movement library is empty.',
    );
    this.name = 'LibraryError';
    this.faults = faults;
  }
}

/** A posture, and what it asks before a move says anything of its own. */
export interface Base {
  readonly says: string;
  readonly demand: Partial<Demand>;
}

export interface Library {
  readonly moves: readonly Move[];
  readonly ladders: readonly Ladder[];
  readonly demand: ReadonlyMap<string, Demand>;
  /** Base postures by id: they fill what a move doesn't state. */
  readonly bases: ReadonlyMap<string, Base>;
  readonly move: (id: string) => Move | undefined;
  readonly ladder: (id: string) => Ladder | undefined;
}

type WrittenBase = z.output<typeof basesSchema>['bases'][number];
type Fault = Pick<LibraryFault, 'field' | 'message'>;

function faultsOf(file: string, json: unknown, error: z.ZodError): LibraryFault[] {
  return error.issues.map((issue) => {
    const [list, index, ...rest] = issue.path;
    if (list === 'ladder') {
      const { id } = (json as { ladder?: { id?: unknown } }).ladder ?? {};
      const field = issue.path.slice(1).join('.') || '(whole)';
      return { file, where: `ladder "${String(id)}"`, field, message: issue.message };
    }
    const entry =
      typeof index === 'number'
        ? (json as Record<string, { id?: unknown }[] | undefined>)[String(list)]?.[index]
        : undefined;
    const where =
      entry === undefined
        ? 'the file itself'
        : `${String(list).replace(/s$/, '')} "${String(entry.id ?? `number ${Number(index) + 1}`)}"`;
    const field = entry === undefined ? issue.path.join('.') || '(top)' : rest.join('.') || '(whole)';
    return { file, where, field, message: issue.message };
  });
}

/**
 * Opens the movement library from its files: one of base postures, one of shared sentences, the rest a ladder each
 * with its moves. Base figures
 * fill what a move doesn't state, so that nothing is silently zero: a figure that neither states is
 * a fault. Throws {@link LibraryError} naming every file, move and field that is wrong.
 */
export function openLibrary(written: readonly LibraryFile[]): Library {
  const { files, faults: unread } = writtenOut(written);
  const faults: LibraryFault[] = [...unread];
  const bases = new Map<string, WrittenBase>();
  const moves: Move[] = [];
  const ladders: Ladder[] = [];
  const homes = new Map<string, string>();

  for (const file of files) {
    const isBases = typeof file.json === 'object' && file.json !== null && 'bases' in file.json;
    if (isBases) {
      const read = basesSchema.safeParse(file.json);
      if (!read.success) faults.push(...faultsOf(file.name, file.json, read.error));
      else for (const base of read.data.bases) bases.set(base.id, base);
      continue;
    }
    const read = ladderFileSchema.safeParse(file.json);
    if (!read.success) {
      faults.push(...faultsOf(file.name, file.json, read.error));
      continue;
    }
    for (const [kind, list] of [
      ['move', read.data.moves],
      ['ladder', read.data.ladder ? [read.data.ladder] : []],
    ] as const) {
      for (const entry of list) {
        const key = `${kind} "${entry.id}"`;
        const other = homes.get(key);
        if (other)
          faults.push({
            file: file.name,
            where: key,
            field: 'id',
            message: `this id is already used in ${other}`,
          });
        homes.set(key, file.name);
      }
    }
    moves.push(...read.data.moves);
    if (read.data.ladder) ladders.push(read.data.ladder);
  }

  const baseFigures = (id: string, seen: readonly string[] = []): Map<DemandKey, Figure> | string => {
    const base = bases.get(id);
    if (!base) return `there is no base posture "${id}"`;
    if (seen.includes(id)) return `base posture "${id}" stands on itself`;
    const below = base.on ? baseFigures(base.on, [...seen, id]) : new Map<DemandKey, Figure>();
    if (typeof below === 'string') return below;
    for (const [key, written] of Object.entries(base.demand))
      below.set(key as DemandKey, readFigure(written, 'estimate'));
    return below;
  };

  const bare = new Map<string, Base>();
  for (const { id, says } of bases.values()) {
    const figures = baseFigures(id);
    if (typeof figures !== 'string')
      bare.set(id, { says, demand: Object.fromEntries(figures) as Partial<Demand> });
  }

  const demand = new Map<string, Demand>();
  const fault = (kind: 'move' | 'ladder', id: string) => (found: Fault) =>
    faults.push({ file: homes.get(`${kind} "${id}"`) ?? '?', where: `${kind} "${id}"`, ...found });
  for (const move of moves) {
    const figures = baseFigures(move.base);
    const asks = demandFrom(move, bare, typeof figures === 'string' ? figures : undefined);
    if (Array.isArray(asks)) asks.forEach(fault('move', move.id));
    else demand.set(move.id, asks);
  }
  const moveById = new Map(moves.map((move) => [move.id, move]));
  const ladderIds = new Set(ladders.map((ladder) => ladder.id));
  for (const move of moves)
    if (move.easier && !moveById.has(move.easier.move))
      fault('move', move.id)({ field: 'easier.move', message: `there is no move "${move.easier.move}"` });
  for (const ladder of ladders)
    ladderFaults(ladder, (id) => moveById.get(id), ladderIds).forEach(fault('ladder', ladder.id));

  if (faults.length > 0 || moves.length === 0) throw new LibraryError(faults);
  return libraryOf({ moves, ladders, demand, bases: bare });
}

/** A figure that is no less than its drawing shows. */
function atLeast(stated: Figure | undefined, drawn: number | Heights, usualCm: number): Figure {
  const heights = typeof drawn === 'number' ? null : drawn;
  const least = typeof drawn === 'number' ? drawn : leastAt(drawn, usualCm);
  const figure: Figure =
    stated && stated.hi !== null && stated.hi >= least
      ? stated
      : { lo: Math.max(least, stated?.lo ?? 0), hi: least, from: 'drawing' };
  return heights ? { ...figure, heights } : figure;
}

/** All that a move asks: its base posture's figures and its own on top; or what is wrong with it. */
export function demandFrom(
  move: Move,
  bases: ReadonlyMap<string, Base>,
  missing = `there is no base posture "${move.base}"`,
): Demand | Fault[] {
  const base = bases.get(move.base);
  if (!base) return [{ field: 'base', message: missing }];
  const figures: Partial<Record<DemandKey, Figure>> = { ...base.demand };
  for (const [key, written] of Object.entries(move.demand))
    if (written !== undefined) figures[key as DemandKey] = readFigure(written, move.from);
  for (const [key, drawn] of Object.entries(move.drawn ?? {}) as [DemandKey, number | null | Heights][]) {
    // Where the author says that it isn't known, it isn't.
    if (drawn === null || move.demand[key] === null) continue;
    figures[key] = atLeast(figures[key], drawn, move.surface?.usualCm ?? 0);
  }
  // What only a drawing knows, of a move without one.
  if (DRAWN_KEYS.some((key) => figures[key]?.hi === null)) {
    const careful = undrawn(move, figures);
    for (const key of DRAWN_KEYS) if (figures[key]?.hi === null) figures[key] = careful[key];
  }
  const unstated = DEMAND_KEYS.filter((key) => figures[key] === undefined);
  return unstated.length > 0
    ? unstated.map((key) => ({
        field: `demand.${key}`,
        message: 'not stated by the move or its base; write null if it isn’t known',
      }))
    : (figures as Demand);
}

/** What keeps a ladder from standing: a move, a trunk or a height that isn't there. */
export function ladderFaults(
  ladder: Ladder,
  moveOf: (id: string) => Move | undefined,
  ladders: ReadonlySet<string>,
): Fault[] {
  const faults: Fault[] = [];
  ladder.branchOf.forEach((trunk, i) => {
    if (!ladders.has(trunk))
      faults.push({ field: `branchOf.${i}`, message: `there is no ladder "${trunk}"` });
  });
  ladder.rungs.forEach((rung, i) => {
    const move = moveOf(rung.move);
    const cm = rung.settings?.surfaceCm;
    const field = `rungs.${i}.settings.surfaceCm`;
    if (!move) faults.push({ field: `rungs.${i}.move`, message: `there is no move "${rung.move}"` });
    else if (cm !== undefined && !move.surface)
      faults.push({ field, message: `"${move.id}" has no surface to set` });
    else if (cm !== undefined && move.surface && (cm < move.surface.minCm || cm > move.surface.maxCm))
      faults.push({
        field,
        message: `${cm} cm is outside ${move.surface.minCm}–${move.surface.maxCm} cm`,
      });
  });
  return faults;
}

/** What a library is made of: without functions, so that it can cross over to a worker. */
export type LibraryParts = Pick<Library, 'moves' | 'ladders' | 'demand' | 'bases'>;

/** A library from its parts; of two things with one id the last holds. */
export function libraryOf({ moves, ladders, demand, bases }: LibraryParts): Library {
  const byId = <T extends { id: string }>(of: ReadonlyMap<string, T>) =>
    [...of.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
  const moveById = new Map(moves.map((move) => [move.id, move]));
  const ladderById = new Map(ladders.map((ladder) => [ladder.id, ladder]));
  return {
    moves: byId(moveById),
    ladders: byId(ladderById),
    demand,
    bases,
    move: (id) => moveById.get(id),
    ladder: (id) => ladderById.get(id),
  };
}

/** The library with moves and ladders added, or standing in for those of the same id. */
export function libraryWith(
  library: Library,
  moves: readonly { readonly move: Move; readonly demand: Demand }[],
  ladders: readonly Ladder[] = [],
): Library {
  const demand = new Map(library.demand);
  for (const added of moves) demand.set(added.move.id, added.demand);
  return libraryOf({
    moves: [...library.moves, ...moves.map((added) => added.move)],
    ladders: [...library.ladders, ...ladders],
    demand,
    bases: library.bases,
  });
}
