import {
  addCondition,
  assessed,
  assessmentSchema,
  CHAIR_STAND,
  CONDITIONS,
  followUp,
  normsFor,
  readTest,
  type TestId,
  testCard,
  UP_AND_GO_SECONDS,
} from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, newId, today, when } from '../store/day.ts';
import { Choice } from '../ui/choice.tsx';
import { dropDrafts } from '../ui/use-draft.ts';
import HistoryChart from './history-chart.tsx';
import type { Result } from './stopwatch.ts';
import { TestRunner } from './test-runner.tsx';
import { RungTest, resultWords, unitOf } from './test-words.tsx';

export function OneTest(props: { page: PersonPage; id: TestId }) {
  const { person, outlook, library, first, keep } = props.page;
  const card = testCard(props.id);
  const draft = `test/${person.id}/${props.id}`;
  const [result, setResult] = useState<Result | null>(null);
  const [help, setHelp] = useState(0);
  const [side, setSide] = useState<'left' | 'right'>('right');
  const [on, setOn] = useState(today());
  const [round, setRound] = useState(0);
  const [wrong, setWrong] = useState<string | null>(null);
  const results = useMemo(
    () => person.assessments.filter((a) => a.test === props.id).sort((a, b) => (a.on < b.on ? 1 : -1)),
    [person.assessments, props.id],
  );
  const newest = results[0];
  const follow = newest ? followUp(newest) : {};
  const norm = props.id === 'chair-stand' ? normsFor(CHAIR_STAND, outlook.age, person.sex) : [];
  const line = useMemo(
    () =>
      norm.length === 1
        ? { value: norm[0]!.value, says: 'below this: below average' }
        : props.id === 'up-and-go'
          ? { value: UP_AND_GO_SECONDS, says: 'from here: raised risk' }
          : null,
    [norm.length, norm[0]?.value, props.id],
  );
  const plotted = useMemo(() => [...results].reverse(), [results]);
  const record = () => {
    if (!result) return;
    const read = assessmentSchema.safeParse({
      id: newId('test'),
      test: props.id,
      on,
      value: result.value,
      ...(result.parts ? { parts: result.parts } : {}),
      ...(card.help ? { help } : {}),
      ...(card.sided ? { side } : {}),
    });
    if (!read.success) return setWrong(read.error.issues[0]!.message);
    if (on > today()) return setWrong('That day hasn’t come yet.');
    setWrong(null);
    keep(
      `Test: ${card.name}`,
      assessed(person, read.data, when(), (form) => formName(library, form.move, form.settings)),
    );
    dropDrafts(draft);
    setResult(null);
    setRound(round + 1);
  };
  return (
    <section aria-label={card.name} className="min-w-0">
      <h3 className="text-2xl">{card.name}</h3>
      <div className="mt-1 grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-2">
        <div>
          <ol className="ml-5 list-decimal">
            {card.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <p className="mt-2 border-l-4 border-primary pl-3 font-semibold">{card.safety}</p>
          {card.takes.by === 'rungs' ? (
            <RungTest page={props.page} test={props.id} ladder={card.takes.ladder} />
          ) : (
            <div className="mt-3 grid gap-3">
              <TestRunner key={round} card={card} draft={draft} onResult={setResult} />
              {card.help && (
                <Choice
                  legend="With what help"
                  name="help"
                  value={String(help)}
                  of={card.help.map((says, i) => ({ value: String(i), says }))}
                  onChoose={(v) => setHelp(Number(v))}
                />
              )}
              {card.sided && (
                <Choice
                  legend="Side"
                  name="side"
                  value={side}
                  of={[
                    { value: 'left', says: 'left' },
                    { value: 'right', says: 'right' },
                  ]}
                  onChoose={setSide}
                />
              )}
              <div className="flex flex-wrap items-end gap-2">
                <label className="block">
                  <span className="quiet block text-sm">Done on</span>
                  <input
                    type="date"
                    className="input touch"
                    value={on}
                    onChange={(e) => setOn(e.target.value)}
                  />
                </label>
                <button
                  type="button"
                  className="btn btn-primary touch"
                  disabled={!result || !on}
                  onClick={record}
                >
                  Keep the result
                </button>
              </div>
              {wrong && (
                <p role="alert" className="font-semibold text-error">
                  {wrong}
                </p>
              )}
            </div>
          )}
        </div>
        <div>
          {newest ? (
            <>
              <p className="display text-2xl">
                {resultWords(newest)}{' '}
                <span className="quiet text-base font-normal">{dayWords(newest.on)}</span>
              </p>
              <ul data-reading>
                {readTest(newest, outlook.age, person.sex, results).map((reading) => (
                  <li key={reading.says}>
                    {reading.says}{' '}
                    {reading.source && <span className="quiet text-sm">{reading.source}, from memory</span>}
                  </li>
                ))}
              </ul>
              {!person.sex && norm.length > 1 && (
                <p className="quiet text-sm">Sex isn’t stated, so that both columns are read.</p>
              )}
              {follow.placement && (
                <p className="mt-1">
                  Shows that {first} owns{' '}
                  <strong>
                    {formName(library, follow.placement.rung.move, follow.placement.rung.settings)}
                  </strong>
                  .
                </p>
              )}
              {follow.condition && !person.conditions.some((c) => c.id === follow.condition) && (
                <p className="mt-2">
                  <button
                    type="button"
                    className="btn touch"
                    onClick={() =>
                      keep(
                        'Add a condition',
                        addCondition(
                          person,
                          { id: follow.condition! },
                          when(),
                          `${card.name}, ${newest.value}`,
                        ),
                      )
                    }
                  >
                    Add “{CONDITIONS[follow.condition].name}” to the limits
                  </button>
                </p>
              )}
              {results.length > 1 && <HistoryChart results={plotted} unit={unitOf(card)} line={line} />}
              <ul className="mt-2 divide-y divide-base-300 border-y-2 border-base-300">
                {results.map((one) => (
                  <li key={one.id} className="flex items-center gap-2">
                    <span className="min-w-0 flex-1">
                      {dayWords(one.on)}: {resultWords(one)}
                    </span>
                    <button
                      type="button"
                      className="btn btn-ghost btn-sm touch"
                      aria-label={`Take away the result of ${dayWords(one.on)}`}
                      onClick={() =>
                        keep('Take a result away', {
                          ...person,
                          assessments: person.assessments.filter((a) => a.id !== one.id),
                        })
                      }
                    >
                      Take away
                    </button>
                  </li>
                ))}
              </ul>
            </>
          ) : (
            card.takes.by !== 'rungs' && (
              <p className="quiet">No result yet; it will be read and plotted here.</p>
            )
          )}
        </div>
      </div>
    </section>
  );
}
