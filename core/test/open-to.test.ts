import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type LadderMay, limitsLeave } from '@inner-rung/core/limits';
import { DEMANDS } from '@inner-rung/core/move';
import {
  CONDITION_IDS,
  type ConditionId,
  compileCondition,
  conditionOf,
  GUIDANCE,
  LEVELS,
  type Limit,
} from '@inner-rung/core/person';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
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

function pageOf(id: ConditionId): string {
  const condition = conditionOf(id);
  const limits = compileCondition(id);
  const may = limitsLeave(library, limits);
  const name = (move: string) => library.move(move)!.name;
  const counts = may.counts.map(
    ({ level, open, held, barred }) => `| ${LEVELS[level!].name} | ${open} | ${held} | ${barred} |`,
  );
  const section = ({ name: title, open, held, barred }: LadderMay) => {
    const line = (words: string, list: readonly string[]) =>
      list.length > 0 ? `\n- ${words}: ${list.map(name).join(', ')}` : '';
    return `\n### ${title}\n${line('open', open)}${line('holding on', held)}${barred.map(({ says, moves }) => line(`barred, ${says}`, moves)).join('')}\n`;
  };
  return `# ${condition.name}

Written by \`UPDATE_DOCS=1 npx jest core/test/open-to\`. **Not yet reviewed by a clinician.**

> ${condition.caution}

Goes by, as remembered: ${GUIDANCE[id]}

${limits.map((limit) => `- ${limitWords(limit)}`).join('\n') || '- nothing is barred'}
${[...(condition.reminders ?? [])].map((one) => `- to be seen to: ${one}`).join('\n')}
${condition.clearFirst ? '- a doctor’s word first, from after it began, however active they were\n' : ''}${condition.notAlone ? '- never left to work alone\n' : ''}${condition.steady ? '- no harder rungs, no reach\n' : ''}
Moves by level, in a room that has everything, by this condition alone:

| level | open | holding on | barred |
| --- | --: | --: | --: |
${counts.join('\n')}

## For “${LEVELS[3].name}”
${may.ladders.map(section).join('')}`;
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

/** All of them in one table: what guidance says beside what is made of it. */
function guidanceTable(): string {
  const rows = CONDITION_IDS.map((id) => {
    const { name, clearFirst, notAlone, steady, effortByWords } = conditionOf(id);
    const made = [
      ...compileCondition(id).map(limitWords),
      ...(clearFirst ? ['a doctor’s word first'] : []),
      ...(notAlone ? ['never alone'] : []),
      ...(steady ? ['no harder rungs'] : []),
      ...(effortByWords ? ['effort by words'] : []),
    ];
    return `| ${name} | ${GUIDANCE[id]} | ${made.join('; ') || 'nothing is barred'} |`;
  });
  return `# What each condition goes by

Written by \`UPDATE_DOCS=1 npx jest core/test/open-to\`. Guidance is from memory, named, not looked up; levels are this library's own.
**None of it has been reviewed by a clinician.**

| condition | guidance, as remembered | what is made of it |
| --- | --- | --- |
${rows.join('\n')}
`;
}

test('who goes by “a doctor first” waits for a doctor’s word, and nobody else does', () => {
  for (const id of CONDITION_IDS) {
    const first = /(?:doctor|surgeon|programme) first/iu.test(GUIDANCE[id]);
    expect([id, conditionOf(id).clearFirst === true]).toEqual([id, first]);
  }
});

test('docs/guidance.md has for every condition what it goes by beside what is made of it', () => {
  const path = join(process.cwd(), 'docs/guidance.md');
  if (process.env['UPDATE_DOCS']) writeFileSync(path, guidanceTable());
  expect(words(readFileSync(path, 'utf8')) === words(guidanceTable())).toBe(true);
});

test('no page is of a condition that isn’t there', () => {
  expect(readdirSync(folder).sort()).toEqual(CONDITION_IDS.map((id) => `${id}.md`).sort());
});
