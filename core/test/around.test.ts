import { rungDemand } from '@inner-rung/core/ladder';
import { lawIn, NOBODY } from '@inner-rung/core/limits';
import { CONDITION_IDS, compileCondition, type Limit, limitSchema } from '@inner-rung/core/person';
import { READY_ROOMS } from '@inner-rung/core/room';
import { coolDown, thingsHere, usedBy, warmUp } from '@inner-rung/core/ways';
import fc from 'fast-check';
import { PLANS } from '../../demo/src/index.ts';
import { holdsByItself } from './cases.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const hall = READY_ROOMS.find((r) => r.id === 'ready-hall')!;
const ten = PLANS[0]!.blocks[0]!.stations.map((s) => ({ move: s.move }));
const asked = { library, law: lawIn(library, hall), forms: ten, subjects: [], minutes: 8 };
const withLimits = (limits: readonly Limit[]) => ({ ...asked, subjects: [{ ...NOBODY, limits }] });
const seconds = (list: ReturnType<typeof warmUp>) => list.reduce((sum, one) => sum + one.seconds, 0);

test('a warm-up fills its time: pulse rising, joints, main moves on a low rung, and ends standing', () => {
  const list = warmUp(asked);
  expect(seconds(list)).toBe(480);
  expect(list.map((one) => one.part)).toEqual(
    [...list.map((one) => one.part)].sort((a, b) => {
      const order = ['pulse', 'mobility', 'rehearse'];
      return order.indexOf(a) - order.indexOf(b);
    }),
  );
  const met = list
    .filter((one) => one.part === 'pulse')
    .map((one) => library.demand.get(one.form.move)!['effort.met'].hi!);
  expect([...met].sort((a, b) => a - b)).toEqual(met);
  expect(list.filter((one) => one.part === 'rehearse').length).toBeGreaterThanOrEqual(3);
  expect(library.move(list.at(-1)!.form.move)!.posture.work).toBe('standing');
});

test('with time enough, every joint the circuit uses is readied', () => {
  const readied = new Set(
    warmUp({ ...asked, minutes: 15 })
      .filter((one) => one.part === 'mobility')
      .flatMap((one) => library.move(one.form.move)!.serves!.joints),
  );
  for (const joint of usedBy(library, ten).joints) expect(readied).toContain(joint);
});

test('a cool-down keeps moving first, then stretches the muscles used most', () => {
  const list = coolDown({ ...asked, minutes: 6 });
  expect(seconds(list)).toBe(360);
  expect(list[0]!.part).toBe('keep moving');
  const stretched = list
    .filter((one) => one.part === 'stretch')
    .flatMap((one) => library.move(one.form.move)!.serves!.muscles);
  const [first, second] = usedBy(library, ten).muscles;
  expect(stretched).toContain(first!.muscle);
  expect(stretched).toContain(second!.muscle);
});

test('short holds are said where somebody must not hold for long', () => {
  const list = coolDown({ ...withLimits(compileCondition('high-blood-pressure')), minutes: 6 });
  const stretches = list.filter((one) => one.part === 'stretch');
  expect(stretches.length).toBeGreaterThan(2);
  for (const one of stretches) expect(one.says).toMatch(/in holds of \d+ s$/);
});

test('somebody seated is warmed up seated', () => {
  const list = warmUp(withLimits(compileCondition('seated-only')));
  expect(list.length).toBeGreaterThan(3);
  expect(seconds(list)).toBe(480);
  for (const one of list) expect(rungDemand(library, one.form)!['posture.standing'].hi).toBe(0);
});

test('what is never for somebody is in no warm-up and no cool-down of theirs', () => {
  const all = [...warmUp(asked), ...coolDown({ ...asked, minutes: 6 })].map((one) => one.form.move);
  const subjects = [NOBODY, { ...NOBODY, never: all }];
  const now = [...warmUp({ ...asked, subjects }), ...coolDown({ ...asked, subjects, minutes: 6 })];
  expect(now.length).toBeGreaterThan(3);
  for (const one of now) expect(all).not.toContain(one.form.move);
});

test('who is to hold on holds on to something: not a wall that the move stands beside', () => {
  const held = withLimits([
    limitSchema.parse({
      kind: 'require',
      id: 'hold',
      supportAboveBalance: 1,
      source: 'trainer',
      reason: 'something to hold',
    }),
  ]);
  const list = [...warmUp({ ...held, minutes: 15 }), ...coolDown({ ...held, minutes: 15 })];
  expect(list.length).toBeGreaterThan(6);
  for (const { form } of list) {
    const asks = rungDemand(library, { move: form.move })!['balance.level'].hi!;
    const holds = form.settings?.support || holdsByItself(form.move);
    expect(asks <= 1 || holds).toBe(true);
  }
});

test('nothing breaks a limit or needs what isn’t there, and no time is made up', () => {
  fc.assert(
    fc.property(
      fc.subarray([...CONDITION_IDS], { maxLength: 4 }),
      fc.constantFrom(...READY_ROOMS),
      fc.integer({ min: 3, max: 20 }),
      (conditions, room, minutes) => {
        const limits = conditions.flatMap((id) => compileCondition(id));
        for (const list of [
          warmUp({ ...withLimits(limits), law: lawIn(library, room), minutes }),
          coolDown({ ...withLimits(limits), law: lawIn(library, room), minutes }),
        ]) {
          expect(seconds(list)).toBeLessThanOrEqual(minutes * 60);
          for (const one of list) {
            const demand = rungDemand(library, one.form)!;
            for (const limit of limits)
              if (limit.kind === 'cap' && limit.on !== 'strain.holdSeconds')
                expect(demand[limit.on].hi ?? 1e9).toBeLessThanOrEqual(limit.max);
            expect(thingsHere(library, room, { move: one.form.move })).not.toBeNull();
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('what is open only at another height is said with that height', () => {
  const living = READY_ROOMS.find((r) => r.id === 'ready-living-room')!;
  const limits = compileCondition('not-understood');
  const list = warmUp({ ...withLimits(limits), law: lawIn(library, living), minutes: 6 });
  const push = list.find((one) => one.form.move === 'raised-push-up');
  // Little weight on the wrists: the worktop, not the chair.
  expect(push?.form.settings?.surfaceCm).toBeGreaterThan(60);
  expect(rungDemand(library, push!.form)!['wrist.load'].hi).toBeLessThanOrEqual(30);
});
