import {
  CONDITION_GROUPS,
  CONDITION_IDS,
  type ConditionId,
  conditionOf,
  type Review,
} from '@inner-rung/core/person';
import { CONDITION_NAMES } from '@inner-rung/core/read';
import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useAnswer } from '../engine/index.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ConditionHead, Counts, Ladder, PersonHead } from './may-parts.tsx';
import { useReviews } from './use-reviews.ts';

/** Who may do what: a condition, or a person with all they have, by ladder, with what decides; to print and to sign. */
export default function MayScreen() {
  const { id } = useParams();
  const [search, setSearch] = useSearchParams();
  const { library, people, failed } = useShelf();
  const { docs } = useReviews();
  const person = people.find((one) => one.id === search.get('person')) ?? null;
  const condition = CONDITION_IDS.find((one) => one === id) ?? CONDITION_IDS[0]!;
  const question = useMemo(
    () => ({ condition: person ? null : condition, side: 'both' as const, person, on: today() }),
    [condition, person],
  );
  const answered = useAnswer(library, 'who-may', question);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  const may = answered?.to === question ? answered.answer : null;
  const nameOf = (move: string) => library.move(move)?.name ?? move;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="people" />
      <main className="mx-auto grid max-w-7xl grid-cols-1 gap-x-8 gap-y-4 px-4 py-4 md:grid-cols-[17rem_minmax(0,1fr)] md:px-6 print:block">
        <div className="no-print min-w-0">
          <h1 className="text-3xl">Who may do what</h1>
          <label className="mt-2 block">
            <span className="quiet text-sm">For</span>
            <select
              className="select touch w-full"
              value={person?.id ?? ''}
              onChange={(event) =>
                setSearch(event.target.value ? { person: event.target.value } : {}, { replace: true })
              }
            >
              <option value="">anybody with a condition</option>
              {people.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          </label>
          {!person && <Conditions here={condition} docs={docs} />}
        </div>
        <div className="min-w-0" aria-busy={may === null}>
          {person ? (
            <PersonHead person={person} />
          ) : (
            <ConditionHead condition={condition} may={may} review={docs[condition] ?? null} nameOf={nameOf} />
          )}
          {may === null ? (
            <p className="quiet mt-4">Working it out…</p>
          ) : (
            <>
              <Counts may={may} />
              {may.ladders.map((ladder) => (
                <Ladder key={ladder.name} ladder={ladder} nameOf={nameOf} />
              ))}
            </>
          )}
        </div>
      </main>
    </div>
  );
}

/** Every condition by its part of the list, with whether somebody has signed it. */
function Conditions(props: { here: ConditionId; docs: Readonly<Record<string, Review>> }) {
  const [look, setLook] = useState('');
  const found = CONDITION_IDS.filter((id) =>
    `${conditionOf(id).name} ${CONDITION_NAMES[id].join(' ')}`
      .toLowerCase()
      .includes(look.trim().toLowerCase()),
  );
  const signed = CONDITION_IDS.filter((id) => props.docs[id]).length;
  return (
    <>
      <input
        type="search"
        aria-label="Look for a condition"
        className="input touch mt-2 w-full"
        placeholder="knee, pregnancy, asthma…"
        value={look}
        onChange={(event) => setLook(event.target.value)}
      />
      <p className="quiet mt-1 text-sm">
        {signed === 0
          ? 'None of them has been reviewed by a clinician yet.'
          : `${signed} of ${CONDITION_IDS.length} signed by a clinician.`}
      </p>
      <Scrolls
        label="Conditions"
        className="mt-1 max-h-[35vh] overflow-auto md:max-h-[65vh] border-y-2 border-base-300"
      >
        {CONDITION_GROUPS.map((group) => {
          const ids = found.filter((id) => conditionOf(id).group === group);
          if (ids.length === 0) return null;
          return (
            <div key={group}>
              <h2 className="display quiet sticky top-0 bg-base-100 pt-1 text-base">{group}</h2>
              <ul>
                {ids.map((id) => (
                  <li key={id}>
                    <Link
                      to={`/may/${id}`}
                      aria-current={id === props.here ? 'page' : undefined}
                      className={`touch flex items-center gap-2 rounded px-2 leading-tight ${id === props.here ? 'bg-base-content text-base-100' : 'hover:bg-base-200'}`}
                    >
                      <span className="min-w-0 flex-1">{conditionOf(id).name}</span>
                      {props.docs[id] && <span className="text-sm">signed</span>}
                    </Link>
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
        {found.length === 0 && <p className="p-2">Nothing by that word.</p>}
      </Scrolls>
    </>
  );
}
