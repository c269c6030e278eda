import type { Library } from '@inner-rung/core/ladder';
import {
  type NextRungOf,
  outcomesNext,
  PROGRESS,
  SCHOOL_IDS,
  type SchoolId,
  type SessionRecord,
} from '@inner-rung/core/log';
import { type Person, USUAL_PROGRESS } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { Link } from 'react-router';
import { today } from '../store/day.ts';
import { groups as groupShelf, useApp, useSend } from '../store/index.ts';
import { Choice } from '../ui/choice.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { SpareList } from './spare-list.tsx';
import { useNextRungs, useTake } from './use-next-rungs.ts';

const WHAT = { up: 'up', hold: 'stays', down: 'down', ask: 'ask' } as const;
const NO_SCHOOL: { school: SchoolId } = { school: USUAL_PROGRESS.school };

/** What each does next, with its reason; taken as a whole or one by one. */
export function NextRungs(props: {
  library: Library;
  people: readonly Person[];
  record: SessionRecord;
  all: readonly SessionRecord[];
}) {
  const { library, people, record, all } = props;
  const send = useSend();
  const group = useApp(groupShelf.docs)[record.group ?? ''];
  const [own, setOwn] = useDraft(`next/${record.group ?? 'all'}`, NO_SCHOOL);
  const school = group ? (group.progress ?? USUAL_PROGRESS).school : own.school;
  const choose = (value: SchoolId) =>
    group
      ? send(
          groupShelf.step({
            says: 'How they go on',
            put: [{ ...group, progress: { ...(group.progress ?? USUAL_PROGRESS), school: value } }],
          }),
        )
      : setOwn({ school: value });
  const proposed = useNextRungs(library, people, record, all, school);
  const take = useTake(library, record);
  const moves = (proposed ?? []).filter((p) => p.placement !== null);
  return (
    <section className="mt-6" aria-labelledby="next-rungs">
      <div className="flex flex-wrap items-end gap-4">
        <h2 id="next-rungs" className="mr-auto text-2xl">
          Next time
        </h2>
        {moves.length > 0 && (
          <button
            type="button"
            className="btn btn-primary touch"
            onClick={() => take(moves, `Next rungs after ${record.title}`)}
          >
            Take all {moves.length}
          </button>
        )}
      </div>
      <SpareList people={people} record={record} all={all} />
      <Choice
        legend="The next rung comes"
        name="school"
        value={school}
        of={SCHOOL_IDS.map((id) => ({ value: id, says: PROGRESS[id].says }))}
        onChoose={choose}
      />
      {proposed === null ? (
        <p className="quiet mt-2" role="status">
          Looking what is open to whom…
        </p>
      ) : (
        <RungList library={library} proposed={proposed} school={school} onTake={take} />
      )}
      <p className="mt-3 flex flex-wrap gap-x-6">
        {record.plan && (
          <Link to={`/plan/${record.plan}/class`} className="underline underline-offset-4">
            The next session, with what has been taken
          </Link>
        )}
        {group && (
          <Link to={`/groups/${group.id}`} className="underline underline-offset-4">
            {group.name}: what to tell whom
          </Link>
        )}
      </p>
    </section>
  );
}

/** Decisions, those that change something first. */
export function RungList(props: {
  library: Library;
  proposed: readonly NextRungOf[];
  school: SchoolId;
  onTake: ReturnType<typeof useTake>;
}) {
  const { proposed } = props;
  if (proposed.length === 0) return <p className="mt-2">Nobody with a file of their own was on a ladder.</p>;
  const telling = proposed.filter((p) => p.decision.is !== 'hold');
  const holding = proposed.filter((p) => p.decision.is === 'hold');
  const list = (of: readonly NextRungOf[]) => (
    <ul className="mt-2 divide-y-2 divide-base-300">
      {of.map((one) => (
        <NextRung key={`${one.person.id}/${one.ladder}`} {...props} one={one} />
      ))}
    </ul>
  );
  return (
    <>
      {telling.length > 0 && list(telling)}
      {holding.length > 0 && (
        <details className="mt-2">
          <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
            {telling.length > 0 ? 'Everything else' : 'Everything'} stays as it is, and why
          </summary>
          {list(holding)}
        </details>
      )}
    </>
  );
}

/** One decision in a line, with where each way next time may go would lead. */
function NextRung(props: {
  library: Library;
  one: NextRungOf;
  school: SchoolId;
  onTake: ReturnType<typeof useTake>;
}) {
  const { library, one } = props;
  const ladder = library.ladder(one.ladder)!;
  const nameAt = (rung: number) => {
    const form = ladder.rungs[rung]!;
    return formName(library, form.move, form.settings).toLowerCase();
  };
  const goes = one.decision.is === 'up' || one.decision.is === 'down';
  return (
    <li className="py-1.5" data-decision={one.decision.is}>
      <div className="flex flex-wrap items-center gap-x-3">
        <p className="min-w-0 flex-1">
          <strong>{one.person.name}</strong>, {ladder.name.toLowerCase()}:{' '}
          <span className={one.decision.is === 'hold' ? '' : 'font-semibold text-primary'}>
            {WHAT[one.decision.is]}
            {goes ? ` to ${nameAt(one.decision.to)}` : ''}
          </span>
          . <span className="quiet">{one.decision.says}</span>
        </p>
        {one.around && (
          <button
            type="button"
            className="btn btn-sm touch"
            onClick={() =>
              props.onTake(
                [{ person: one.person, placement: one.around!.placement }],
                `${one.person.name}: ${library.ladder(one.around!.ladder)?.name}`,
              )
            }
          >
            Go round it: {formName(library, one.around.form.move, one.around.form.settings).toLowerCase()}
          </button>
        )}
        {goes && !one.placement && <span className="quiet text-sm">taken</span>}
        {one.placement && (
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`Take it for ${one.person.name}, ${ladder.name}`}
            onClick={() => props.onTake([one], `${one.person.name}: ${ladder.name}`)}
          >
            Take it
          </button>
        )}
      </div>
      <details>
        <summary className="quiet touch inline-flex cursor-pointer items-center text-sm underline underline-offset-4">
          If next time…
        </summary>
        <ul className="pb-1 pl-4 text-sm">
          {outcomesNext(library, one, props.school, today()).map(({ says, decision }) => (
            <li key={says}>
              {says}: <strong className="font-semibold">{WHAT[decision.is]}</strong>
              {decision.is === 'ask' ? '' : `, ${nameAt(decision.to)}`}. {decision.says}
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}
