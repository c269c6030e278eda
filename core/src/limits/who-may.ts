import { formsOf } from '../forms/index.ts';
import type { Library } from '../ladder/index.ts';
import { type LevelIndex, type Limit, levelAbility } from '../person/index.ts';
import { EVERYWHERE } from '../room/index.ts';
import { AS_WRITTEN } from '../session/index.ts';
import { type Constraints, compileConstraints, NOBODY, type Subject } from './constraints.ts';
import { type Law, lawIn } from './law.ts';

/** What limits leave of a move in a room that has everything: as it is, holding on, or not, and what decides. */
type MoveState = { readonly is: 'open' | 'held' } | { readonly is: 'barred'; readonly by: string };

/** The moves of one trunk and its branches, told once: those open, those with a hold, and what bars the others. */
export interface LadderMay {
  readonly name: string;
  readonly open: readonly string[];
  readonly held: readonly string[];
  readonly barred: readonly { readonly says: string; readonly moves: readonly string[] }[];
}

export interface WhoMay {
  /** How many moves at each level that was asked about. */
  readonly counts: readonly {
    readonly level: LevelIndex | null;
    readonly open: number;
    readonly held: number;
    readonly barred: number;
  }[];
  /** By ladder, at the last of these levels. */
  readonly ladders: readonly LadderMay[];
}

function stateOf(law: Law, move: string, c: Constraints): MoveState {
  const { table } = law;
  const forms = formsOf(table, move).filter((f) => table.trim[f]! < 0 && table.side[f] === 0);
  if (forms.some((f) => table.support[f] === 0 && law.isOpen(f, c))) return { is: 'open' };
  if (forms.some((f) => law.isOpen(f, c))) return { is: 'held' };
  const [fewest] = forms.map((f) => law.bars(f, c, 99)).sort((a, b) => a.length - b.length);
  const [first] = fewest ?? [];
  return { is: 'barred', by: first === undefined ? 'no form of it' : law.ruler(c, first).says };
}

/** Every move once, at the first trunk it stands on or branches off; the last list has those on no ladder. */
function listsOf(library: Library): { name: string; moves: string[] }[] {
  const told = new Set<string>();
  const lists = library.ladders
    .filter((ladder) => ladder.branchOf.length === 0)
    .map((trunk) => {
      const all = library.ladders.filter((l) => l === trunk || l.branchOf.includes(trunk.id));
      const moves = [...new Set(all.flatMap((l) => l.rungs.map((r) => r.move)))].filter(
        (move) => !told.has(move),
      );
      for (const move of moves) told.add(move);
      return { name: trunk.name, moves };
    });
  const onLadders = new Set(library.ladders.flatMap((ladder) => ladder.rungs.map((rung) => rung.move)));
  const others = library.moves.map(({ id }) => id).filter((move) => !onLadders.has(move));
  return [...lists, { name: 'On no ladder', moves: others }].filter(({ moves }) => moves.length > 0);
}

function tell(library: Library, subjects: readonly { level: LevelIndex | null; subject: Subject }[]): WhoMay {
  const law = lawIn(library, EVERYWHERE);
  const asked = subjects.map(({ level, subject }) => {
    const c = compileConstraints(subject, AS_WRITTEN);
    return { level, states: new Map(library.moves.map(({ id }) => [id, stateOf(law, id, c)])) };
  });
  const last = asked.at(-1)!.states;
  return {
    counts: asked.map(({ level, states }) => {
      const of = (is: MoveState['is']) => [...states.values()].filter((one) => one.is === is).length;
      return { level, open: of('open'), held: of('held'), barred: of('barred') };
    }),
    ladders: listsOf(library).map(({ name, moves }): LadderMay => {
      const barred = new Map<string, string[]>();
      for (const move of moves) {
        const state = last.get(move)!;
        if (state.is === 'barred') barred.set(state.by, [...(barred.get(state.by) ?? []), move]);
      }
      const of = (is: MoveState['is']) => moves.filter((move) => last.get(move)!.is === is);
      return {
        name,
        open: of('open'),
        held: of('held'),
        barred: [...barred].map(([says, moves]) => ({ says, moves })),
      };
    }),
  };
}

/** What some limits alone leave, for nobody in particular, at every level; by ladder for the fittest. Pure. */
export const limitsLeave = (library: Library, limits: readonly Limit[]): WhoMay =>
  tell(
    library,
    ([0, 1, 2, 3] as const).map((level) => ({
      level,
      subject: { ...NOBODY, ability: levelAbility(level), limits },
    })),
  );

/** What one person's limits and abilities leave them. Pure. */
export const personMay = (library: Library, subject: Subject): WhoMay =>
  tell(library, [{ level: null, subject }]);
