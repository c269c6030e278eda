import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { READY_ROOMS } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { USUAL_PAIRS } from '../src/engine/usual.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const scaler = createScaler(
  compileLibrary(library),
  READY_ROOMS.find(({ id }) => id === 'ready-living-room')!,
);
const scaled = (moves: string[], level: 0 | 1 | 2 | 3, more = {}) =>
  scaler.scale({
    session: session(circuit(moves)),
    writtenFor: 2,
    dials: { ...AS_WRITTEN, ability: 'own rungs' },
    subject: { ...laneSubject(level), ...more },
  });

describe('what a coach goes to from a move', () => {
  test('more than two hundred pairs, of moves that are there, none twice and none its own', () => {
    const pairs = [...USUAL_PAIRS].flatMap(([move, to]) => to.map((other) => [move, other] as const));
    expect(pairs.length).toBeGreaterThan(200);
    expect(pairs.flat().filter((id) => !library.move(id))).toEqual([]);
    for (const [move, to] of USUAL_PAIRS) {
      expect([move, new Set(to).size]).toEqual([move, to.length]);
      expect([move, to.includes(move)]).toEqual([move, false]);
    }
  });
  test.each([
    ['push-up', 0],
    ['plank', 0],
    ['squat-jump', 0],
    ['burpee', 1],
    ['high-knees', 0],
    ['sit-up', 0],
  ] as const)('somebody new to it gets for %s something off its list', (move, level) => {
    const [use] = scaled([move], level).uses;
    expect([move, ...USUAL_PAIRS.get(move)!, 'quick-high-step']).toContain(use!.move);
  });
});

describe('a version as a whole', () => {
  test('nobody does one thing for a jump and a squat while another good one is open', () => {
    for (const level of [0, 1] as const) {
      const { uses } = scaled(['squat-jump', 'tuck-jump', 'squat', 'high-knees', 'step-up'], level);
      const given = uses.flatMap((use) => (use ? [use.move] : []));
      expect(new Set(given).size).toBe(given.length);
    }
  });
  test('with every dial as written what is legal stands as written, the same move twice too', () => {
    const { uses } = scaler.scale({
      session: session(circuit(['squat', 'push-up', 'squat'])),
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject: laneSubject(3),
    });
    expect(uses.map((use) => use?.move)).toEqual(['squat', 'push-up', 'squat']);
  });
  test('who is older or new to it is not hurried on one leg, in landing or in getting up', () => {
    for (const more of [{ effortAge: 'older' as const }, {}]) {
      const { uses } = scaled(
        ['climber-run', 'skater-hop', 'walking-lunge', 'burpee', 'high-knees'],
        0,
        more,
      );
      for (const use of uses) {
        const usual = use && library.move(use.move)!.pace?.[1];
        if (use?.pace && usual && use.lightPerMinute > 0) expect(use.pace).toBeLessThanOrEqual(usual);
      }
    }
  });
});
