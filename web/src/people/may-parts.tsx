import type { LadderMay, WhoMay } from '@inner-rung/core/limits';
import {
  type ConditionId,
  conditionOf,
  GUIDANCE,
  LEVELS,
  limitsSigned,
  type Person,
  type Review,
  sinceThen,
} from '@inner-rung/core/person';
import { asReleased, RELEASED } from '@inner-rung/core/released';
import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import { dayWords } from '../store/day.ts';
import { reviews } from '../store/index.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { SignReview } from './sign-review.tsx';

function PrintButton() {
  return (
    <button type="button" className="btn touch no-print" onClick={() => window.print()}>
      <Printer size={18} aria-hidden /> Print
    </button>
  );
}

export function PersonHead({ person }: { person: Person }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <h2 className="mr-auto text-3xl">{person.name}</h2>
      <Link to={`/people/${person.id}/limits`} className="btn touch no-print">
        Their limits
      </Link>
      <PrintButton />
    </div>
  );
}

export function ConditionHead(props: {
  condition: ConditionId;
  may: WhoMay | null;
  review: Review | null;
  nameOf: (move: string) => string;
}) {
  const { condition: id, may, review, nameOf } = props;
  const { name, caution, clearFirst, notAlone, steady, reminders = [], inReach = [] } = conditionOf(id);
  const limits = limitsSigned(id);
  const now = may && {
    limits,
    open: may.ladders.flatMap((ladder) => ladder.open),
    held: may.ladders.flatMap((ladder) => ladder.held),
  };
  const since = review && now && sinceThen(review, now);
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-3xl">{name}</h2>
        <SaveLine shelf={reviews} />
        <PrintButton />
      </div>
      <p className="mt-1 max-w-prose text-lg">{caution}</p>
      <p className="quiet mt-1 max-w-prose text-sm" data-guidance>
        Goes by, as remembered: {GUIDANCE[id]}
      </p>
      {review ? (
        <p className="mt-2 border-l-4 border-base-content pl-3" data-signed>
          Signed by {review.by}, {review.role}, on {dayWords(review.on)}.{review.says && ` “${review.says}”`}
          {since ? '' : ' Nothing has changed since.'}
        </p>
      ) : (
        <p className="mt-2 border-l-4 border-primary pl-3" data-unsigned>
          Not yet reviewed by a clinician: what somebody’s own clinician says comes first.
        </p>
      )}
      {since && (
        <div className="mt-2 border-l-4 border-primary pl-3" data-since>
          <p className="font-semibold">Changed since it was signed:</p>
          <Changes since={since} nameOf={nameOf} />
        </div>
      )}
      {now && <SinceRelease id={id} now={now} nameOf={nameOf} />}
      <ul className="mt-2 columns-1 gap-x-8 lg:columns-2">
        {[
          ...limits,
          ...(clearFirst ? ['a doctor’s word first, from after it began, however active they were'] : []),
          ...(notAlone ? ['not to be left to work alone'] : []),
          ...(steady ? ['no harder rungs, no reach'] : []),
          ...reminders,
          ...inReach.map((thing) => `in reach: ${thing}`),
        ].map((line) => (
          <li key={line} className="break-inside-avoid border-t border-base-300 py-0.5">
            {line}
          </li>
        ))}
      </ul>
      {now && <SignReview id={id} now={now} />}
    </>
  );
}

type Since = NonNullable<ReturnType<typeof sinceThen>>;

function Changes(props: { since: Since; nameOf: (move: string) => string }) {
  const { since, nameOf } = props;
  const moves = (says: string, list: readonly string[]) =>
    list.length > 0 && (
      <li>
        {list.length} {list.length === 1 ? 'move' : 'moves'} {says}: {list.map(nameOf).join(', ')}
      </li>
    );
  return (
    <ul>
      {since.limitsNew.map((line) => (
        <li key={line}>new: {line}</li>
      ))}
      {since.limitsGone.map((line) => (
        <li key={line}>gone: {line}</li>
      ))}
      {moves('open now', since.opened)}
      {moves('barred now', since.barred)}
    </ul>
  );
}

/** What of a condition is otherwise than in the last release, signed or not. */
function SinceRelease(props: {
  id: ConditionId;
  now: Parameters<typeof sinceThen>[1];
  nameOf: (move: string) => string;
}) {
  const day = dayWords(RELEASED.on);
  const compared = asReleased(RELEASED, props.id, props.now);
  const since = compared && sinceThen(...compared);
  if (!since)
    return (
      <p className="quiet mt-2" data-released>
        {compared
          ? `As in the release of ${day}.`
          : `Not in the release of ${day} yet: there is nothing to compare it with.`}
      </p>
    );
  const count = (n: number, one: string, many = one) => (n > 0 ? [`${n} ${n === 1 ? one : many}`] : []);
  const changes = [
    ...count(since.limitsNew.length, 'limit new', 'limits new'),
    ...count(since.limitsGone.length, 'limit gone', 'limits gone'),
    ...count(since.opened.length, 'move open now', 'moves open now'),
    ...count(since.barred.length, 'move barred now', 'moves barred now'),
  ];
  return (
    <details className="prints-open mt-2" data-released>
      <summary className="touch inline-flex cursor-pointer items-center underline underline-offset-4">
        Since the release of {day}: {changes.join(', ')}
      </summary>
      <Changes since={since} nameOf={props.nameOf} />
    </details>
  );
}

export function Counts({ may }: { may: WhoMay }) {
  return (
    <table className="mt-4 w-full max-w-xl border-y-2 border-base-300 text-left">
      <thead className="quiet text-sm">
        <tr>
          <th scope="col">Moves, in a room that has everything</th>
          <th scope="col">open</th>
          <th scope="col">holding on</th>
          <th scope="col">barred</th>
        </tr>
      </thead>
      <tbody>
        {may.counts.map(({ level, open, held, barred }) => (
          <tr key={level ?? 'own'} className="border-t border-base-300">
            <th scope="row" className="font-normal">
              {level === null ? 'as they are' : LEVELS[level].name}
            </th>
            <td>{open}</td>
            <td>{held}</td>
            <td>{barred}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function Ladder(props: { ladder: LadderMay; nameOf: (move: string) => string }) {
  const { ladder, nameOf } = props;
  const words = (moves: readonly string[]) => moves.map(nameOf).join(', ');
  return (
    <section className="mt-4 break-inside-avoid" aria-label={ladder.name}>
      <h3 className="text-xl">{ladder.name}</h3>
      {ladder.open.length > 0 && (
        <p>
          <span className="quiet">open: </span>
          {words(ladder.open)}
        </p>
      )}
      {ladder.held.length > 0 && (
        <p>
          <span className="quiet">holding on: </span>
          {words(ladder.held)}
        </p>
      )}
      {ladder.barred.map(({ says, moves }) => (
        <p key={says}>
          <span className="font-semibold text-error">barred, {says}: </span>
          {words(moves)}
        </p>
      ))}
    </section>
  );
}
