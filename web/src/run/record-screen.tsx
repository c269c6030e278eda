import type { Library } from '@inner-rung/core/ladder';
import {
  loadOf,
  type NextRungOf,
  nextRungs,
  PROGRESS,
  RANGES,
  type Result,
  recordFrom,
  SCHOOL_IDS,
  type SchoolId,
  type SessionRecord,
} from '@inner-rung/core/log';
import type { Person } from '@inner-rung/core/person';
import { compileLibrary, createScaler, EVERYWHERE, formName, subjectOf } from '@inner-rung/core/scale';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { today } from '../app/day.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { people as peopleShelf, records, store, useApp, useSend } from '../store/index.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { NoRun } from './no-run.tsx';
import { type LiveRun, useRun } from './use-run.ts';

/** The scale in big steps, with its words. */
const EFFORT = [
  { value: 2, says: '2 easy' },
  { value: 4, says: '4 light' },
  { value: 6, says: '6 could chat' },
  { value: 8, says: '8 short words' },
  { value: 10, says: '10 all out' },
] as const;
const RANGE_WORDS = { part: 'part of the way', most: 'most of it', full: 'all the way' } as const;

/** What came of a run, by exception: filled in from it, touched only where it wasn't as planned; then what is next. */
export default function RecordScreen() {
  const { id = '' } = useParams();
  const { library, people, failed } = useShelf();
  const live = useRun(id);
  const loaded = useApp((state) => records.saveState(state).is !== 'loading');
  useEffect(() => {
    records.load(store).catch(() => undefined);
  }, []);
  if (failed) return <ServerAway />;
  if (live === 'gone') return <NoRun />;
  if (!library || !live || !loaded) return <Waiting />;
  return <RecordSheet key={id} library={library} people={people} live={live} />;
}

