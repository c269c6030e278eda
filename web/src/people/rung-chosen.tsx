import type { Ladder } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import { type Place, place, unplace } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, when } from '../store/day.ts';
import { barredRungs, FindRung } from './find-rung.tsx';

export function Chosen(props: {
  page: PersonPage;
  ladder: Ladder;
  at: Place;
  bars: ReadonlyMap<string, readonly Ruler[]>;
}) {
  const { page, ladder, at } = props;
  const { person, library, first, keep } = page;
  const barred = barredRungs(ladder, props.bars);
  const name = (i: number) => formName(library, ladder.rungs[i]!.move, ladder.rungs[i]!.settings);
  const shut = at.rung >= 0 && barred[at.rung]!.length > 0;
  return (
    <section aria-labelledby="chosen-h">
      <h3 id="chosen-h" className="text-2xl">
        {ladder.name}
      </h3>
      <p data-place={at.evidence}>
        {shut
          ? `Could do ${name(at.rung)}, by what is known; it is barred for now`
          : at.rung < 0
            ? `Below its lowest rung, as far as one can tell`
            : at.evidence === 'assumed' && at.on === null
              ? `Assumed: ${name(at.rung)}`
              : `${EVIDENCE[at.evidence][0]!.toUpperCase()}${EVIDENCE[at.evidence].slice(1)} on ${dayWords(at.on!)}: ${name(at.rung)}`}
        {at.rung >= 0 && <span className="quiet"> ({at.sure})</span>}
        {at.stale && <strong> Gone stale: look again.</strong>}
      </p>
      <FindRung page={page} ladder={ladder} bars={props.bars} />
      <ol
        reversed
        className="mt-3 border-x-[5px] border-base-content/80"
        aria-label={`${ladder.name}, top rung first`}
      >
        {ladder.rungs
          .map((_, i) => i)
          .reverse()
          .map((i) => {
            const closed = barred[i]!;
            return (
              <li
                key={name(i)}
                data-rung={ladder.rungs[i]!.move}
                className={`flex items-center gap-2 border-y border-base-content/70 px-2 leading-tight ${i === at.rung && !shut ? 'bg-[var(--lane-1)] text-[var(--lane-0-ink)]' : ''}`}
              >
                <span className="min-w-0 flex-1 py-1">
                  <span
                    className={`block ${closed.length > 0 ? 'line-through decoration-2' : 'font-semibold'}`}
                  >
                    {name(i)}
                  </span>
                  {closed.length > 0 && <span className="quiet block text-xs">{closed[0]!.says}</span>}
                </span>
                {closed.length === 0 && (i !== at.rung || at.on === null) && (
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm touch"
                    aria-label={`Seen: owns ${name(i)}`}
                    onClick={() =>
                      keep(
                        `Place on ${ladder.name}`,
                        place(
                          person,
                          { ladder: ladder.id, rung: { ...ladder.rungs[i]! }, evidence: 'observed' },
                          name(i),
                          when(),
                        ),
                      )
                    }
                  >
                    Owns it
                  </button>
                )}
              </li>
            );
          })}
      </ol>
      {at.on !== null && (
        <button
          type="button"
          className="btn btn-sm touch mt-2"
          onClick={() => keep('Forget a place', unplace(person, ladder.id, ladder.name, when()))}
        >
          Forget where {first} stands here
        </button>
      )}
      <p className="mt-1">
        <Link to={`/ladders/${ladder.id}`} className="underline underline-offset-4">
          All about this ladder
        </Link>
      </p>
    </section>
  );
}

export const EVIDENCE = { assessed: 'tested', observed: 'seen', assumed: 'assumed' } as const;
