import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Library, type LibraryFile, libraryWith, openLibrary } from '@inner-rung/core/ladder';
import type { Demand, DemandKey } from '@inner-rung/core/move';

const folder = join(dirname(fileURLToPath(import.meta.url)), '../../library');

export function shippedFiles(): LibraryFile[] {
  const names = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((name) => /^(ladders\/[^/]+\/[^/]+|moves\/[^/]+|bases|shared|drawn)\.json$/.test(name))
    .sort();
  return names.map((name) => ({ name, json: JSON.parse(readFileSync(join(folder, name), 'utf8')) }));
}

export const shipped = (): Library => openLibrary(shippedFiles());

/** Small, seeded, and good enough to jitter figures with (mulberry32). */
export function random(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A library of `count` moves: the shipped ones, then jittered copies of them on ladders of their own. */
export function libraryOf(count: number, base: Library): Library {
  const next = random(count);
  const moves = base.moves.slice(0, Math.min(count, base.moves.length));
  const demand = new Map(base.demand);
  const ladders = [...base.ladders];
  for (let copy = 1; moves.length < count; copy++) {
    for (const move of base.moves) {
      if (moves.length >= count) break;
      const id = `${move.id}-${copy}`;
      const factor = 0.75 + next() * 0.5;
      const figures = { ...base.demand.get(move.id)! } as Record<DemandKey, Demand[DemandKey]>;
      for (const key of Object.keys(figures) as DemandKey[])
        if (key.startsWith('strength.') || key.startsWith('effort.')) {
          const { lo, hi, from } = figures[key];
          figures[key] = { lo: (lo ?? 0) * factor, hi: (hi ?? 0) * factor, from };
        }
      demand.set(id, figures);
      moves.push({ ...move, id, name: `${move.name} ${copy}` });
    }
    ladders.push(
      ...base.ladders.map((ladder) => ({
        ...ladder,
        id: `${ladder.id}-${copy}`,
        branchOf: ladder.branchOf.map((id) => `${id}-${copy}`),
        rungs: ladder.rungs.map((rung) => ({ ...rung, move: `${rung.move}-${copy}` })),
      })),
    );
  }
  const here = new Set(moves.map((m) => m.id));
  const kept = ladders
    .map((l) => ({ ...l, rungs: l.rungs.filter((r) => here.has(r.move)) }))
    .filter((l) => l.rungs.length > 0);
  const added = moves
    .slice(Math.min(count, base.moves.length))
    .map((move) => ({ move, demand: demand.get(move.id)! }));
  return { ...libraryWith({ ...base, moves: moves.slice(0, base.moves.length), ladders: [] }, added, kept) };
}
