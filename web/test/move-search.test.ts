import { breaksPromise } from '@inner-rung/core/ladder';
import { shippedLibrary } from '../../core/test/shipped.ts';
import { findMoves, readQuery } from '../src/features/move-search.ts';

const library = shippedLibrary();
const ids = (text: string, most = 8) => findMoves(library, text, most).map((hit) => hit.id);

describe('searching moves', () => {
  test.each([
    ['an everyday twin', 'press-up', 'push-up'],
    ['another everyday twin', 'glute bridge', 'bridge'],
    ['a name with a typo', 'jumpng jak', 'jumping-jack'],
    ['a twin with a typo', 'russian twst', 'floor-turn-feet-up'],
    ['letters dropped', 'mountin climbr', 'climber-run'],
    ['the beginning of a name', 'bird', 'bird-dog'],
    ['a plural', 'squats', 'squat'],
  ])('%s: “%s”', (_what, text, expected) => {
    expect(ids(text, 4)).toContain(expected);
  });
  test('an exact name comes first', () => {
    for (const move of library.moves)
      expect([move.name, findMoves(library, move.name, 3).map((h) => h.name)[0]]).toEqual([
        move.name,
        move.name,
      ]);
  });
  test('by muscle, pattern, item', () => {
    for (const id of ids('hamstrings', 10)) expect(library.move(id)!.muscles.hamstrings).toBeGreaterThan(0);
    expect(ids('balance', 12).map((id) => library.move(id)!.pattern)).toContain('balance');
    expect(ids('pull-up bar', 12)).toContain('hang-shrug');
    expect(ids('sofa', 30)).toContain('hip-thrust');
  });
  test.each([
    ['push no wrists', 'weight through the wrists'],
    ['squat without jumping', 'leaving the floor'],
    ['plank no floor', 'getting down to the floor'],
    ['press no overhead', 'arms overhead'],
  ] as const)('a limit is kept: “%s”', (text, avoid) => {
    const found = ids(text, 20);
    expect(found.length).toBeGreaterThan(1);
    for (const id of found) expect([id, breaksPromise(avoid, library.demand.get(id)!)]).toEqual([id, false]);
  });
  test('only a limit lists what keeps it', () => {
    expect(readQuery('no floor')).toEqual({ words: '', without: ['getting down to the floor'] });
    expect(ids('no floor', 300).length).toBeGreaterThan(100);
  });
  test('a word after “no” that is no limit stays a word', () => {
    expect(readQuery('swing no weight')).toEqual({ words: 'swing no weight', without: [] });
  });
  test('nothing typed finds nothing, nonsense finds nothing', () => {
    expect(ids('   ')).toEqual([]);
    expect(ids('qqqqzzzz')).toEqual([]);
  });
});
