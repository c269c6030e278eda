import { TEST_IDS, type TestId, testCard } from '@inner-rung/core/person';
import { useSearchParams } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords } from '../store/day.ts';
import { OneTest } from './one-test.tsx';
import { resultWords } from './test-words.tsx';

/** Tests: how each is done, taken here with a counter or clock, read against its table or their own last. */
export default function TestsPart(props: { page: PersonPage }) {
  const { person, outlook } = props.page;
  const [search, setSearch] = useSearchParams();
  const young = outlook.age.lo < 18;
  const ids = TEST_IDS.filter((id) => (testCard(id).for === 'child') === young);
  const chosen = ids.find((id) => id === search.get('test')) ?? ids[0]!;
  const last = (id: TestId) =>
    [...person.assessments].filter((a) => a.test === id).sort((a, b) => (a.on < b.on ? 1 : -1))[0];
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[15rem_minmax(0,1fr)]">
      <nav aria-label="Tests" className="md:border-r-2 md:border-base-300 md:pr-3">
        {young && <p className="quiet mb-1 text-sm">Under 18: how they move, never a maximum.</p>}
        <ul className="flex gap-1 overflow-x-auto md:block">
          {ids.map((id) => {
            const result = last(id);
            return (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={id === chosen}
                  className={`touch w-full rounded px-3 py-1 text-left leading-tight whitespace-nowrap md:whitespace-normal ${id === chosen ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
                  onClick={() => setSearch({ test: id }, { replace: true })}
                >
                  {testCard(id).name}
                  {result && (
                    <span className="quiet block text-sm font-normal">
                      {resultWords(result)}, {dayWords(result.on)}
                    </span>
                  )}
                </button>
              </li>
            );
          })}
        </ul>
      </nav>
      <OneTest key={`${person.id}/${chosen}`} page={props.page} id={chosen} />
    </div>
  );
}
