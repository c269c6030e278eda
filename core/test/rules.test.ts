import {
  boughtBy,
  boughtWords,
  HOW,
  needsInIndex,
  planClass,
  runningIn,
  share,
} from '@inner-rung/core/class';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { changeWith, openOwn, wordFor, writtenMove } from '@inner-rung/core/ladder';
import { laneSubject, type Subject } from '@inner-rung/core/limits';
import { namesOf, plainName, readSession } from '@inner-rung/core/read';
import { EVERYWHERE, READY_ROOMS, ROOM_EXAMPLE, type Room, withBorrowed } from '@inner-rung/core/room';
import { AS_WRITTEN, factsIn, restTiers } from '@inner-rung/core/session';

import { PLANS, ROOMS } from '../../demo/src/index.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, EVERYWHERE);
const dials = { ...AS_WRITTEN, ability: 'own rungs' as const };
const first = (move: string, subject: Subject) =>
  scaler.scale({ session: session(circuit([move])), writtenFor: 2, dials, subject });

describe('corrections that became rules', () => {
  test('never this for her: it isn’t offered, and what rules it out is said and may be loosened', () => {
    const subject = { ...laneSubject(3), never: ['burpee'] };
    const version = first('burpee', subject);
    expect(version.uses[0]?.move).not.toBe('burpee');
    const ruler = version.reasons[0]!.rulers.find((r) => r.id === 'never/burpee')!;
    expect(ruler).toMatchObject({ kind: 'limit', mayLoosen: true });
  });
  test('it holds with every dial as written too', () => {
    const subject = { ...laneSubject(3), never: ['squat'] };
    const use = scaler.scale({
      session: session(circuit(['squat'])),
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject,
    }).uses[0];
    expect(use?.move).not.toBe('squat');
  });
  test('one they like is taken where it comes close, and not where it is far off', () => {
    const some = laneSubject(1);
    const glad = { ...some, likes: ['knee-push-up'] };
    expect(first('push-up', some).uses[0]!.move).not.toBe('knee-push-up');
    expect(first('push-up', glad).uses[0]!.move).toBe('knee-push-up');
    expect(first('squat', glad).uses[0]!.move).not.toBe('knee-push-up');
  });
  test('no cost is below nothing, however much is liked', () => {
    const likes = library.moves.map((m) => m.id);
    const version = first('push-up', { ...laneSubject(2), likes });
    expect(version.cost).toBeGreaterThanOrEqual(0);
  });
});

describe('what a word stands for', () => {
  const word = 'froggies';
  test('it is read as that move from then on, and taken back with the change', () => {
    const found = wordFor(library, word, 'squat-jump', plainName);
    if ('taken' in found) throw new Error('taken');
    const changes = found.moves.map((move) =>
      changeWith(library, undefined, writtenMove(library, move, library.demand.get(move.id)!)),
    );
    expect(changes).toHaveLength(1);
    const own = openOwn(library, [changes[0]!]).library;
    const read = (lib: typeof library) => readSession(lib, `30/15\n${word}`).blocks[0]!.stations[0]!.move;
    expect(read(library)).toBe('froggies');
    expect(read(own)).toBe('squat-jump');
  });
  test('a word that meant several means one', () => {
    const names = [...namesOf(library).exact].find(
      ([key, ids]) =>
        !key.startsWith('=') &&
        ids.length > 1 &&
        library.moves.filter((m) => m.twins.some((t) => plainName(t) === key)).length === 2,
    );
    if (!names) throw new Error('no word means several');
    const [plain] = names;
    const ids = library.moves.filter((m) => m.twins.some((t) => plainName(t) === plain)).map((m) => m.id);
    const found = wordFor(library, plain, ids[1]!, plainName);
    if ('taken' in found) throw new Error('taken');
    // The others lose it; the one that is meant had it.
    expect(found.moves.map((m) => m.id).sort()).toEqual(ids.filter((id) => id !== ids[1]).sort());
  });
  test('a move’s own name stays its own', () => {
    expect(wordFor(library, 'Squats', 'burpee', plainName)).toMatchObject({ taken: { id: 'squat' } });
  });
});

