import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { type Limit, limitSchema } from '@inner-rung/core/person';
import { CHECK_IDS, check, sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE, withOwn } from '@inner-rung/core/room';
import { AS_WRITTEN, type Plan } from '@inner-rung/core/session';
import fc from 'fast-check';
import { anySession, circuit, planOf, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, { ...ROOM_EXAMPLE, lengthMetres: 8 });

function findings(
  moves: readonly string[],
  format: Parameters<typeof circuit>[1] = {},
  limits: readonly Limit[] = [],
) {
  const asked = session(circuit(moves, format));
  const version = scaler.scale({
    session: asked,
    writtenFor: 3,
    dials: AS_WRITTEN,
    subject: { ...laneSubject(3), limits },
  });
  const sums = sumUp(index, asked, version.uses, {});
  return check({ library, session: asked, version, sums, limits });
}
/** A session's findings as it is written. */
function findingsOf(plan: Plan) {
  const { original } = scaler.scale({
    session: plan,
    writtenFor: 3,
    dials: AS_WRITTEN,
    subject: laneSubject(3),
  });
  const version = { original, uses: original, reasons: [], cost: 0 };
  return check({ library, session: plan, version, sums: sumUp(index, plan, original, {}) });
}
const of = (list: ReturnType<typeof findings>, name: string) => list.find((f) => f.check === name);
const floor = (what: 'rest' | 'warm-up' | 'cool-down', seconds: number): Limit =>
  limitSchema.parse({
    kind: 'floor',
    id: what,
    what,
    seconds,
    source: 'condition',
    reason: 'as they need it',
  });

test('rest too short for getting down and up: how long it takes, and one tap mends it', () => {
  const short = of(findings(['jumping-jack', 'push-up'], { restSeconds: 2 }), 'rest too short')!;
  expect(short).toMatchObject({ severity: 'mend', fix: { label: 'Rest 5 s' } });
  expect(short.says).toContain('2 s isn’t enough');
  expect(of(findings(['jumping-jack', 'push-up'], { restSeconds: 5 }), 'rest too short')).toBeUndefined();
});

test('three stations on the wrists, across the end of the round too', () => {
  expect(of(findings(['push-up', 'plank', 'push-up-turn', 'squat', 'lunge']), 'same joint')).toBeDefined();
  const ring = ['plank', 'squat', 'lunge', 'push-up', 'push-up-turn'];
  expect(of(findings(ring), 'same joint')!.says).toContain('across the end of the round');
  expect(of(findings(ring, { rounds: 1 }), 'same joint')).toBeUndefined();
});

test('a circuit of six that pulls nothing is told, and one with a row isn’t', () => {
  const six = ['squat', 'push-up', 'lunge', 'plank', 'jumping-jack', 'sit-up'];
  expect(of(findings(six), 'no pull')).toMatchObject({ severity: 'note' });
  expect(of(findings(six.slice(1)), 'no pull')).toBeUndefined();
});

test('the rest, warm-up and cool-down that somebody needs are asked for', () => {
  const list = findings(['squat', 'lunge'], {}, [
    floor('rest', 45),
    floor('warm-up', 600),
    floor('cool-down', 300),
  ]);
  expect(of(list, 'rest of their own')).toMatchObject({ fix: { label: 'Rest 45 s' } });
  expect(of(list, 'warm-up')!.says).toContain('10 minutes of warm-up');
  expect(of(list, 'cool-down')!.says).toContain('5 minutes');
  expect(
    of(findings(['squat', 'lunge'], { restSeconds: 45 }, [floor('rest', 45)]), 'rest of their own'),
  ).toBeUndefined();
});

test('worst first', () => {
  const rank = { stop: 0, mend: 1, note: 2 };
  const list = findings(
    ['push-up', 'plank', 'push-up-turn', 'squat', 'lunge', 'sit-up'],
    { restSeconds: 1 },
    [floor('warm-up', 600)],
  ).map((f) => rank[f.severity]);
  expect(list.length).toBeGreaterThan(2);
  expect([...list].sort()).toEqual(list);
});

test('what somebody brings along counts in the room', () => {
  const own = withOwn(ROOM_EXAMPLE, ['dumbbells', 'mat']);
  expect(own.items).toHaveLength(ROOM_EXAMPLE.items.length + 3);
  expect(withOwn(ROOM_EXAMPLE, [])).toBe(ROOM_EXAMPLE);
});

describe('what a finding is stored by', () => {
  test('every finding has the id of its check, and no two checks have one', () => {
    expect(new Set(CHECK_IDS).size).toBe(CHECK_IDS.length);
    fc.assert(
      fc.property(anySession, (timed) => {
        for (const finding of findingsOf(planOf(timed.blocks, { forWhom: timed.forWhom })))
          expect(CHECK_IDS).toContain(finding.check);
      }),
      { numRuns: 60 },
    );
  });
  test('what was let stand under a name of words stands under its id as well', () => {
    const plan = planOf([circuit(['squat', 'push-up', 'plank', 'lunge', 'squat', 'push-up'])]);
    const [told] = findingsOf(plan).filter((one) => one.check === 'no pull');
    expect(told).toMatchObject({ accepted: null });
    const stands = {
      ...plan,
      accepted: [{ check: 'nothing pulls', at: told!.at, why: 'a pull day follows' }],
    };
    expect(findingsOf(stands).find((one) => one.check === 'no pull')).toMatchObject({
      accepted: 'a pull day follows',
    });
  });
});
