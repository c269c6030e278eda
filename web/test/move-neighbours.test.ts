import { LEVERS } from '@inner-rung/core/move';
import { shippedLibrary } from '../../core/test/shipped.ts';
import { neighboursOf } from '../src/ladders/move-neighbours.ts';

const library = shippedLibrary();
const UP = new Set<string>(Object.values(LEVERS).map(({ harder }) => harder));
const DOWN = new Set<string>(Object.values(LEVERS).map(({ easier }) => easier));

test('going down a ladder what is less is said, going up what is more', () => {
  const [weight] = neighboursOf(library, 'load-chop').filter(({ ladder }) => ladder === 'Chops');
  expect(weight!.levers).toMatchObject({ down: 'less load' });
  for (const { id } of library.moves)
    for (const { levers } of neighboursOf(library, id)) {
      for (const said of levers.down.split(', ').filter((words) => UP.has(words)))
        expect([id, 'down', said, DOWN.has(said)]).toEqual([id, 'down', said, true]);
      for (const said of levers.up.split(', ').filter((words) => DOWN.has(words)))
        expect([id, 'up', said, UP.has(said)]).toEqual([id, 'up', said, true]);
    }
});
