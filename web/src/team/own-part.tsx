import { TEAM_ROLE_SAYS } from '@inner-rung/core/team';
import { useState } from 'react';
import type { TeamMember } from '../store/api.ts';
import { nowSigned } from '../store/signer.ts';
import { asJson, useAsk } from '../store/use-ask.ts';
import { Field, Wrong } from './fields.tsx';

/** Who one is here, a passphrase of one's own, and the way out. */
export function OwnPart(props: { me: TeamMember; team: readonly TeamMember[] }) {
  const { me } = props;
  const { ask, wrong, busy } = useAsk('/api');
  const [old, setOld] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [changed, setChanged] = useState(false);
  const owners = props.team.filter(({ role, id }) => role === 'owner' && id !== me.id);
  return (
    <section aria-labelledby="own-h" className="grid max-w-prose gap-3">
      <h2 id="own-h" className="text-2xl">
        You are {me.name}
      </h2>
      <p>
        <span className="font-semibold">{TEAM_ROLE_SAYS[me.role].name}.</span> {TEAM_ROLE_SAYS[me.role].may}
        {me.role !== 'owner' && owners.length > 0 && (
          <> What isn’t yours to do you ask of {owners.map(({ name }) => name).join(' or ')}.</>
        )}
      </p>
      <div>
        <button
          type="button"
          className="btn touch"
          disabled={busy}
          onClick={() =>
            void ask('/sign-out', { method: 'POST' }).then((answer) => {
              if (!answer) return;
              nowSigned(null);
              location.assign('/');
            })
          }
        >
          Sign out
        </button>
      </div>
      <details>
        <summary className="touch flex cursor-pointer items-center underline">Another passphrase</summary>
        <form
          className="mt-2 grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void ask('/team/passphrase', asJson('PUT', { old, passphrase })).then((answer) => {
              if (!answer) return;
              setChanged(true);
              setOld('');
              setPassphrase('');
            });
          }}
        >
          <Field label="The one you have" value={old} onValue={setOld} secret complete="current-password" />
          <Field
            label="The new one, ten letters at the least"
            value={passphrase}
            onValue={setPassphrase}
            secret
            complete="new-password"
          />
          <Wrong says={wrong} />
          {changed && <p role="status">Changed. Your other devices are signed out.</p>}
          <button
            type="submit"
            className="btn touch justify-self-start"
            disabled={busy || old === '' || passphrase === ''}
          >
            Change it
          </button>
        </form>
      </details>
    </section>
  );
}
