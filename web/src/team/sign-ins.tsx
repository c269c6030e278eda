import { useCallback, useEffect, useState } from 'react';
import type { TeamMember } from '../store/api.ts';
import { dayAndTime } from '../store/day.ts';
import { useAsk } from '../store/use-ask.ts';
import { Wrong } from './fields.tsx';

interface SignIn {
  readonly id: string;
  readonly account: string;
  readonly device: string;
  readonly since: number;
}

/** Who is signed in, on what and since when; each can be ended. */
export function SignIns(props: { team: readonly TeamMember[] }) {
  const { ask, wrong, busy } = useAsk('/api/team/sign-ins');
  const [list, setList] = useState<readonly SignIn[]>([]);
  const look = useCallback(
    () => ask('').then(async (answer) => answer && setList((await answer.json()) as SignIn[])),
    [ask],
  );
  useEffect(() => void look(), [look]);
  const nameOf = (account: string) => props.team.find(({ id }) => id === account)?.name ?? 'somebody';
  return (
    <section aria-labelledby="in-h">
      <h2 id="in-h" className="text-2xl">
        Signed in
      </h2>
      <Wrong says={wrong} />
      <ul className="mt-2 divide-y-2 divide-base-300 border-y-2 border-base-300">
        {list.map(({ id, account, device, since }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 py-2">
            <p className="mr-auto min-w-0">
              <span className="font-semibold">{nameOf(account)}</span>{' '}
              <span className="quiet">
                {device}, since {dayAndTime(new Date(since))}
              </span>
            </p>
            <button
              type="button"
              className="btn btn-sm touch"
              disabled={busy}
              aria-label={`Sign ${nameOf(account)} out on ${device}`}
              onClick={() => void ask(`/${id}`, { method: 'DELETE' }).then(() => look())}
            >
              Sign out
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