describe('what if', () => {
  const hall = ROOMS[0]!;
  const people = Array.from({ length: 8 }, (_, i) => ({
    id: `p${i}`,
    request: { session: PLANS[0]!, writtenFor: 2 as const, dials, subject: laneSubject(i % 2 ? 1 : 2) },
  }));
  const plan = (room: Room, more: object = {}) =>
    planClass(createScaler(index, room), room, { people, most: 3, ...more });

  test('one chair more than the room has is one chair more; another size is another row', () => {
    const chairs = hall.items.find((i) => i.what === 'chair')!;
    const more = withBorrowed(hall, [{ ...chairs, count: 1 }]);
    expect(more.items.find((i) => i.what === 'chair')!.count).toBe(chairs.count + 1);
    expect(hall.items.find((i) => i.what === 'chair')!.count).toBe(chairs.count);
    expect(withBorrowed(hall, [{ what: 'kettlebell', count: 1, size: 7 }]).items).toHaveLength(
      hall.items.length + 1,
    );
  });
  test('a form barred never brings anything, and what it takes is said', () => {
    const before = plan(hall);
    const { form } = before.entries[1]!.forms[0]!;
    const now = plan(hall, { wishes: [{ entry: 1, kind: 'bar', form }] });
    expect(boughtBy(before, now)).toBeLessThanOrEqual(0);
    expect(boughtWords(-3.4)).toBe('That takes about 3 rungs away, all of them together.');
    expect(boughtWords(1)).toBe('That brings about a rung nearer, all of them together.');
    expect(boughtWords(0.1)).toMatch(/as good as before/);
    expect(boughtWords(null)).toBe('');
  });
  test('more weights for fourteen who row: it brings something', () => {
    const few: Room = {
      ...hall,
      items: hall.items.map((i) => (i.what === 'dumbbells' ? { ...i, count: 1 } : i)),
    };
    expect(plan(hall).cost).toBeLessThanOrEqual(plan(few).cost);
  });
});

describe('going round', () => {
  test.each(
    [...ROOMS, ...READY_ROOMS.map((r): Room => ({ ...ROOM_EXAMPLE, ...r }))].map((r) => [r.name, r] as const),
  )('%s: at every turn there are pieces for what everybody does', (_name, room) => {
    const people = Array.from({ length: 12 }, (_, i) => ({
      id: `p${String(i).padStart(2, '0')}`,
      request: {
        session: PLANS[0]!,
        writtenFor: 2 as const,
        dials,
        subject: laneSubject((i % 4) as 0 | 1 | 2 | 3),
      },
    }));
    const made = planClass(createScaler(index, room), room, { people, most: 3, how: 'rotation' });
    const moments = HOW.rotation(new Map(Object.entries(made.uses)), made.entries.length);
    expect(share(needsInIndex(index), room, moments, () => []).changes).toBe(0);
    for (const entry of made.entries) expect(entry.forms.length).toBeLessThanOrEqual(3);
  });
});

test('no joint three stations running where another form that is shown avoids it', () => {
  const block = circuit([
    'push-up',
    'plank',
    'bent-row',
    'squat',
    'push-up',
    'plank',
    'narrow-push-up',
    'squat',
  ]);
  const people = Array.from({ length: 6 }, (_, i) => ({
    id: `p${i}`,
    request: { session: session(block), writtenFor: 2 as const, dials, subject: laneSubject(i % 2 ? 2 : 3) },
  }));
  const made = planClass(scaler, EVERYWHERE, { people, most: 3 });
  // Who still has one has no other of the forms at any of the three that would avoid it cheaply.
  for (const run of runningIn(library, [block], made)) expect(run.people.length).toBeLessThan(people.length);
});

describe('rests that differ by lane (common practice: 30/30, 30/15, 30/0)', () => {
  const block = {
    ...circuit(
      Array.from({ length: 8 }, () => 'squat'),
      {
        workSeconds: 30,
        restSeconds: 30,
        rounds: 5,
        roundRestSeconds: 60,
        closingRest: true,
      },
    ),
  };
  const tiers = restTiers(block, 'adults', factsIn(library))!;
  test('as groups: 44:00 with 30 s of rest and 24:00 with none', () => {
    expect(tiers.tiers.map((t) => t.restSeconds)).toEqual([30, 15, 0]);
    expect(tiers.tiers.map((t) => t.lengthSeconds)).toEqual([2640, 2040, 1440]);
  });
  test('on one clock everybody’s share of work in the slot is what it was', () => {
    expect(tiers.oneClock.format).toMatchObject({
      kind: 'staggered',
      workSeconds: 60,
      innerPercent: 50,
      middlePercent: 67,
    });
    expect(tiers.oneClock.lengthSeconds).toBe(2640);
  });
  test('where there is no rest to share there is nothing to offer', () => {
    expect(
      restTiers(
        { ...block, format: { kind: 'amrap', capSeconds: 300, led: false } },
        'adults',
        factsIn(library),
      ),
    ).toBeNull();
  });
});
