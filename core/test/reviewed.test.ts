import { limitsLeave, personMay, subjectOf } from '@inner-rung/core/limits';
import { compileCondition, PERSON_EXAMPLE, REVIEW, reviewSchema, sinceReview } from '@inner-rung/core/person';
import { openRecord } from '@inner-rung/core/record';
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
    expect(sinceReview(signed, now)).toBeNull();
  });
  test('names each move and limit that is otherwise since', () => {
    const [gone, ...open] = now.open;
    expect(
      sinceReview(signed, {
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
    expect(sinceReview(signed, { ...now, open, held: [...now.held, moved!] })).toBeNull();
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
