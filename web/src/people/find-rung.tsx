import type { Ladder, Library } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import {
  ANSWERS,
  type Answer,
  answered,
  beginTrial,
  type Person,
  place,
  placesOf,
  type Trial,
} from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { today, when } from '../store/day.ts';
import { useDraft } from '../ui/use-draft.ts';

const NO_TRIAL: { trial: Trial | null } = { trial: null };
const SAYS: Readonly<Record<Answer, string>> = {
  'too easy': 'Too easy',
  'about right': 'About right',
  'too hard': 'Too hard',
  hurt: 'It hurt',
};

const rungName = (library: Library, ladder: Ladder, i: number) =>
  formName(library, ladder.rungs[i]!.move, ladder.rungs[i]!.settings);

/** What limits bar of a ladder, by rung. */
export function barredRungs(
  ladder: Ladder,
  bars: ReadonlyMap<string, readonly Ruler[]>,
): readonly (readonly Ruler[])[] {
  return ladder.rungs.map((_, i) => (bars.get(`${ladder.id}/${i}`) ?? []).filter((r) => r.kind === 'limit'));
}

/** Finding the rung somebody owns: the program picks the rung, the trainer says how it was. */
export function FindRung(props: {
  page: PersonPage;
  ladder: Ladder;
  bars: ReadonlyMap<string, readonly Ruler[]>;
  /** The person as they are once a rung is found, where more than the place is kept. */
  onFound?: (placed: Person, rung: number) => Person;
}) {
  const { page, ladder, bars } = props;
  const { person, library, first, keep } = page;
  const [form, put, clear] = useDraft(`trial/${person.id}/${ladder.id}`, NO_TRIAL);
  const barred = barredRungs(ladder, bars);
  const open = ladder.rungs.flatMap((_, i) => (barred[i]!.length === 0 ? [i] : []));
  const trial = form.trial;
  const name = (i: number) => rungName(library, ladder, i);
  const settle = (next: Trial) => {
    if (next.owns !== null) {
      const rung = ladder.rungs[next.owns]!;
      const placed = place(
        person,
        { ladder: ladder.id, rung: { ...rung }, evidence: 'assessed' },
        name(next.owns),
        when(),
      );
      keep(`Place on ${ladder.name}`, props.onFound?.(placed, next.owns) ?? placed);
    }
    put({ trial: next });
  };
  const begin = () => {
    const stands = placesOf(library, person, today()).find((p) => p.ladder === ladder.id)?.rung ?? -1;
    put({ trial: beginTrial(ladder, stands, open) });
  };
  const answer = (said: Answer) => trial && settle(answered(trial, said));

  if (bars.size === 0) return <p className="quiet">Reading their limits…</p>;
  if (open.length === 0)
    return (
      <div className="mt-2">
        <p>
          Every rung is barred for {first}: {[...new Set(barred.flat().map((r) => r.says))].join('; ')}.
        </p>
        <Sideways page={page} ladder={ladder} />
      </div>
    );
  if (!trial)
    return (
      <button type="button" className="btn btn-primary touch mt-2" onClick={begin}>
        Find the rung
      </button>
    );
  return (
    <section
      className="mt-2 border-2 border-base-content p-3"
      aria-label={`Finding the rung on ${ladder.name}`}
    >
      {trial.next !== null && (
        <>
          <p className="quiet">{trial.tries.length === 0 ? 'Begin with' : 'Now try'}</p>
          <p className="display text-2xl leading-tight" data-trying={ladder.rungs[trial.next]!.move}>
            {name(trial.next)}
          </p>
          <p>
            {library.move(ladder.rungs[trial.next]!.move)?.unit === 'hold'
              ? 'Hold it to its standard, up to 30 seconds. How was it?'
              : 'Eight clean ones. How was it?'}
          </p>
          <div className="mt-2 grid grid-cols-2 gap-2">
            {ANSWERS.map((said) => (
              <button
                key={said}
                type="button"
                className={`btn touch h-14 text-lg ${said === 'about right' ? 'btn-neutral' : ''}`}
                onClick={() => answer(said)}
              >
                {SAYS[said]}
              </button>
            ))}
          </div>
        </>
      )}
      {trial.next === null && trial.owns !== null && (
        <p role="status" className="text-lg">
          {first} owns <strong className="display">{name(trial.owns)}</strong>, found in {trial.tries.length}{' '}
          {trial.tries.length === 1 ? 'try' : 'tries'}.
        </p>
      )}
      {trial.next === null && trial.owns === null && trial.hurtAt === null && (
        <p role="status">Even the lowest open rung is too hard today. Another ladder serves them better.</p>
      )}
      {trial.hurtAt !== null && (
        <p role="status">
          It hurt at <strong>{name(trial.hurtAt)}</strong>: this ladder ends here for today. Mark the place on{' '}
          <Link to={`/people/${person.id}/today`} className="underline underline-offset-4">
            today’s sheet
          </Link>
          , and go round it:
        </p>
      )}
      {trial.next === null && trial.owns === null && <Sideways page={page} ladder={ladder} />}
      {trial.tries.length > 0 && (
        <ol className="quiet mt-2 text-sm">
          {trial.tries.map((t, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same rung may be tried twice
            <li key={i}>
              {name(t.rung)}: {SAYS[t.answer].toLowerCase()}
            </li>
          ))}
        </ol>
      )}
      <button type="button" className="btn btn-ghost btn-sm touch mt-1" onClick={clear}>
        {trial.next === null ? 'Done' : 'Leave it'}
      </button>
    </section>
  );
}

/** Ways round: branches of the same ladder, and the ladder it branches from. */
function Sideways(props: { page: PersonPage; ladder: Ladder }) {
  const { ladder, page } = props;
  const trunks = ladder.branchOf.length > 0 ? ladder.branchOf : [ladder.id];
  const ways = page.library.ladders.filter(
    (l) =>
      l.id !== ladder.id && (trunks.includes(l.id) || l.branchOf.some((trunk) => trunks.includes(trunk))),
  );
  if (ways.length === 0) return <p className="quiet">No branch of this ladder; try a neighbouring one.</p>;
  return (
    <ul className="mt-1 flex flex-wrap gap-2">
      {ways.map((way) => (
        <li key={way.id}>
          <Link to={`/people/${page.person.id}/rungs?ladder=${way.id}`} className="btn btn-sm touch">
            {way.name}
          </Link>
        </li>
      ))}
    </ul>
  );
}
