import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { limitsLeave, personMay, subjectOf } from '@inner-rung/core/limits';
import {
  CONDITION_IDS,
  type ConditionId,
  compileCondition,
  limitsSigned,
  PERSON_EXAMPLE,
  REVIEW,
  reviewSchema,
  sinceThen,
} from '@inner-rung/core/person';
import { openRecord } from '@inner-rung/core/record';
import { asReleased, RELEASED, type Released } from '@inner-rung/core/released';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const knees = limitsLeave(library, compileCondition('sore-knees'));
const all = (list: 'open' | 'held') => knees.ladders.flatMap((ladder) => ladder[list]);
const now = { limits: ['no kneeling'], open: all('open'), held: all('held') };
const signed = reviewSchema.parse({ ...REVIEW.example, ...now });

describe('who may do what', () => {
  test('every move stands on one list once, and the counts at a level come to all of them', () => {
    const told = knees.ladders.flatMap(({ open, held, barred }) => [
      ...open,
      ...held,
      ...barred.flatMap(({ moves }) => moves),
    ]);
    expect([...told].sort()).toEqual(library.moves.map(({ id }) => id).sort());
    for (const { open, held, barred } of knees.counts)
      expect(open + held + barred).toBe(library.moves.length);
  });
  test('who can do more has no less open', () => {
    const open = knees.counts.map((level) => level.open + level.held);
    expect([...open].sort((a, b) => a - b)).toEqual(open);
  });
  test('a person without conditions is barred by their own level and effort alone', () => {
    const { counts, ladders } = personMay(library, subjectOf(PERSON_EXAMPLE, library, '2026-11-02'));
    expect(counts).toHaveLength(1);
    expect(ladders.flatMap(({ open }) => open)).toContain('sit-to-stand');
  });
});

describe('a condition that a clinician signed', () => {
  test('is as it was while nothing changes', () => {
    expect(sinceThen(signed, now)).toBeNull();
  });
  test('names each move and limit that is otherwise since', () => {
    const [gone, ...open] = now.open;
    expect(
      sinceThen(signed, {
        limits: ['no kneeling', 'no jumping'],
        open: [...open, 'brand-new'],
        held: now.held,
      }),
    ).toEqual({
      limitsNew: ['no jumping'],
      limitsGone: [],
      opened: ['brand-new'],
      barred: [gone],
    });
  });
  test('a move that now needs a hold is still open, and no change', () => {
    const [moved, ...open] = now.open;
    expect(sinceThen(signed, { ...now, open, held: [...now.held, moved!] })).toBeNull();
  });
  test.each([
    ['nobody’s name', { by: '' }, 'by'],
    ['no profession', { role: 'x' }, 'role'],
    ['a day that isn’t one', { on: '2026-02-30' }, 'on'],
    ['a field that isn’t known', { stamp: true }, ''],
  ])('%s is refused, and it is said where', (_, patch, where) => {
    const opened = openRecord(REVIEW, { ...signed, ...patch });
    expect(opened.ok).toBe(false);
    if (!opened.ok) expect(opened.where).toContain(where);
  });
});

describe('what changed since the last release', () => {
  const path = join(process.cwd(), 'core/src/released/released.json');
  const stands = (id: ConditionId) => {
    const { ladders } = limitsLeave(library, compileCondition(id));
    return {
      limits: limitsSigned(id),
      open: ladders.flatMap((ladder) => ladder.open),
      held: ladders.flatMap((ladder) => ladder.held),
    };
  };
  /** The record of a release on a day: what each condition leaves of every move. */
  const releaseOf = (on: string): Released => {
    const moves = library.moves.map(({ id }) => id).sort();
    const of = (id: ConditionId) => {
      const { limits, open, held } = stands(id);
      const left = new Set([...open, ...held]);
      const digit = (at: number) =>
        [0, 1, 2, 3].reduce((bits, j) => bits + (left.has(moves[at + j] ?? '') ? 2 ** j : 0), 0).toString(16);
      return { limits, open: moves.flatMap((_, at) => (at % 4 === 0 ? [digit(at)] : [])).join('') };
    };
    return { on, moves, conditions: Object.fromEntries(CONDITION_IDS.map((id) => [id, of(id)])) };
  };
  // With a release: `RELEASE=2026-12-01 npx jest core/test/reviewed` writes what the next one is compared with.
  const day = process.env['RELEASE'];
  if (day) writeFileSync(path, `${JSON.stringify(releaseOf(day))}\n`);

  test('the record that ships knows its moves and gives each condition a digit for every four of them', () => {
    expect(new Set(RELEASED.moves).size).toBe(RELEASED.moves.length);
    for (const [id, { open }] of Object.entries(RELEASED.conditions))
      expect([id, open.length, /^[0-9a-f]*$/.test(open)]).toEqual([
        id,
        Math.ceil(RELEASED.moves.length / 4),
        true,
      ]);
  });
  test('a release made now says of no condition that anything changed', () => {
    const release = releaseOf('2026-12-01');
    for (const id of CONDITION_IDS) {
      const [then, since] = asReleased(release, id, stands(id))!;
      expect([id, sinceThen(then, since)]).toEqual([id, null]);
    }
  });
  test('what was taken out of a release, or put in, is told as opened or barred since; newer moves are nobody’s change', () => {
    const release = releaseOf('2026-12-01');
    const { open, ...rest } = stands('sore-knees');
    const [gone, ...left] = open;
    const [then, since] = asReleased(release, 'sore-knees', { ...rest, open: [...left, 'brand-new'] })!;
    expect(sinceThen(then, since)).toEqual({ limitsNew: [], limitsGone: [], opened: [], barred: [gone] });
    const without = { ...release, moves: release.moves.map((move) => (move === gone ? 'another' : move)) };
    const [before, after] = asReleased(without, 'sore-knees', { ...rest, open })!;
    expect(sinceThen(before, after)).toEqual({
      limitsNew: [],
      limitsGone: [],
      opened: [],
      barred: ['another'],
    });
  });
  test('a condition that the release didn’t know has nothing to be compared with', () => {
    const { 'sore-knees': _, ...conditions } = RELEASED.conditions;
    expect(asReleased({ ...RELEASED, conditions }, 'sore-knees', stands('sore-knees'))).toBeNull();
  });
});
