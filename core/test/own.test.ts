import {
  CHANGE,
  type Change,
  changeSchema,
  changeTo,
  type Ladder,
  openLibrary,
  openOwn,
  settleField,
  writtenMove,
} from '@inner-rung/core/ladder';
import { DEMAND_KEYS, type Move } from '@inner-rung/core/move';
import { draftOf, PULLS, pull } from '@inner-rung/core/propose';
import { openRecord } from '@inner-rung/core/record';
import { shippedFiles, shippedLibrary } from './shipped.ts';

const reference = shippedLibrary();
const files = shippedFiles();
const ladder = (change: (l: Ladder) => Ladder): Change =>
  changeTo(reference, change(reference.ladder('push')!));
const move = (id: string, patch: Partial<Move>): Change =>
  changeTo(reference, { ...reference.move(id)!, ...patch });
/** The reference as it might ship next year. */
const upgraded = (edit: (files: { name: string; json: any }[]) => void) => {
  const next = structuredClone(files);
  edit(next);
  return next;
};
const moveIn = (next: { name: string; json: any }[], id: string) =>
  next.flatMap((f) => f.json.moves ?? []).find((m: { id: string }) => m.id === id);

describe('a trainer’s changes stand on top of the reference and apart from it', () => {
  test('nothing changed is the reference', () => {
    expect(openOwn(reference, []).library.moves.length).toBe(reference.moves.length);
  });
  test('a change of words is what everybody sees, and one field differs', () => {
    const { library, states } = openOwn(reference, [move('push-up', { name: 'Floor push-up' })]);
    expect(library.move('push-up')!.name).toBe('Floor push-up');
    expect(states[0]!.state).toBe('changed');
    expect(states[0]!.fields.map((f) => [f.field, f.was, f.mine])).toEqual([
      ['name', 'Push-up', 'Floor push-up'],
    ]);
    expect(reference.move('push-up')!.name).toBe('Push-up');
  });
  test('a figure changed is one field, and limits read it', () => {
    const mine = {
      ...reference.move('squat')!,
      demand: { ...reference.move('squat')!.demand, 'knee.load': 3 },
    };
    const { library, states } = openOwn(reference, [changeTo(reference, mine)]);
    expect(library.demand.get('squat')!['knee.load'].hi).toBe(3);
    expect(states[0]!.fields.map((f) => f.field)).toEqual(['demand.knee.load']);
  });
  test('a ladder put away is gone, its moves and its branches stay', () => {
    const away = changeSchema.parse({
      version: 1,
      id: 'ladder-push',
      kind: 'ladder',
      of: 'push',
      mine: null,
      was: reference.ladder('push'),
    });
    const { library, states } = openOwn(reference, [away]);
    expect(states[0]!.state).toBe('put away');
    expect(library.ladder('push')).toBeUndefined();
    expect(library.move('push-up')).toBeDefined();
    expect(library.ladder('push-knees')!.branchOf).toEqual([]);
  });
  test('a move of one’s own on a rung of a reference ladder', () => {
    const slow = pull(draftOf(reference, { move: 'push-up' })!, PULLS.find((p) => p.id === 'pause')!);
    const own = writtenMove(reference, { ...slow.move, id: 'my-pause-push-up' }, slow.demand);
    const { library, states } = openOwn(reference, [
      changeTo(reference, own),
      ladder((l) => ({ ...l, rungs: [...l.rungs, { move: 'my-pause-push-up', levers: ['tempo'] }] })),
    ]);
    expect(states.map((s) => s.state)).toEqual(['changed', 'own']);
    expect(library.ladder('push')!.rungs.at(-1)!.move).toBe('my-pause-push-up');
    for (const key of DEMAND_KEYS) {
      const { lo, hi } = library.demand.get('my-pause-push-up')![key];
      expect([key, lo, hi]).toEqual([key, slow.demand[key].lo, slow.demand[key].hi]);
    }
  });
});