function RecordSheet(props: { library: Library; people: readonly Person[]; live: LiveRun }) {
  const { library, people, live } = props;
  const send = useSend();
  const docs = useApp(records.docs);
  const made = useMemo(
    () => recordFrom(live.run, live.events, (one) => (people.some((p) => p.id === one) ? one : null)),
    [live.run, live.events, people],
  );
  const record = docs[made.id] ?? made;
  const kept = docs[made.id] !== undefined;
  const put = (next: SessionRecord, says: string) => send(records.step({ says, put: [next] }));
  const change = (i: number, patch: Partial<Result>, says: string) =>
    put({ ...record, results: record.results.map((r, k) => (k === i ? { ...r, ...patch } : r)) }, says);
  const nameOf = (result: Result) =>
    people.find((p) => p.id === result.person)?.name ?? (result.known || 'somebody');
  return (
    <div className="min-h-dvh">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/run/${live.run.id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> The run
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-2xl">What came of it: {record.title}</h1>
        {kept ? (
          <SaveLine shelf={records} />
        ) : (
          <button
            type="button"
            className="btn btn-primary touch"
            onClick={() => put(record, `Keep what came of ${record.title}`)}
          >
            All as planned: keep it
          </button>
        )}
      </header>
      <main className="mx-auto max-w-5xl px-4 py-3">
        <p className="quiet">
          {record.on} · {record.minutes} minutes · {record.results.filter((r) => r.present).length} of{' '}
          {record.results.length} there. Touch only what wasn’t as planned.
        </p>
        <Choice
          legend="How hard was it for everybody"
          name="effort-all"
          value={sameEffort(record)}
          of={EFFORT}
          onChoose={(effort) =>
            put(
              { ...record, results: record.results.map((r) => (r.present ? { ...r, effort } : r)) },
              `Effort ${effort} for everybody`,
            )
          }
        />
        <ul className="mt-3 divide-y-2 divide-base-300 border-y-2 border-base-300">
          {record.results.map((result, i) => (
            <Row
              // biome-ignore lint/suspicious/noArrayIndexKey: those known by number have no id of their own
              key={i}
              library={library}
              name={nameOf(result)}
              result={result}
              load={loadOf(record, result)}
              onChange={(patch, says) => change(i, patch, `${nameOf(result)}: ${says}`)}
            />
          ))}
        </ul>
        {kept && <NextRungs library={library} people={people} record={record} all={Object.values(docs)} />}
      </main>
    </div>
  );
}

const sameEffort = (record: SessionRecord): number | null => {
  const there = record.results.filter((r) => r.present);
  const [first] = there;
  return first && there.every((r) => r.effort === first.effort) ? first.effort : null;
};

/** One person in one line, opened where something was otherwise. */
function Row(props: {
  library: Library;
  name: string;
  result: Result;
  load: number | null;
  onChange: (patch: Partial<Result>, says: string) => void;
}) {
  const { library, name, result, onChange } = props;
  const [open, setOpen] = useState(false);
  const pieces = [...result.pieces].sort((a, b) => a.entry - b.entry);
  const mixed = pieces.filter((piece) =>
    pieces.some((other) => other !== piece && other.entry === piece.entry),
  );
  const said = [
    result.effort === null ? '' : `${result.effort} of 10`,
    result.clean ? '' : 'not clean',
    result.range === 'full' ? '' : RANGE_WORDS[result.range],
    result.pain ? `pain: ${result.pain.where}` : '',
    result.sign ? `stopped: ${result.sign.sign}` : '',
    mixed.length > 0
      ? mixed.map((p) => `${formName(library, p.move, p.settings)} ${p.seconds} s`).join(', ')
      : '',
    ...result.counts.map((c) => `${c.rounds} rounds${c.reps > 0 ? ` and ${c.reps}` : ''}`),
    result.note,
  ].filter(Boolean);
  return (
    <li className="py-1.5">
      <button
        type="button"
        aria-expanded={open}
        className="touch flex w-full flex-wrap items-baseline gap-x-3 text-left"
        onClick={() => setOpen(!open)}
      >
        <strong className={result.present ? '' : 'line-through'}>{name}</strong>
        <span className="quiet min-w-0 flex-1">
          {result.present ? (said.length > 0 ? said.join(' · ') : 'as planned') : 'not there'}
        </span>
        {props.load !== null && <span className="quiet text-sm">load {props.load}</span>}
      </button>
      {open && (
        <div className="grid gap-2 border-l-4 border-primary py-2 pl-3">
          <Tick
            on={result.present}
            onTurn={(present) => onChange({ present }, present ? 'was there' : 'wasn’t there')}
          >
            Was there
          </Tick>
          <Choice
            legend="How hard"
            name={`effort-${name}`}
            value={result.effort}
            of={EFFORT}
            onChoose={(effort) => onChange({ effort }, `effort ${effort}`)}
          />
          <Tick on={result.clean} onTurn={(clean) => onChange({ clean }, clean ? 'clean' : 'not clean')}>
            Clean to the end
          </Tick>
          <Choice
            legend="How far"
            name={`range-${name}`}
            value={result.range}
            of={RANGES.map((range) => ({ value: range, says: RANGE_WORDS[range] }))}
            onChoose={(range) => onChange({ range }, RANGE_WORDS[range])}
          />
          <label className="block">
            <span className="quiet text-sm">Pain: where</span>
            <input
              className="input w-full max-w-sm"
              defaultValue={result.pain?.where ?? ''}
              onBlur={(event) => {
                const where = event.target.value.trim();
                if (where !== (result.pain?.where ?? ''))
                  onChange(
                    { pain: where ? { where: where.slice(0, 80), note: '' } : null },
                    where ? `pain, ${where}` : 'no pain',
                  );
              }}
            />
          </label>
          <label className="block">
            <span className="quiet text-sm">Note</span>
            <input
              className="input w-full"
              defaultValue={result.note}
              onBlur={(event) => {
                if (event.target.value !== result.note)
                  onChange({ note: event.target.value.slice(0, 1000) }, 'a note');
              }}
            />
          </label>
        </div>
      )}
    </li>
  );
}

const WHAT = { up: 'up', hold: 'stays', down: 'down', ask: 'ask' } as const;
const NO_SCHOOL: { school: SchoolId } = { school: 'two clean' };

/** What each does next, with its reason; taken as a whole or one by one. */
function NextRungs(props: {
  library: Library;
  people: readonly Person[];
  record: SessionRecord;
  all: readonly SessionRecord[];
}) {
  const { library, people, record, all } = props;
  const send = useSend();
  const [{ school }, setSchool] = useDraft(`next/${record.group ?? 'all'}`, NO_SCHOOL);
  // Whether a rung is open to somebody is the engine's to say, with everything there is to hand.
  const scaler = useMemo(() => createScaler(compileLibrary(library), EVERYWHERE), [library]);
  const proposed = useMemo(
    () =>
      nextRungs(library, people, record, all, school, today(), (person, form) => {
        const request = { subject: subjectOf(person, library, today()), dials: AS_WRITTEN };
        return scaler.bars([form], request)[0]?.[0]?.says ?? null;
      }),
    [library, scaler, people, record, all, school],
  );
  const moves = proposed.filter((p) => p.placement !== null);
  const telling = proposed.filter((p) => p.decision.is !== 'hold');
  const holding = proposed.filter((p) => p.decision.is === 'hold');
  const take = (list: readonly NextRungOf[], says: string) => {
    const next = new Map<string, Person>();
    for (const { person, placement } of list) {
      if (!placement) continue;
      const now = next.get(person.id) ?? person;
      next.set(person.id, {
        ...now,
        placements: [...now.placements.filter((p) => p.ladder !== placement.ladder), placement],
        log: [
          ...now.log,
          {
            at: new Date().toISOString(),
            what: 'placement' as const,
            says: `${library.ladder(placement.ladder)?.name}: ${formName(library, placement.rung.move, placement.rung.settings)}`,
            why: `after ${record.title}, ${record.on}`,
          },
        ],
      });
    }
    send(peopleShelf.step({ says, put: [...next.values()] }));
  };
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
      <Choice
        legend="The next rung comes"
        name="school"
        value={school}
        of={SCHOOL_IDS.map((id) => ({ value: id, says: PROGRESS[id].says }))}
        onChoose={(value) => setSchool({ school: value })}
      />
      {proposed.length === 0 ? (
        <p className="mt-2">Nobody with a file of their own was on a ladder.</p>
      ) : (
        <>
          {telling.length > 0 && (
            <ul className="mt-2 divide-y-2 divide-base-300">
              {telling.map((one) => (
                <NextRung key={`${one.person.id}/${one.ladder}`} library={library} one={one} onTake={take} />
              ))}
            </ul>
          )}
          {holding.length > 0 && (
            <details className="mt-2">
              <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
                {telling.length > 0 ? 'Everything else' : 'Everything'} stays as it is, and why
              </summary>
              <ul className="divide-y-2 divide-base-300">
                {holding.map((one) => (
                  <NextRung
                    key={`${one.person.id}/${one.ladder}`}
                    library={library}
                    one={one}
                    onTake={take}
                  />
                ))}
              </ul>
            </details>
          )}
        </>
      )}
      {record.plan && (
        <p className="mt-3">
          <Link to={`/plan/${record.plan}/class`} className="underline underline-offset-4">
            The next session, with what has been taken
          </Link>
        </p>
      )}
    </section>
  );
}

/** One decision in a line. */
function NextRung(props: {
  library: Library;
  one: NextRungOf;
  onTake: (list: readonly NextRungOf[], says: string) => void;
}) {
  const { library, one } = props;
  const ladder = library.ladder(one.ladder)!;
  const form = ladder.rungs[one.decision.to]!;
  const goes = one.decision.is === 'up' || one.decision.is === 'down';
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1.5" data-decision={one.decision.is}>
      <p className="min-w-0 flex-1">
        <strong>{one.person.name}</strong>, {ladder.name.toLowerCase()}:{' '}
        <span className={one.decision.is === 'hold' ? '' : 'font-semibold text-primary'}>
          {WHAT[one.decision.is]}
          {goes ? ` to ${formName(library, form.move, form.settings).toLowerCase()}` : ''}
        </span>
        . <span className="quiet">{one.decision.says}</span>
      </p>
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
    </li>
  );
}
