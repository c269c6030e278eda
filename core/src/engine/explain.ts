import { type FormTable, settingsOf } from '../forms/index.ts';
import type { Constraints, Law, Ruler, Verdict } from '../limits/index.ts';
import type { Aim } from './aim.ts';
import type { Choice } from './budget.ts';
import type { Similarity } from './similarity.ts';
import type { Reason, Use } from './version.ts';

interface Case {
  readonly entry: number;
  readonly table: FormTable;
  readonly law: Law;
  readonly verdict: Verdict;
  readonly constraints: Constraints;
  readonly similarity: Similarity;
  readonly aim: Aim | null;
  readonly choice: Choice | null;
  readonly use: Use | null;
  /** As written. */
  readonly was: Use | null;
  /** The cheapest form nearer than the choice that one single ruler bars. */
  readonly near: Choice | null;
  /** Effort of the choice as a share of what was aimed for. */
  readonly effort: number;
}

const ANY = 99;

/** Why a station isn't as written: what ruled, what came near, what is kept. */
export function explain(it: Case): Reason {
  const { table, choice, aim, use, near } = it;
  const { index, move: moveOf } = table;
  const move = choice ? moveOf[choice.form]! : -1;
  return {
    entry: it.entry,
    use,
    what: whatChanged(it, move),
    rulers: aim === null ? [UNKNOWN_MOVE] : choice === null ? inTheWay(it, aim) : whatRuled(it, aim, choice),
    nearMiss: near
      ? {
          move: index.ids[moveOf[near.form]!]!,
          settings: settingsOf(table, near.form),
          ruler: it.law.ruler(it.constraints, it.verdict.ruler[near.form]!),
        }
      : null,
    kept: {
      samePattern: choice !== null && aim !== null && index.pattern[move] === index.pattern[aim.move],
      muscles: choice && aim ? it.similarity.overlap(aim.move, move) : 0,
      effort: it.effort,
    },
    quickerBy: use?.pace ? Math.max(0, use.pace - index.pace[move * 3 + 1]!) : 0,
  };
}

const UNKNOWN_MOVE: Ruler = {
  kind: 'room',
  id: 'unknown move',
  says: 'nothing is known here of what it asks: you show it, and judge who does it',
  mayLoosen: false,
};

function whatChanged({ choice, aim, table, use, was }: Case, move: number): Reason['what'] {
  if (!choice || !aim) return 'rest';
  if (choice.form === aim.form) return use?.own && use.pace === was?.pace ? 'dose' : 'pace';
  const asBefore = table.trim[choice.form]! >= 0 || table.side[choice.form]! > 0;
  return move === aim.move && asBefore ? 'trim' : 'form';
}

/** All that bars the trainer's own choice; when nothing does, what made another fit better. */
function whatRuled({ table, law, constraints: c, use, was }: Case, aim: Aim, choice: Choice): Ruler[] {
  const first = table.start[aim.move]!;
  if (aim.form < 0 && table.missing[first] === -1)
    return [{ kind: 'room', id: 'size', says: 'not at this height here', mayLoosen: true }];
  const bars = law.bars(aim.form < 0 ? first : aim.form, c, ANY).map((r) => law.ruler(c, r));
  if (bars.length > 0) return bars;
  if (choice.form === aim.form && use?.own && use.pace === was?.pace && use.own.loadKg !== null)
    return [
      {
        kind: 'fit',
        id: 'load',
        says: 'nobody has seen them with more than they begin with',
        mayLoosen: true,
      },
    ];
  if (choice.form === aim.form && use?.own && use.pace === was?.pace)
    return [{ kind: 'fit', id: 'clean', says: 'that is what has been clean so far', mayLoosen: true }];
  if (choice.form === aim.form) {
    // The same form, slower or in shorter holds: the tightest bound on either.
    const bounds = Number.isNaN(choice.pace) ? c.hold : c.met;
    const tightest = bounds.reduce<(typeof bounds)[number] | null>(
      (a, b) => (a && a.max <= b.max ? a : b),
      null,
    );
    const landing = c.landings.find((b) => b.per === 'minute' && aim.hi[b.at]! * choice.pace <= b.max);
    const by = tightest ?? landing;
    if (by) return [c.rulers[by.ruler]!];
  }
  const session = c.landings.find((b) => b.per === 'session' && aim.hi[b.at]! > 0);
  if (c.ability) {
    const asked = (aim.lo[aim.governs]! + aim.hi[aim.governs]!) / 2;
    return [
      {
        kind: 'fit',
        id: 'ability',
        says: asked < aim.target ? 'they are ready for more' : 'this suits where they are',
        mayLoosen: true,
      },
    ];
  }
  return session ? [c.rulers[session.ruler]!] : [];
}

/** Where no form is left: the smallest set of rulers in the way of any form that keeps the intent. */
function inTheWay({ table, law, constraints: c, similarity }: Case, aim: Aim): Ruler[] {
  let fewest: number[] = [];
  for (const move of similarity.ranking(aim.move).moves)
    for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
      const bars = law.bars(f, c, fewest.length || ANY);
      if (bars.length > 0 && (fewest.length === 0 || bars.length < fewest.length)) fewest = bars;
    }
  return fewest.map((r) => law.ruler(c, r));
}
