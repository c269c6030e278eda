import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, NOBODY, type Ruler } from '@inner-rung/core/limits';
import { DEMANDS } from '@inner-rung/core/move';
import {
  CONDITION_IDS,
  type ConditionId,
  compileCondition,
  conditionOf,
  LEVELS,
  type LevelIndex,
  type Limit,
  levelAbility,
} from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const law = lawIn(library, EVERYWHERE);
const folder = join(process.cwd(), 'docs/open-to');

const limitWords = (limit: Limit): string => {
  switch (limit.kind) {
    case 'cap':
      return `${DEMANDS[limit.on].says}: at most ${limit.max} ${DEMANDS[limit.on].unit} (${limit.reason})`;
    case 'require':
      return `holding on where balance is above ${limit.supportAboveBalance} (${limit.reason})`;
    case 'floor':
      return `${limit.what}: ${limit.seconds} s at least (${limit.reason})`;
    case 'effort':
      return `effort: at most ${limit.maxRpe} of 10 (${limit.reason})`;
    case 'budget':
      return `${DEMANDS[limit.on].says}: at most ${limit.max} a ${limit.per} (${limit.reason})`;
    case 'ban':
      return `no ${limit.pattern} (${limit.reason})`;
  }
};

type State = { readonly is: 'open' | 'held' } | { readonly is: 'barred'; readonly by: readonly Ruler[] };

/** What a condition leaves of a move in a room that has everything: as it is, holding on, or not. */
function stateOf(move: string, c: ReturnType<typeof compileConstraints>): State {
  const forms = formsOf(law.table, move).filter((f) => law.table.trim[f]! < 0 && law.table.side[f] === 0);
  if (forms.some((f) => law.table.support[f] === 0 && law.isOpen(f, c))) return { is: 'open' };
  if (forms.some((f) => law.isOpen(f, c))) return { is: 'held' };
  const bars = forms.map((f) => law.bars(f, c, 99)).sort((a, b) => a.length - b.length)[0] ?? [];
  return { is: 'barred', by: bars.map((r) => law.ruler(c, r)) };
}

function pageOf(id: ConditionId): string {
  const condition = conditionOf(id);
  const limits = compileCondition(id);
  const at = (level: LevelIndex) =>
    compileConstraints({ ...NOBODY, ability: levelAbility(level), limits }, AS_WRITTEN);
  const c = at(3);
  const states = new Map(library.moves.map(({ id: move }) => [move, stateOf(move, c)]));
  const name = (move: string) => library.move(move)!.name;
  const onLadders = new Set(library.ladders.flatMap((ladder) => ladder.rungs.map((rung) => rung.move)));
  // Every move once, at the first trunk it stands on or branches off.
  const told = new Set<string>();
  const lists = [
    ...library.ladders
      .filter((ladder) => ladder.branchOf.length === 0)
      .map((trunk) => {
        const all = library.ladders.filter((l) => l === trunk || l.branchOf.includes(trunk.id));
        const moves = [...new Set(all.flatMap((l) => l.rungs.map((r) => r.move)))].filter(
          (move) => !told.has(move),
        );
        for (const move of moves) told.add(move);
        return { name: trunk.name, moves };
      }),
    { name: 'On no ladder', moves: library.moves.map((m) => m.id).filter((move) => !onLadders.has(move)) },
  ];
  const counts = ([0, 1, 2, 3] as const).map((level) => {
    const all = library.moves.map(({ id: move }) => stateOf(move, at(level)).is);
    const of = (is: State['is']) => all.filter((one) => one === is).length;
    return `| ${LEVELS[level].name} | ${of('open')} | ${of('held')} | ${of('barred')} |`;
  });
  const section = ({ name: title, moves }: (typeof lists)[number]) => {
    const of = (is: State['is']) => moves.filter((move) => states.get(move)!.is === is);
    const barred = new Map<string, string[]>();
    for (const move of of('barred')) {
      const state = states.get(move)!;
      const says = state.is === 'barred' ? [...new Set(state.by.map((ruler) => ruler.says))] : [];
      const why = says[0] ?? 'no form of it';
      barred.set(why, [...(barred.get(why) ?? []), name(move)]);
    }
    const line = (words: string, list: readonly string[]) =>
      list.length > 0 ? `\n- ${words}: ${list.join(', ')}` : '';
    return `\n### ${title}\n${line('open', of('open').map(name))}${line('holding on', of('held').map(name))}${[...barred].map(([why, moves]) => line(`barred, ${why}`, moves)).join('')}\n`;
  };
  return `# ${condition.name}

Written by \`UPDATE_DOCS=1 npx jest core/test/open-to\`. **Not yet reviewed by a clinician.**

> ${condition.caution}

${limits.map((limit) => `- ${limitWords(limit)}`).join('\n') || '- nothing is barred'}
${[...(condition.reminders ?? [])].map((one) => `- to be seen to: ${one}`).join('\n')}
${condition.notAlone ? '- never left to work alone\n' : ''}${condition.steady ? '- no harder rungs, no reach\n' : ''}
Moves by level, in a room that has everything, by this condition alone:

| level | open | holding on | barred |
| --- | --: | --: | --: |
${counts.join('\n')}

## For “${LEVELS[3].name}”
${lists
  .filter(({ moves }) => moves.length > 0)
  .map(section)
  .join('')}`;
}

/** Without what a formatter changes: spaces, and the lines of tables. */
const words = (text: string) => text.replace(/[-:|\s]+/g, ' ').trim();

/** What every condition leaves and bars, for a clinician to read and to see what changed. */
test.each(CONDITION_IDS)('docs/open-to/%s.md says what is open, held and barred', (id) => {
  const page = pageOf(id);
  const path = join(folder, `${id}.md`);
  if (process.env['UPDATE_DOCS']) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(path, page);
  }
  if (!existsSync(path)) throw new Error(`${id} has no page: UPDATE_DOCS=1 npx jest core/test/open-to`);
  expect(words(readFileSync(path, 'utf8')) === words(page)).toBe(true);
});

test('no page is of a condition that isn’t there', () => {
  expect(readdirSync(folder).sort()).toEqual(CONDITION_IDS.map((id) => `${id}.md`).sort());
});
