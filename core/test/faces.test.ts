import { answerTo, createGround } from '@inner-rung/core/ask';
import { type ClassPlan, planMark, taughtBy } from '@inner-rung/core/class';
import { cardsOf, classSheetOf, stationsOf } from '@inner-rung/core/paper';
import { castOf, type Taking } from '@inner-rung/core/run';
import { entriesOf, type Plan } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import fc from 'fast-check';
import { GROUPS, PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const ground = createGround(library);
const ON = '2026-11-24';

/** Some of the demo's people, sore or not, in one of its rooms, at one of its sessions, by some of the ways. */
const anyDay = fc.record({
  plan: fc.constantFrom(...PLANS),
  room: fc.constantFrom(...ROOMS),
  who: fc.uniqueArray(fc.nat({ max: PEOPLE.length - 1 }), { minLength: 2, maxLength: PEOPLE.length }),
  sore: fc.option(fc.constantFrom('sore-knees', 'wrist-no-load', 'no-jumping')),
  most: fc.integer({ min: 1, max: 4 }),
  how: fc.constantFrom('together' as const, 'rotation' as const),
  given: fc.nat(),
});
type Day = typeof anyDay extends fc.Arbitrary<infer D> ? D : never;

/** Everything that anybody sees of that day, each from the one answer. */
function facesOf({ plan, room, who, sore, most, how, given }: Day) {
  const taking: Taking[] = who.map((at, i) => {
    const person = PEOPLE[at]!;
    const more = i === 0 && sore ? [{ id: sore, side: 'both' as const }] : [];
    return { id: person.id, person: { ...person, conditions: [...person.conditions, ...more] } } as Taking;
  });
  const question = {
    session: { blocks: plan.blocks, forWhom: plan.forWhom },
    dials: { writtenFor: plan.writtenFor, dials: plan.dials },
    room,
    on: ON,
    most,
    how,
    people: taking.map(({ id, person }) => ({ id, person, ability: 'own rungs' })),
  };
  const first = answerTo(ground, 'class', question) as { plan: ClassPlan };
  // Somebody is given by hand what another does: that holds on every face as well.
  const entry = given % first.plan.entries.length;
  const form = first.plan.entries[entry]!.forms.at(-1)?.form;
  const wishes = form ? [{ entry, kind: 'give' as const, form, person: taking[0]!.id }] : [];
  const answer = answerTo(ground, 'class', { ...question, wishes }) as {
    plan: ClassPlan;
    switches: Record<string, never>;
  };
  return { taking, answer: { ...answer, taking, before: null, was: null }, most, how };
}

test('class page, cards, station cards, class sheet, set-up and run say the same of everybody at every station', () => {
  fc.assert(
    fc.property(anyDay, (day) => {
      const { taking, answer } = facesOf(day);
      const plan = day.plan as Plan;
      const does = taughtBy(answer.plan);
      const named = (id: string, entry: number) => {
        const form = does[id]![entry];
        return form ? formName(library, form.move, form.settings) : null;
      };
      const entries = entriesOf(plan.blocks);
      // The class page and what everybody was given.
      for (const { id } of taking)
        entries.forEach((_, entry) => {
          const use = answer.plan.uses[id]![entry];
          expect([id, entry, use?.move ?? null]).toEqual([id, entry, does[id]![entry]?.move ?? null]);
        });
      // The run's own cast.
      taking.forEach((one, i) => {
        const cast = castOf(library, plan, ON, one, answer.plan.uses[one.id]!, [], i);
        entries.forEach((_, entry) => {
          const form = cast.does[entry];
          expect([one.id, entry, form?.move ?? null]).toEqual([
            one.id,
            entry,
            does[one.id]![entry]?.move ?? null,
          ]);
        });
      });
      // The cards, the station cards and the sheet, as they are read.
      const cards = JSON.stringify(cardsOf(library, plan, day.room, answer, ON));
      const stations = JSON.stringify(stationsOf(library, plan, answer));
      const sheet = JSON.stringify(classSheetOf(library, plan, answer, GROUPS[0]!.name, ON));
      for (const { id } of taking)
        entries.forEach((at, entry) => {
          const name = named(id, entry);
          // A station's own words, where the trainer has some, stand for the form as written.
          if (name === null || plan.blocks[at.block]!.stations[at.inBlock]!.typed) return;
          for (const [face, text] of Object.entries({ cards, stations, sheet }))
            expect([face, id, entry, text.includes(JSON.stringify(name).slice(1, -1))]).toEqual([
              face,
              id,
              entry,
              true,
            ]);
        });
      // Each says of which plan it is.
      const mark = planMark(answer.plan);
      expect(mark).toMatch(/^[A-Z2-9]{4}$/);
      for (const [face, text] of Object.entries({ cards, stations, sheet }))
        expect([face, text.includes(`plan ${mark}`)]).toEqual([face, true]);
      // The set-up list gives things out for those forms and no others.
      const block = plan.blocks.findIndex((b) => b.stations.length > 0);
      const out = answerTo(ground, 'share', {
        session: plan,
        block,
        room: day.room,
        on: ON,
        how: day.how,
        ahead: null,
        people: taking.map(({ id, person }) => ({ id, person, does: does[id] })),
      }) as import('@inner-rung/core/ask').SharedOut;
      entries.forEach((at, entry) => {
        if (at.block !== block || at.part !== 0 || (at.round ?? 0) !== 0) return;
        for (const { id } of taking)
          expect([id, entry, out.forms[id]![at.inBlock]?.move ?? null]).toEqual([
            id,
            entry,
            does[id]![entry]?.move ?? null,
          ]);
      });
    }),
    { numRuns: 6, seed: 20261129 },
  );
});

test('the mark of a plan is the same in whatever order its people come, and another once anybody does otherwise', () => {
  const use = (move: string) => ({ move, settings: {} }) as ClassPlan['uses'][string][number];
  const plan = (uses: Record<string, string[]>) => ({
    uses: Object.fromEntries(Object.entries(uses).map(([id, moves]) => [id, moves.map(use)])),
  });
  const mark = planMark(plan({ ann: ['squat', 'plank'], bo: ['lunge', 'plank'] }));
  expect(planMark(plan({ bo: ['lunge', 'plank'], ann: ['squat', 'plank'] }))).toBe(mark);
  fc.assert(
    fc.property(
      fc.constantFrom('ann', 'bo'),
      fc.nat({ max: 1 }),
      fc.string({ minLength: 1 }),
      (who, at, move) => {
        const uses: Record<string, string[]> = { ann: ['squat', 'plank'], bo: ['lunge', 'plank'] };
        if (uses[who]![at] === move) return;
        uses[who]![at] = move;
        expect(planMark(plan(uses))).not.toBe(mark);
      },
    ),
    { numRuns: 200, seed: 7 },
  );
});
