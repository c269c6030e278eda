import { TEAM_ROLE_SAYS, TEAM_ROLES } from '@inner-rung/core/team';
import { useState } from 'react';
import { asJson, useAsk } from '../store/use-ask.ts';
import { Field, Wrong } from './fields.tsx';
import { Sheet } from './sheet.tsx';

/** No team yet: what one is, and its first owner. */
export function BeginTeam() {
  const { ask, wrong, busy } = useAsk('/api/team');
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [again, setAgain] = useState('');
  const [code, setCode] = useState<string | null>(null);
  if (code) return <Sheet code={code} owner={name} onKept={() => location.assign('/team')} />;
  const differs = again !== '' && again !== passphrase;
  return (
    <>
      <p className="max-w-prose">
        Now this machine is one trainer’s: whoever sits at it sees everything. Where several share it, set up
        a team. Everybody comes in by name and passphrase, here and from phones; each sees the groups they are
        given; and who saw, changed, printed or erased what is written down.
      </p>
      <dl className="grid max-w-prose gap-x-4 gap-y-1 sm:grid-cols-[8rem_1fr]">
        {TEAM_ROLES.map((role) => (
          <div key={role} className="contents">
            <dt className="font-semibold">{TEAM_ROLE_SAYS[role].name}</dt>
            <dd>{TEAM_ROLE_SAYS[role].may}</dd>
          </div>
        ))}
      </dl>
      <form
        className="grid max-w-prose gap-3 border-t-2 border-base-300 pt-4"
        onSubmit={(event) => {
          event.preventDefault();
          void ask('', asJson('POST', { name, passphrase })).then(
            async (answer) => answer && setCode(((await answer.json()) as { recovery: string }).recovery),
          );
        }}
      >
        <h2 className="text-2xl">You are its owner</h2>
        <Field label="Your name" value={name} onValue={setName} complete="username" />
        <Field
          label="A passphrase: a few words, ten letters at the least"
          value={passphrase}
          onValue={setPassphrase}
          secret
          complete="new-password"
        />
        <Field label="The same again" value={again} onValue={setAgain} secret complete="new-password" />
        {differs && <p className="font-semibold text-error">The two differ.</p>}
        <Wrong says={wrong} />
        <button
          type="submit"
          className="btn btn-primary touch justify-self-start"
          disabled={busy || name.trim() === '' || passphrase === '' || again !== passphrase}
        >
          Set up the team
        </button>
      </form>
    </>
  );
}
