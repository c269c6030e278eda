import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { type ConditionId, compileCondition, type LevelIndex } from '@inner-rung/core/person';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { formName, sayReason } from '@inner-rung/core/words';
import { PLANS, ROOMS } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const room = ROOMS[0]!;
const plan = PLANS.find((p) => p.id === 'twelve-by-thirty')!;
const scaler = createScaler(compileLibrary(library), room);

/** Eight people as they come, and what a coach has to say of what each is given. */
const EIGHT: readonly {
  readonly name: string;
  readonly level: LevelIndex;
  readonly conditions: readonly ConditionId[];
  readonly coach: string;
}[] = [
  {
    name: 'New to exercise, nothing wrong',
    level: 0,
    conditions: [],
    coach:
      'Every pattern is still there and nothing leaves the floor. The push goes to the wall bar’s height rather than to the knees, because knees down is harder than it looks; the crunch and the side plank go to the chair and the wall, where a first session can be kept straight. The pace stays where one can still chat.',
  },
  {
    name: 'Older, sore knees',
    level: 0,
    conditions: ['sore-knees', 'older-beginner'],
    coach:
      'The knees are spared twice: no kneeling anywhere, and less bend (the wall sit a hand higher, sit to stand instead of a squat, a low step with a hand on the rail). Where balance is asked for there is a wall or a chair back in reach.',
  },
  {
    name: 'Moves well, the wrists bear no weight',
    level: 2,
    conditions: ['wrist-no-load'],
    coach:
      'Legs and trunk are as written: a sore wrist is no reason to do less of them. The plank goes to the forearms, which is the same exercise; the push-ups and the dip to a band, which isn’t, and it says so. Three band presses in one round is a lot of one thing: with a second band height I would change one by hand.',
  },
  {
    name: 'Pregnant, after week 12',
    level: 1,
    conditions: ['pregnancy-later'],
    coach:
      'One foot stays down, nothing on the front, and the crunch becomes a seated knee tuck rather than time on the back. The plank and push-ups have the hands raised, which also keeps the strain on the belly down. Stop at doming is on the card.',
  },
  {
    name: 'A larger body, new to exercise',
    level: 0,
    conditions: ['larger-body'],
    coach:
      'Raised surfaces, one foot down, and no getting down and up twelve times: the whole round stays off the floor. The step is low with a hand on the rail.',
  },
  {
    name: 'A low back that is worse bending',
    level: 1,
    conditions: ['back-worse-bending'],
    coach:
      'Only the crunch goes: a seated knee tuck keeps the front of the trunk at work with the back long. Braces stay, since holding still is what that back is good at.',
  },
  {
    name: 'A teenager finding their feet',
    level: 1,
    conditions: ['teenager'],
    coach:
      'Jumps stay, few and low; the push-up is raised until it is clean, because technique comes before load. Nothing here is maximal.',
  },
  {
    name: 'Fit and bored',
    level: 3,
    conditions: [],
    coach:
      'What they own they keep as written; the squat gets a weight and the lunge a raised back foot, a rung up where the circuit had been too easy for them. Nobody is given more jumps than the trainer wrote.',
  },
];

const versionOf = ({ level, conditions }: (typeof EIGHT)[number]) => {
  const lane = laneSubject(level);
  return scaler.scale({
    session: plan,
    writtenFor: 2,
    dials: { ...AS_WRITTEN, ability: 'own rungs' },
    subject: { ...lane, limits: [...lane.limits, ...conditions.flatMap((id) => compileCondition(id))] },
  });
};

function page(): string {
  const parts = EIGHT.map((person) => {
    const version = versionOf(person);
    const lines = version.uses.map((use, i) => {
      const was = version.original[i]!;
      const reason = version.reasons.find((r) => r.entry === i);
      const form = use ? formName(library, use.move, use.settings) : 'Easy movement';
      const how = use ? (use.pace === null ? `hold ${use.holdSeconds} s` : `${use.pace} a minute`) : '';
      const why = reason ? sayReason(library, was, reason).replaceAll('|', '/') : 'As written.';
      return `| ${i + 1} | ${library.move(was.move)!.name} | ${form} | ${how} | ${why} |`;
    });
    return `## ${person.name}\n\n${person.coach}\n\n| | as written | they do | how | why |\n| --- | --- | --- | --- | --- |\n${lines.join('\n')}\n`;
  });
  return `# The published circuit for eight people\n\nThe twelve stations of Klika and Jordan (2013, from memory), thirty seconds each, in ${room.name}. Written by a test\n(\`core/test/eight.test.ts\`, with UPDATE_DOCS=1), so that it says what the engine does; the words above each table are a\ncoach’s.\n\n${parts.join('\n')}`;
}

test('docs/eight-people.md says what the engine does', () => {
  const path = join(process.cwd(), 'docs/eight-people.md');
  const words = (text: string) => text.replace(/[\s|:-]+/g, ' ').trim();
  if (process.env['UPDATE_DOCS'] || !existsSync(path)) writeFileSync(path, page());
  expect(words(readFileSync(path, 'utf8'))).toBe(words(page()));
});

test('what the coach says of them holds', () => {
  const of = (name: string) => {
    const person = EIGHT.find((p) => p.name.startsWith(name))!;
    return versionOf(person).uses.map((use) => ({ use: use!, move: library.move(use!.move)! }));
  };
  const demand = (move: string) => library.demand.get(move)!;
  for (const { use } of of('New')) expect(use.lightPerMinute + use.highPerMinute).toBe(0);
  for (const { move } of of('Older')) expect(demand(move.id)['knee.kneel'].hi).toBe(0);
  for (const { move } of of('Moves well')) expect(demand(move.id)['wrist.load'].hi!).toBeLessThanOrEqual(12);
  expect(of('Moves well')[7]!.move.id).toBe('forearm-plank');
  for (const { use } of of('Pregnant')) expect(use.lightPerMinute + use.highPerMinute).toBe(0);
  for (const { move } of of('A larger')) expect(move.posture.start).not.toBe('sitting on the floor');
  expect(of('A low back')[3]!.move.id).not.toBe('crunch');
  expect(of('A low back')[7]!.move.pattern).toBe('brace');
  // As written where they own it.
  expect(
    of('Fit').filter(({ use }, i) => use.move === plan.blocks[0]!.stations[i]!.move).length,
  ).toBeGreaterThan(8);
});
