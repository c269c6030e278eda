import { answerTo, createGround } from '@inner-rung/core/ask';
import { subjectOf } from '@inner-rung/core/limits';
import { LEVELS } from '@inner-rung/core/person';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { type Cast, peopleOf, type Run, runSchema, walkedIn, whoInRun } from '@inner-rung/core/run';
import { AS_WRITTEN, PLAN_EXAMPLE } from '@inner-rung/core/session';
import { runOf } from './runs.ts';
import { circuit } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const ground = createGround(library);
const DAY = '2026-11-25';
const blocks = circuit(['burpee', 'squat-jump', 'push-up', 'plank', 'jumping-jack', 'forward-lunge']);
const run = runOf(blocks);
const asked = (more: Partial<Run> = {}) => ({
  run: { ...run, ...more },
  events: [],
  expected: [],
  dials: { writtenFor: PLAN_EXAMPLE.writtenFor, dials: AS_WRITTEN },
  room: ROOM_EXAMPLE,
  on: DAY,
});
const newcomers = answerTo(ground, 'newcomers', asked()) as readonly Cast[];

/** What bars somebody of a run from what they are given, entry by entry. */
const barred = (cast: Cast) => {
  const { person } = whoInRun(cast, []);
  const forms = cast.does.flatMap((does) =>
    does ? [{ move: does.move, settings: does.settings ?? {} }] : [],
  );
  return ground
    .scaler(ROOM_EXAMPLE)
    .bars(forms, { subject: subjectOf(person, library, DAY), dials: AS_WRITTEN })
    .flat();
};

describe('who walks in where nothing can be planned', () => {
  test('is one of each level, at every station, with nothing that is closed to whom nobody knows', () => {
    expect(newcomers.map((one) => one.name)).toEqual(LEVELS.map((one) => one.name));
    for (const one of newcomers) {
      expect(one.does).toHaveLength(6);
      expect(one.today).toEqual({ conditions: [], level: newcomers.indexOf(one) });
      expect(barred(one)).toEqual([]);
    }
    // The first level isn’t given the circuit as it is written, and not what the last one is given.
    const moves = newcomers.map((one) => one.does.map((does) => does?.move));
    expect(moves[0]).not.toContain('burpee');
    expect(moves[0]).not.toEqual(moves[3]);
  });
  test('goes along in the run, is whole as it is read back, and an older run has none', () => {
    expect(runSchema.parse({ ...run, newcomers }).newcomers).toEqual(newcomers);
    expect(runSchema.parse(run).newcomers).toBeUndefined();
  });
  test('is somebody of the run once they are in, and the next one has another name', () => {
    let n = 0;
    const newId = (kind: string) => `${kind}-${++n}`;
    const first = walkedIn(peopleOf(run, []), newcomers[0]!, newId);
    const events = [{ id: 'press-0001', at: 1000, kind: 'join' as const, who: first }];
    const people = peopleOf(run, events);
    expect(people.map((p) => [p.id, p.name, p.joinedAt])).toEqual([
      ['walked-in-1', `walk-in 1: ${LEVELS[0]!.name.toLowerCase()}`, 1000],
    ]);
    expect(walkedIn(people, newcomers[1]!, newId).name).toMatch(/^walk-in 2: /);
  });
});

describe('who walks in as somebody else does', () => {
  const fit = newcomers[3]!;
  const ask = (conditions: readonly string[]) =>
    answerTo(ground, 'walk-in', {
      ...asked({ cast: [{ ...fit, id: 'fit' }] }),
      id: 'walked-in-x',
      conditions,
      level: 3,
      as: 'fit',
    }) as Cast;
  test('is given what that one does where it is open to them', () => {
    expect(ask([]).does.map((does) => does?.move)).toEqual(fit.does.map((does) => does?.move));
    expect(ask([]).name).toBe('walk-in 1');
  });
  test('and not what is closed to them', () => {
    const sore = ask(['no-floor']);
    expect(sore.does.map((does) => does?.move)).not.toEqual(fit.does.map((does) => does?.move));
    expect(barred(sore)).toEqual([]);
  });
});
