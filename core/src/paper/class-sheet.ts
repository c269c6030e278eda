import { planMark, trimsAt } from '../class/index.ts';
import { lengthWords, rangeOf } from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import { dayWords, outlookOf, standsFor } from '../person/index.ts';
import { doesOf } from '../run/index.ts';
import {
  aimWords,
  blockName,
  clockOfBlock,
  entriesOf,
  factsIn,
  type Plan,
  timelineOf,
} from '../session/index.ts';
import { COACH_STOP, formName, restingName, sayStation, spokenAs, spokenOf } from '../words/index.ts';
import type { PlannedClass } from './planned.ts';
import type { ClassSheet } from './sheets.ts';

/** What the coach holds: every station's forms with their names, the line to say, and whom to take care of. */
export function classSheetOf(
  library: Library,
  plan: Plan,
  answer: PlannedClass,
  group: string | null,
  on: string,
): ClassSheet {
  const entries = entriesOf(plan.blocks);
  const byId = new Map(answer.taking.map((one) => [one.id, one]));
  const people = (ids: readonly string[]) =>
    ids.flatMap((id) => (byId.has(id) ? [spokenAs(byId.get(id)!.person)] : []));
  const doses = new Map(
    answer.taking.map((one) => [one.id, doesOf(library, plan, answer.plan.uses[one.id] ?? [])]),
  );
  const named = new Map<string, string>();
  for (const { person } of answer.taking) {
    const { cautions } = outlookOf(person, on);
    const who = standsFor(person) === null ? spokenAs(person).name : null;
    if (who && cautions.length > 0) named.set(who, cautions.join(' '));
  }
  const n = answer.taking.length;
  return {
    title: plan.title,
    who: `${n} ${n === 1 ? 'person' : 'people'}${group ? `, ${group}` : ''} · ${dayWords(on)} · plan ${planMark(answer.plan)}${plan.aim ? ` · effort ${aimWords(plan.aim)}` : ''}`,
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
              ? `${plan.blocks.length > 1 ? `${blockName(plan.blocks, at.block)}: ` : ''}${clockOfBlock(block)}`
              : null,
          forms: [
            ...forms.map(({ form, people: who }) => ({
              name: formName(library, form.move, form.settings),
              dose: doses.get(who[0] ?? '')?.[entry]?.dose ?? '',
              who: spokenOf(people(who)),
            })),
            ...(resting.length > 0
              ? [{ name: restingName(library, at.move), dose: '', who: spokenOf(people(resting)) }]
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