describe('an upgrade of the reference', () => {
  test('what only the reference changed is taken over', () => {
    const next = upgraded((f) => {
      moveIn(f, 'push-up').breath = 'Breathe in on the way down, out on the way up.';
    });
    const { library, states } = openOwn(openLibrary(next), [move('push-up', { name: 'Floor push-up' })]);
    expect(library.move('push-up')!.breath).toMatch(/on the way up/);
    expect(library.move('push-up')!.name).toBe('Floor push-up');
    expect(states[0]!.state).toBe('changed');
  });
  test('the same field changed on both sides is a clash: mine stands until somebody chooses', () => {
    const next = upgraded((f) => {
      moveIn(f, 'push-up').name = 'Front press';
    });
    const change = move('push-up', { name: 'Floor push-up' });
    const { library, states } = openOwn(openLibrary(next), [change]);
    expect(states[0]!.state).toBe('clash');
    expect(states[0]!.fields).toEqual([
      { field: 'name', was: 'Push-up', mine: 'Floor push-up', now: 'Front press', clash: true },
    ]);
    expect(library.move('push-up')!.name).toBe('Floor push-up');

    const now = moveIn(next, 'push-up');
    const kept = settleField(change, 'name', 'mine', now)!;
    expect(openOwn(openLibrary(next), [kept]).states[0]!.state).toBe('changed');
    expect(openOwn(openLibrary(next), [kept]).library.move('push-up')!.name).toBe('Floor push-up');
    expect(settleField(change, 'name', 'theirs', now)).toBeNull();
  });
  test('both sides made the same change: nothing differs any more', () => {
    const next = upgraded((f) => {
      moveIn(f, 'push-up').name = 'Floor push-up';
    });
    expect(
      openOwn(openLibrary(next), [move('push-up', { name: 'Floor push-up' })]).states[0]!.fields,
    ).toEqual([]);
  });
  test('a move the reference took out leaves my ladder broken, told and kept, and the rest opens', () => {
    const next = upgraded((f) => {
      for (const file of f) {
        if (file.json.moves)
          file.json.moves = file.json.moves.filter((m: any) => m.id !== 'hands-together-push-up');
        const l = file.json.ladder;
        if (l) l.rungs = l.rungs.filter((r: any) => r.move !== 'hands-together-push-up');
      }
    });
    const { library, states } = openOwn(openLibrary(next), [
      ladder((l) => ({ ...l, rungs: [...l.rungs, { move: 'hands-together-push-up', levers: ['base'] }] })),
      move('squat', { name: 'Free squat' }),
    ]);
    expect(states.map((s) => [s.change.of, s.state])).toEqual([
      ['push', 'broken'],
      ['squat', 'changed'],
    ]);
    expect(states[0]!.says).toMatch(/there is no move "hands-together-push-up"/);
    expect(library.ladder('push')!.rungs).toEqual(reference.ladder('push')!.rungs);
    expect(library.move('squat')!.name).toBe('Free squat');
  });
  test('a change that no longer passes is told with its field, and the rest stands', () => {
    const bad = {
      ...move('squat', {}),
      mine: { ...reference.move('squat')!, cues: [] },
    } as unknown as Change;
    const { library, states } = openOwn(reference, [bad, move('push-up', { name: 'Floor push-up' })]);
    expect(states.map((s) => [s.change.of, s.state])).toEqual([
      ['push-up', 'changed'],
      ['squat', 'broken'],
    ]);
    expect(states[1]!.says).toMatch(/^cues: /);
    expect(library.move('squat')).toEqual(reference.move('squat'));
    expect(library.move('push-up')!.name).toBe('Floor push-up');
  });
});

describe('a change as a record', () => {
  test.each([
    ['a wrong name', { ...move('squat', {}), id: 'move-push-up' }, 'id'],
    ['another move inside', { ...move('squat', {}), mine: reference.move('push-up') }, 'mine'],
    [
      'nothing put away',
      { version: 1, id: 'ladder-x', kind: 'ladder', of: 'x', mine: null, was: null },
      'mine',
    ],
  ])('%s is refused with its field', (_name, raw, field) => {
    const opened = openRecord(CHANGE, raw);
    expect(opened).toMatchObject({ ok: false, where: field });
  });
  test('written and read again it is the same', () => {
    const change = move('squat', { name: 'Free squat' });
    expect(openRecord(CHANGE, JSON.parse(JSON.stringify(change)))).toEqual({ ok: true, value: change });
  });
});

test('every move of the library, written down and opened again, asks the same', () => {
  for (const m of reference.moves.slice(0, 60)) {
    const written = writtenMove(reference, m, reference.demand.get(m.id)!);
    const own = { ...written, id: `my-${m.id}` };
    const { library } = openOwn(reference, [changeTo(reference, own)]);
    for (const key of DEMAND_KEYS) {
      const { lo, hi, from } = library.demand.get(own.id)![key];
      expect({ key, lo, hi, from }).toMatchObject({
        key,
        lo: reference.demand.get(m.id)![key].lo,
        hi: reference.demand.get(m.id)![key].hi,
      });
    }
  }
  expect(openLibrary(files).moves.length).toBe(reference.moves.length);
});
