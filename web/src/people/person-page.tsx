import {
  ageWords,
  compileCondition,
  conditionOf,
  effortOn,
  LEVELS,
  limitWords,
  placesOf,
  readTest,
  testCard,
} from '@inner-rung/core/person';
import { EQUIPMENT } from '@inner-rung/core/room';
import { formName } from '@inner-rung/core/words';
import { Link, useParams } from 'react-router';
import { usePersonPage } from '../features/use-person.ts';
import { useShelf } from '../store/data.ts';
import { dayOf, dayWords, today } from '../store/day.ts';
import { PrintHeader } from '../ui/print-header.tsx';
import { Waiting } from '../ui/shell.tsx';

/** Everything kept about somebody, as a page to read, print or hand over. */
export default function PersonPage() {
  const { id = '' } = useParams();
  const { library, groups } = useShelf();
  const page = usePersonPage(id, library);
  if (!library) return <Waiting />;
  if (!page)
    return (
      <main className="p-6">
        <h1 className="text-3xl">Nobody here by that address</h1>
        <Link to="/people" className="btn touch mt-4">
          See everybody
        </Link>
      </main>
    );
  const { person, outlook } = page;
  const facts: [string, string | undefined][] = [
    ['Born', `${person.born} (${ageWords(outlook.age)})`],
    ['Kind of client', person.kind],
    ['Sex', person.sex],
    ['A usual week', person.activity],
    ['Body mass', person.massKg && `${person.massKg} kg`],
    ['Height', person.heightCm && `${person.heightCm} cm`],
    ['Pulse at rest', person.restingRate && `${person.restingRate} a minute`],
    ['Level assumed', LEVELS[person.assumedLevel].name],
    ['Effort', `up to ${effortOn(outlook)} of 10`],
    [
      'Capacity',
      outlook.capacity.capacity
        ? `${outlook.capacity.capacity.lo}–${outlook.capacity.capacity.hi} MET, ${outlook.capacity.capacity.from}`
        : `not reckoned: ${outlook.capacity.lacks}`,
    ],
    ['What they want', person.goals],
    ['Dislikes', person.dislikes.map((m) => library.move(m)?.name ?? m).join(', ')],
    ['Own equipment', person.equipment.map((e) => EQUIPMENT[e].name).join(', ')],
    ['Agreed that it is kept', person.consent && `${dayWords(person.consent.on)}, ${person.consent.how}`],
    ['In an emergency', person.emergency && `${person.emergency.name}, ${person.emergency.phone}`],
    [
      'Groups',
      groups
        .filter((g) => g.members.includes(person.id))
        .map((g) => g.name)
        .join(', '),
    ],
    [
      'Was there',
      groups
        .flatMap((g) => g.attendance.filter((a) => a.present.includes(person.id)).map((a) => dayWords(a.on)))
        .join(', '),
    ],
    ['Notes', person.notes],
  ].map(([a, b]) => [String(a), b ? String(b) : undefined]);
  return (
    <div className="min-h-dvh bg-base-100">
      <PrintHeader to={`/people/${person.id}/record`} back={`Back to ${person.name}`} />
      <main className="mx-auto max-w-3xl p-6 print:p-[14mm]">
        <h1 className="text-3xl">{person.name}</h1>
        <p className="quiet">All that is kept, on {dayWords(today())}.</p>
        <dl className="mt-3 grid grid-cols-[11rem_minmax(0,1fr)] gap-y-1">
          {facts
            .filter(([, value]) => value)
            .map(([what, value]) => (
              <div key={what} className="contents">
                <dt className="quiet">{what}</dt>
                <dd className="whitespace-pre-wrap">{value}</dd>
              </div>
            ))}
        </dl>
        <h2 className="mt-5 text-2xl">Before they begin</h2>
        <p>
          {outlook.standing.says} {person.screening && `Asked on ${dayWords(person.screening.on)}.`}
        </p>
        {person.clearance && (
          <p>
            Cleared by {person.clearance.by} on {dayWords(person.clearance.on)}. {person.clearance.says}
          </p>
        )}
        {person.override && (
          <p>
            {person.override.by}, {dayWords(person.override.on)}: {person.override.reason}
          </p>
        )}
        <h2 className="mt-5 text-2xl">Conditions and limits</h2>
        {outlook.conditions.length === 0 && person.limits.length === 0 && <p>None.</p>}
        {outlook.conditions.map((c) => (
          <section key={`${c.id}${c.side}`} className="mt-2">
            <h3 className="text-lg">
              {conditionOf(c.id).name}
              {c.side !== 'both' && `, ${c.side}`}
            </h3>
            <ul className="ml-5 list-disc">
              {compileCondition(c.id, c.side).map((limit) => {
                const eased = person.loosened.find((l) => l.limit === limit.id);
                return (
                  <li key={limit.id}>
                    {limit.reason} ({limitWords(limit)})
                    {eased &&
                      `: ${eased.max === undefined ? 'put aside' : `eased to ${eased.max}`} by ${eased.by}, ${eased.why}`}
                  </li>
                );
              })}
            </ul>
          </section>
        ))}
        {person.limits.length > 0 && (
          <ul className="mt-2 ml-5 list-disc">
            {person.limits.map((limit) => (
              <li key={limit.id}>
                {limit.reason} ({limitWords(limit)}){limit.until && ` until ${dayWords(limit.until)}`}
              </li>
            ))}
          </ul>
        )}
        <h2 className="mt-5 text-2xl">Tests</h2>
        {person.assessments.length === 0 && <p>None yet.</p>}
        <ul className="ml-5 list-disc">
          {[...person.assessments]
            .sort((a, b) => (a.on < b.on ? 1 : -1))
            .map((a) => (
              <li key={a.id}>
                {dayWords(a.on)}, {testCard(a.test).name}:{' '}
                {readTest(a, outlook.age, person.sex, person.assessments)
                  .map((r) => r.says)
                  .join(' ')}{' '}
                ({a.value})
              </li>
            ))}
        </ul>
        <h2 className="mt-5 text-2xl">Rungs</h2>
        <ul className="ml-5 list-disc">
          {placesOf(library, person, today())
            .filter((p) => p.on !== null)
            .map((p) => {
              const ladder = library.ladder(p.ladder)!;
              const rung = ladder.rungs[p.rung]!;
              return (
                <li key={p.ladder}>
                  {ladder.name}: {formName(library, rung.move, rung.settings)}, {p.evidence} {dayWords(p.on!)}
                  {p.stale && ', gone stale'}
                </li>
              );
            })}
        </ul>
        {person.today && (
          <>
            <h2 className="mt-5 text-2xl">Today’s sheet of {dayWords(person.today.on)}</h2>
            <p>
              {[
                ...person.today.marks,
                ...person.today.pain.map((p) => `sore ${p.side === 'both' ? '' : `${p.side} `}${p.place}`),
              ].join(', ') || 'nothing marked'}
              {Object.entries(person.today.readings).map(([what, value]) => ` · ${what} ${value}`)}
            </p>
          </>
        )}
        <h2 className="mt-5 text-2xl">What was changed</h2>
        <ul className="ml-5 list-disc">
          {[...person.log].reverse().map((entry, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two entries may be alike in everything
            <li key={i}>
              {dayWords(dayOf(entry.at))}: {entry.says}
              {entry.why && ` (${entry.why})`}
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
