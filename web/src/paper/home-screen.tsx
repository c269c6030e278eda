import type { Library } from '@inner-rung/core/ladder';
import { cardsOf, type PersonCard, personCards, type SizeId } from '@inner-rung/core/paper';
import {
  calledName,
  DAYS,
  type Day,
  type HomeProgramme,
  MOST_SESSIONS,
  type Person,
  WEEKS,
} from '@inner-rung/core/person';
import { READY_ROOMS, type Room, withOwn } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { HOME_STOP } from '@inner-rung/core/words';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useClass } from '../features/use-class.ts';
import { usePersonPage } from '../features/use-person.ts';
import { plans as allPlans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { people } from '../store/index.ts';
import { Chip, Choice } from '../ui/choice.tsx';
import { Missing } from '../ui/missing.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { NotYet } from './not-yet.tsx';
import { PaperShell, SizeChoice, useType } from './paper-shell.tsx';

const WHOLE_DAYS: Readonly<Record<Day, string>> = {
  Mon: 'Mondays',
  Tue: 'Tuesdays',
  Wed: 'Wednesdays',
  Thu: 'Thursdays',
  Fri: 'Fridays',
  Sat: 'Saturdays',
  Sun: 'Sundays',
};
const EMPTY: HomeProgramme = { sessions: [], weeks: 4, room: 'ready-living-room', words: '' };

/** What was worked out for one room says nothing of another. */
const cardKey = (plan: Plan, room: Room): string => `${plan.id}/${room.id}`;

const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const daysWords = (days: readonly Day[]): string =>
  days.length === 0
    ? 'on a day of your own'
    : AND.format(DAYS.filter((day) => days.includes(day)).map((day) => WHOLE_DAYS[day]));

/** Several sessions for one person to do at home, each scaled to them and to what they have there. */
export default function HomeScreen() {
  const { id = '' } = useParams();
  const { library, rooms, failed } = useShelf();
  const page = usePersonPage(id, library);
  const plans = allPlans.use();
  const programme = page?.person.home ?? EMPTY;
  const [size, setSize] = useState<SizeId>('A4');
  const [cards, setCards] = useState<Readonly<Record<string, PersonCard>>>({});
  // Open where there is nothing yet; from then on as it is left.
  const [begins, setBegins] = useState<boolean | null>(null);
  if (page && begins === null) setBegins(programme.sessions.length === 0);
  const type = useType();
  const person = useApart(page?.person ?? null);
  const homes = useMemo(() => [...READY_ROOMS, ...rooms], [rooms]);
  const room = useMemo(() => {
    const found = homes.find((one) => one.id === programme.room) ?? homes[0]!;
    return person ? withOwn(found, person.equipment) : found;
  }, [homes, programme.room, person]);
  const chosen = useMemo(
    () =>
      programme.sessions.flatMap((session) => {
        const plan = plans.data?.find((one) => one.id === session.plan)?.body;
        return plan ? [{ ...session, plan }] : [];
      }),
    [programme.sessions, plans.data],
  );
  const keep = useCallback((of: string, card: PersonCard) => setCards((now) => ({ ...now, [of]: card })), []);
  const notAlone = page?.outlook.notAlone ?? false;
  const pages = useMemo(() => {
    if (!type || chosen.some(({ plan }) => !cards[cardKey(plan, room)])) return null;
    return personCards(
      chosen.map(({ plan, days }, i) => {
        const card = cards[cardKey(plan, room)]!;
        return {
          ...card,
          name: chosen.length > 1 ? `${card.name}: session ${i + 1}` : card.name,
          session: `${plan.title}, ${daysWords(days)}`,
          effort: [programme.words.trim(), notAlone ? 'Only with somebody beside you.' : '', card.effort]
            .filter(Boolean)
            .join(' '),
          stop: HOME_STOP,
          times: { weeks: programme.weeks, each: Math.max(1, days.length) },
        };
      }),
      size,
      type.measure,
    );
  }, [type, chosen, cards, room, programme.words, programme.weeks, size, notAlone]);
  if (failed || (plans.failed && !plans.data)) return <ServerAway />;
  if (!library || !plans.data) return <Waiting />;
  if (!page || !person)
    return <Missing here="people" title="Nobody here by that address" to="/people" way="See everybody" />;
  const back = { to: `/people/${id}`, says: calledName(person) };
  const { outlook, keep: keepPerson } = page;
  if (!outlook.mayTrain) return <NotYet what="programme" person={person} outlook={outlook} back={back} />;
  const put = (patch: Partial<HomeProgramme>, says = 'Home programme') =>
    keepPerson(says, { ...page.person, home: { ...programme, ...patch } });
  const set = (plan: string, days: Day[]) =>
    put({ sessions: programme.sessions.map((one) => (one.plan === plan ? { plan, days } : one)) });
  return (
    <>
      {chosen.map(({ plan }) => (
        <Worked key={plan.id} library={library} plan={plan} person={person} room={room} onCard={keep} />
      ))}
      <PaperShell
        title={`At home: ${calledName(person)}`}
        name={`${id}-home.pdf`}
        pages={chosen.length === 0 ? [] : pages}
        lacks={type?.lacks}
        back={back}
      >
        <SaveLine shelf={people} />
        <SizeChoice size={size} onSize={setSize} />
        <Choice
          legend="Weeks"
          name="weeks"
          value={programme.weeks}
          of={WEEKS.map((n) => ({ value: n, says: String(n) }))}
          onChoose={(weeks) => put({ weeks })}
        />
        <label className="block">
          <span className="quiet block text-sm">Where</span>
          <select
            className="select touch"
            value={room.id}
            onChange={(event) => put({ room: event.target.value })}
          >
            {homes.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <details className="order-last w-full" open={begins ?? false}>
          <summary className="touch inline-flex cursor-pointer items-center font-semibold underline underline-offset-4">
            Sessions and days
          </summary>
          <div className="grid max-h-[50vh] gap-1 overflow-y-auto py-1">
            <label className="block">
              <span className="quiet block text-sm">A word of yours at the head of each</span>
              <input
                className="input touch w-full"
                maxLength={200}
                value={programme.words}
                onChange={(event) => put({ words: event.target.value }, 'Words for home…')}
              />
            </label>
            {chosen.map(({ plan, days }) => (
              <div key={plan.id} className="flex flex-wrap items-center gap-1 border-b border-base-300 py-1">
                <strong className="min-w-48 flex-1">{plan.title}</strong>
                {DAYS.map((day) => (
                  <Chip
                    key={day}
                    on={days.includes(day)}
                    onTurn={() =>
                      set(plan.id, days.includes(day) ? days.filter((one) => one !== day) : [...days, day])
                    }
                  >
                    {day}
                  </Chip>
                ))}
                <button
                  type="button"
                  className="btn btn-sm touch"
                  aria-label={`Without ${plan.title}`}
                  onClick={() => put({ sessions: programme.sessions.filter((one) => one.plan !== plan.id) })}
                >
                  Not this
                </button>
              </div>
            ))}
            {chosen.length < MOST_SESSIONS && (
              <select
                className="select touch w-full"
                aria-label="Another session"
                value=""
                onChange={(event) => {
                  if (event.target.value)
                    put({ sessions: [...programme.sessions, { plan: event.target.value, days: [] }] });
                }}
              >
                <option value="">another session…</option>
                {plans.data
                  .filter(({ id: plan }) => !programme.sessions.some((one) => one.plan === plan))
                  .map(({ id: plan, body }) => (
                    <option key={plan} value={plan}>
                      {body.title}
                    </option>
                  ))}
              </select>
            )}
          </div>
        </details>
      </PaperShell>
    </>
  );
}

/** The person without what they do at home, the same for as long as nothing else of them changes: they are what is worked out. */
function useApart(person: Person | null): Person | null {
  const written = useMemo(() => {
    if (!person) return null;
    const { home: _, ...rest } = person;
    return JSON.stringify(rest);
  }, [person]);
  return useMemo(() => (written === null ? null : (JSON.parse(written) as Person)), [written]);
}

/** One session worked out for them; nothing is seen of it here. */
function Worked(props: {
  library: Library;
  plan: Plan;
  person: Person;
  room: Room;
  onCard: (key: string, card: PersonCard) => void;
}) {
  const { library, plan, person, room, onCard } = props;
  const taking = useMemo(() => [{ id: person.id, person }], [person]);
  const answer = useClass(library, plan, room, taking, 1, 'together', null);
  useEffect(() => {
    if (!answer?.switches) return;
    const [card] = cardsOf(library, plan, room, answer, today(), false);
    if (card) onCard(cardKey(plan, room), card);
  }, [library, plan, room, answer, onCard]);
  return null;
}
