import type { Library } from '@inner-rung/core/ladder';
import {
  GROWS,
  type NextRungOf,
  nextPlan,
  PROGRESS,
  planAfter,
  SCHOOL_IDS,
  type SessionRecord,
  type SessionStep,
  toTell,
} from '@inner-rung/core/log';
import {
  GROW_IDS,
  type Group,
  type Occurrence,
  type Person,
  shortName,
  USUAL_PROGRESS,
} from '@inner-rung/core/person';
import { factsIn, type Plan } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { RungList } from '../features/next-rungs.tsx';
import { useNextRungs, useTake } from '../features/use-next-rungs.ts';
import { plans } from '../store/api.ts';
import { copyId } from '../store/copy.ts';
import { dayWords } from '../store/day.ts';
import { openNewPlan } from '../store/sync.ts';
import { Choice } from '../ui/choice.tsx';
import type { Put } from './group-members.tsx';

export function Made(props: {
  library: Library;
  group: Group;
  people: readonly Person[];
  plan: Plan;
  next: Occurrence | null;
  all: readonly SessionRecord[];
  last: SessionRecord | null;
  put: Put;
}) {
  const { library, group, people, plan, next, all, last, put } = props;
  const progress = group.progress ?? USUAL_PROGRESS;
  const appStore = useStore();
  const rungs = useNextRungs(library, people, last, all, progress.school);
  const take = useTake(library, last);
  const { steps, stays } = useMemo(
    () =>
      nextPlan(
        plan,
        factsIn(library),
        all.filter((r) => r.group === group.id),
        progress.school,
        progress.grows,
      ),
    [plan, library, all, group.id, progress.school, progress.grows],
  );
  const told = useMemo(
    () => toTell(library, rungs ?? [], (form) => formName(library, form.move, form.settings)),
    [library, rungs],
  );
  const moves = (rungs ?? []).filter((r) => r.placement !== null);
  const grow = (list: readonly SessionStep[]) => {
    if (!next || list.length === 0) return;
    const title = `${plan.title.replace(/, \d{1,2} \w{3}( \d{4})?$/, '')}, ${dayWords(next.on)}`;
    const made = planAfter(plan, list, copyId(plan.id), title);
    openNewPlan(appStore, made);
    // It is among the sessions at once, though the server may still be taking it in.
    plans.change((list) => [
      { id: made.id, revision: 0, savedAt: new Date().toISOString(), body: made },
      ...list,
    ]);
    const old = group.changes.find((c) => c.on === next.on) ?? { on: next.on, off: false };
    // From here on it is their session; the one that was stays among the sessions.
    put(
      {
        plan: made.id,
        changes: [...group.changes.filter((c) => c.on !== next.on), { ...old, plan: made.id }],
      },
      `${group.name}: ${list.map((s) => s.says).join('; ')}`,
    );
  };
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-4 lg:grid-cols-2">
      <div>
        <div className="flex flex-wrap items-end gap-3">
          <h3 className="mr-auto text-xl">What changes, and why</h3>
          {moves.length + steps.length > 0 && (
            <button
              type="button"
              className="btn btn-primary touch"
              onClick={() => {
                if (moves.length > 0) take(moves, `Next rungs for ${group.name}`);
                grow(steps);
              }}
            >
              Take all {moves.length + steps.length}
            </button>
          )}
        </div>
        <details>
          <summary className="quiet touch inline-flex cursor-pointer items-center text-sm underline underline-offset-4">
            Next rungs: {PROGRESS[progress.school].says}. The session grows by: {GROWS[progress.grows].says}
          </summary>
          <div className="grid gap-2 pb-2">
            <Choice
              legend="The next rung comes"
              name="group-school"
              value={progress.school}
              of={SCHOOL_IDS.map((id) => ({ value: id, says: PROGRESS[id].says }))}
              onChoose={(school) => put({ progress: { ...progress, school } }, 'How they go on')}
            />
            <Choice
              legend="The session grows by"
              name="group-grows"
              value={progress.grows}
              of={GROW_IDS.map((id) => ({ value: id, says: GROWS[id].says }))}
              onChoose={(grows) => put({ progress: { ...progress, grows } }, 'How the session grows')}
            />
          </div>
        </details>
        {!last && (
          <p className="mt-1">Nothing recorded of them yet: what came of a session decides the next.</p>
        )}
        {steps.map((step) => (
          <div key={step.id} className="mt-1 flex flex-wrap items-center gap-x-3" data-step={step.is}>
            <p className="min-w-0 flex-1">
              <strong>The session</strong>: <span className="font-semibold text-primary">{step.says}</span>.{' '}
              <span className="quiet">{step.why}</span>
            </p>
            <button type="button" className="btn btn-sm touch" disabled={!next} onClick={() => grow([step])}>
              Take it
            </button>
          </div>
        ))}
        {stays && last && (
          <p className="mt-1">
            <strong>The session</strong> stays. <span className="quiet">{stays}</span>
          </p>
        )}
        {last && rungs === null && (
          <p className="quiet mt-2" role="status">
            Looking what is open to whom…
          </p>
        )}
        {last && rungs !== null && (
          <RungList
            library={library}
            proposed={rungs as readonly NextRungOf[]}
            school={progress.school}
            onTake={take}
          />
        )}
      </div>
      <div>
        <h3 className="text-xl">What to tell whom</h3>
        {told.length === 0 ? (
          <p className="quiet mt-1">{last ? 'Nobody anything new.' : 'Nothing yet.'}</p>
        ) : (
          <ul className="mt-1 grid gap-1" data-tell>
            {told.map(({ person, says }) => (
              <li key={person.id}>
                <strong>{shortName(person)}</strong>: {says.join(' ')}
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
