import { trimsAt } from '@inner-rung/core/class';
import { formatWords, lengthWords, rangeOf } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { ClassSheet } from '@inner-rung/core/paper';
import { outlookOf, standsFor } from '@inner-rung/core/person';
import { blockName, entriesOf, factsIn, type Plan, timelineOf } from '@inner-rung/core/session';
import { formName, sayStation, spokenOf } from '@inner-rung/core/words';
import { spoken } from '../class/spoken.ts';
import type { ClassAnswer } from '../class/use-class.ts';
import { doesOf } from '../run/make-run.ts';
import { today } from '../ui/day.ts';
import { COACH_STOP } from '../ui/stop-words.ts';

/** What the coach holds: every station's forms with their names, the line to say, and whom to take care of. */
export function classSheetOf(
  library: Library,
  plan: Plan,
  answer: ClassAnswer,
  group: string | null,
): ClassSheet {
  const entries = entriesOf(plan.blocks);
  const byId = new Map(answer.taking.map((one) => [one.id, one]));
  const people = (ids: readonly string[]) =>
    ids.flatMap((id) => (byId.has(id) ? [spoken(byId.get(id)!)] : []));
  const doses = new Map(
    answer.taking.map((one) => [one.id, doesOf(library, plan, answer.plan.uses[one.id] ?? [])]),
  );
  const named = new Map<string, string>();
  for (const { person } of answer.taking) {
    const { cautions } = outlookOf(person, today());
    const who = standsFor(person) === null ? spoken({ id: person.id, person }).name : null;
    if (who && cautions.length > 0) named.set(who, cautions.join(' '));
  }
  const n = answer.taking.length;
  return {
    title: plan.title,
    who: `${n} ${n === 1 ? 'person' : 'people'}${group ? `, ${group}` : ''}`,
    whole: lengthWords(rangeOf(timelineOf(plan, factsIn(library)).segments)),
    stations: answer.plan.entries
      .filter(({ entry }) => (entries[entry]!.round ?? 0) === 0)
      .map(({ entry, forms, resting }) => {
        const at = entries[entry]!;
        const block = plan.blocks[at.block]!;
        const trims = trimsAt(library, answer.plan, entry).map(({ says, people: who }) => ({
          says,
          people: people(who),
        }));
        return {
          number: at.part > 0 ? '+' : String(at.inBlock + 1),
          part:
            at.inBlock === 0 && at.part === 0
              ? `${plan.blocks.length > 1 ? `${blockName(plan.blocks, at.block)}: ` : ''}${formatWords(block.format)}`
              : null,
          forms: [
            ...forms.map(({ form, people: who }) => ({
              name: formName(library, form.move, form.settings),
              dose: doses.get(who[0] ?? '')?.[entry]?.dose ?? '',
              who: spokenOf(people(who)),
            })),
            ...(resting.length > 0
              ? [{ name: 'Easy movement', dose: '', who: spokenOf(people(resting)) }]
              : []),
          ],
          say:
            forms.length > 1 || trims.length > 0
              ? sayStation(
                  library,
                  forms.map((f) => ({ form: f.form, people: people(f.people) })),
                  trims,
                )
              : null,
        };
      }),
    people: [...named].map(([name, care]) => ({ name, care })),
    stop: COACH_STOP,
  };
}
