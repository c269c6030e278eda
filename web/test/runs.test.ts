import type { RunLine } from '../src/store/api.ts';
import { openRuns } from '../src/store/use-runs.ts';

const run = (id: string, is: RunLine['is'], daysAgo = 0): RunLine => ({
  id,
  title: 'Tuesday',
  plan: 'tuesday',
  on: '2026-11-24',
  people: 3,
  daysAgo,
  is,
});

describe('runs that want something', () => {
  const open = openRuns(
    [run('a', 'under way'), run('b', 'over'), run('c', 'over'), run('d', 'not begun'), run('e', 'over', 15)],
    (id) => id === 'c',
  );
  test('what is going on can be gone back to', () => {
    expect(open.underWay.map(({ id }) => id)).toEqual(['a']);
  });
  test('what is over and not recorded is asked for, for two weeks; what wasn’t begun isn’t', () => {
    expect(open.toRecord.map(({ id }) => id)).toEqual(['b']);
  });
});
