import { type ClassPlan, classChanges } from '@inner-rung/core/class';
import { lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { calledName, standsFor } from '@inner-rung/core/person';
import type { Taking } from '@inner-rung/core/run';
import { aimWords, entriesOf, factsIn, type Plan, timelineOf } from '@inner-rung/core/session';
import { formName, knownAs, spokenAs } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { WaitingLine } from '../features/waiting-line.tsx';
import type { useWhoToday } from '../features/who-today.ts';
import { dayWords, today } from '../store/day.ts';

export function Heading(props: {
  library: Library;
  plan: Plan;
  count: number;
  where: string;
  group: string | undefined;
  /** Which plan it is: on paper as well, so that a page printed before a change is known for old. */
  mark: string | null;
}) {
  const { library, plan } = props;
  const range = timelineOf(plan, factsIn(library)).range;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b-4 border-current pb-2">
        <h1 className="text-3xl">{plan.title}</h1>
        <p className="display text-2xl">{lengthWords(range)}</p>
      </div>
      {plan.aim && (
        <p className="text-lg font-semibold" data-aim>
          Effort {aimWords(plan.aim)}
        </p>
      )}
      <p className="quiet print:text-black">
        {props.count} {props.count === 1 ? 'person' : 'people'}
        {props.group ? `, ${props.group}` : ''} · {props.where}
        {props.mark && (
          <>
            {' '}
            · {dayWords(today())} · plan <span data-mark>{props.mark}</span>
          </>
        )}
      </p>
    </>
  );
}

/** Everybody as a name to tap: not here, something sore; and somebody more. */
export function WhoRow(props: {
  who: ReturnType<typeof useWhoToday>;
  onPerson: (id: string) => void;
  onWalkIn: () => void;
}) {
  const { who } = props;
  // Those who are known by number and alike today are one to tap.
  const chips = new Map<string, { ids: string[]; says: string; away: boolean; sore: boolean }>();
  for (const { id, person } of [...who.expected, ...who.walkIns]) {
    const away = who.day.away.includes(id);
    const sore = who.day.sore[id] ?? [];
    const byNumber = standsFor(person) !== null;
    const says = calledName(person);
    const key = byNumber ? `${says}/${away}/${sore.join()}` : id;
    const known = chips.get(key);
    if (known) known.ids.push(id);
    else chips.set(key, { ids: [id], says, away, sore: sore.length > 0 });
  }
  return (
    <section aria-label="Who is here" className="no-print mt-2 flex flex-wrap gap-1.5">
      {[...chips.values()].map(({ ids, says, away, sore }) => (
        <button
          key={ids[0]}
          type="button"
          className={`touch rounded-full border-2 px-3 text-[0.95rem] leading-tight ${away ? 'border-dashed border-base-300 line-through' : sore ? 'border-primary font-semibold' : 'border-base-300'} hover:bg-base-200`}
          onClick={() => props.onPerson(ids[0]!)}
        >
          {ids.length > 1 ? knownAs(ids.length, says) : says}
          {away && <span className="sr-only">, not here</span>}
          {sore && !away && ', sore today'}
        </button>
      ))}
      <button type="button" className="btn btn-sm touch" onClick={props.onWalkIn}>
        Somebody more
      </button>
      <WaitingLine waiting={who.waiting} className="w-full" />
    </section>
  );
}

/** What a late change changed for the others, each in a sentence. */
export function Changes(props: {
  library: Library;
  plan: Plan;
  now: ClassPlan;
  before: ClassPlan | null;
  /** What a wish came to; empty after a late change. */
  bought: string;
  taking: readonly Taking[];
}) {
  const { library, now, before, plan } = props;
  const entries = entriesOf(plan.blocks);
  const said = useMemo(() => {
    const name = (form: FormRef) => formName(library, form.move, form.settings).toLowerCase();
    return before
      ? classChanges(before, now).flatMap(({ person, entry, was, is }) => {
          const one = props.taking.find((t) => t.id === person);
          const what = is ? name(is) : 'easy movement';
          return one
            ? [
                `${spokenAs(one.person).name}, station ${entries[entry]!.inBlock + 1}: ${what}${was ? ` for ${name(was)}` : ''}.`,
              ]
            : [];
        })
      : null;
  }, [before, now, library, props.taking, entries]);
  if (!said) return null;
  return (
    <div className="no-print mt-2 border-l-4 border-primary pl-3" role="status" data-changes={said.length}>
      {props.bought && <p className="font-semibold">{props.bought}</p>}
      {said.length === 0 ? (
        <p>{props.bought ? 'Nobody does anything else.' : 'Nothing changes for the others.'}</p>
      ) : (
        <ul>
          {said.slice(0, 6).map((one, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: sentences may be alike for people known by number
            <li key={i}>{one}</li>
          ))}
          {said.length > 6 && <li>And {said.length - 6} more.</li>}
        </ul>
      )}
    </div>
  );
}
