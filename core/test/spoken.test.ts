import type { Station } from '@inner-rung/core/session';
import { asOpened, formName, inEnglish, inOwnWords, restingName, spokenOf } from '@inner-rung/core/words';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const block = (...stations: Partial<Station>[]) => ({
  stations: stations.map((station, i) => ({
    id: `s${i}`,
    sides: 'swap at half' as const,
    move: 'squat',
    ...station,
  })),
});
const spoken = (...stations: Partial<Station>[]) => inOwnWords(library, [block(...stations)]);

describe('the trainer’s own words on every face of a session', () => {
  test('a move goes by what was written, and only its name is another', () => {
    const own = spoken({ move: 'climber-run', typed: 'mountain climbers' }, { move: 'plank' });
    expect(formName(own, 'climber-run')).toBe('Mountain climbers');
    expect(own.move('climber-run')).toEqual({ ...library.move('climber-run')!, name: 'Mountain climbers' });
    expect(own.move('plank')).toBe(library.move('plank'));
    expect([asOpened(own), asOpened(inOwnWords(own, [block({ typed: 'air squats' })]))]).toEqual([
      library,
      library,
    ]);
  });
  test('words for several parts, for a side, or a sentence name nothing', () => {
    for (const station of [
      { typed: 'squat + press', chain: [{ move: 'standing-press' }] },
      { move: 'side-plank', typed: 'side plank left', settings: { side: 'left' as const } },
      { typed: 'squats as low as you comfortably can with your arms out in front of you' },
    ])
      expect(spoken(station).move(station.move ?? 'squat')!.name).toBe(
        library.move(station.move ?? 'squat')!.name,
      );
  });
  test('who writes press-ups reads press-ups everywhere, who writes both reads both', () => {
    const british = spoken({ move: 'push-up', typed: 'press ups' });
    expect(formName(british, 'raised-push-up', { surfaceCm: 43 })).toBe('Press-up, hands raised, 43 cm');
    expect(british.move('knee-push-up')).toBe(british.move('knee-push-up'));
    const both = spoken(
      { move: 'push-up', typed: 'press-ups' },
      { move: 'knee-push-up', typed: 'knee push-ups' },
    );
    expect(both.move('wall-push-up')!.name).toBe(library.move('wall-push-up')!.name);
  });
  test('what only its trainer knows goes by its own words, and is theirs to judge', () => {
    expect(restingName(library, 'banana-boats')).toBe('Banana boats, as you teach it');
    expect(restingName(library, 'squat')).toBe('Easy movement');
  });
});

test('somebody by name among those known by number is called by it', () => {
  const by = (name: string) => ({ name, byNumber: true, count: 1 });
  expect(spokenOf([by('Ana, 72, knee replacement'), by('sore knees'), by('sore knees')])).toBe(
    'Ana and the two with sore knees',
  );
});

describe('the English a trainer speaks', () => {
  const british = inEnglish(library, 'British');
  const american = inEnglish(library, 'American');
  test.each([
    ['push-up', 'Press-up', 'Push-up'],
    ['knee-push-up', 'Knee press-up', 'Knee push-up'],
    ['march', 'March on the spot', 'March in place'],
    ['ghost-rope', 'Skipping without a rope', 'Jump rope without a rope'],
    ['squat', 'Squat', 'Squat'],
  ])('%s is “%s”, or “%s”', (id, inBritish, inAmerican) => {
    expect([british.move(id)!.name, american.move(id)!.name]).toEqual([inBritish, inAmerican]);
    expect(british.moves.find((move) => move.id === id)!.name).toBe(inBritish);
  });
  test('says no more than names, and engines are asked with the library as it was opened', () => {
    expect(inEnglish(library, null)).toBe(library);
    expect(inEnglish(library, 'British')).toBe(british);
    expect(asOpened(british)).toBe(library);
    expect(british.moves.map(({ name: _, twins: __, ...rest }) => rest)).toEqual(
      library.moves.map(({ name: _, twins: __, ...rest }) => rest),
    );
  });
  test('a move is still found by the other name, and the words of a session stand over either', () => {
    expect(british.move('push-up')!.twins).toContain('Push-up');
    const session = [block({ move: 'march', typed: 'knees up' })];
    expect(inOwnWords(american, session).move('march')!.name).toBe('Knees up');
  });
});
