import { type ReactNode, useEffect } from 'react';
import { type TeamState, team } from '../store/api.ts';
import { nowSigned, onOtherSigner, waitingHere } from '../store/signer.ts';
import { asJson, useAsk } from '../store/use-ask.ts';

/** Somebody's own link, or a card's: nobody asks them who they are. */
const ALONE = () => /^\/[pc]\//.test(location.pathname);
/** At the machine itself most are alone with it: nothing waits for whether there is a team. */
const AT_MACHINE = () => ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname);

function Field(props: { name: string; label: string; kind: 'text' | 'password'; complete: string }) {
  return (
    <label>
      <span className="quiet block text-sm">{props.label}</span>
      <input
        name={props.name}
        type={props.kind}
        className="input input-lg w-full"
        autoComplete={props.complete}
        autoCapitalize="none"
        required
      />
    </label>
  );
}

/** Asks for what lets somebody in: a name and its passphrase in a team, the trainer's passcode from the network. */
function Door(props: { byName: boolean }) {
  const { ask, wrong, busy } = useAsk('/api');
  const waiting = props.byName ? waitingHere() : [];
  return (
    <main className="grid min-h-dvh place-items-center p-6">
      <form
        className="grid w-full max-w-sm gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const said = Object.fromEntries(new FormData(event.currentTarget));
          void ask('/sign-in', asJson('POST', said)).then(async (answer) => {
            if (!answer) return;
            const told = await fetch('/api/team').then((now) => now.json() as Promise<TeamState>);
            nowSigned(told.me);
            // What the page asked for before it came in was refused: it begins anew.
            location.reload();
          });
        }}
      >
        <h1 className="text-3xl">Inner Rung</h1>
        {waiting.length > 0 && (
          <p>
            Changes that aren’t saved yet wait here for {waiting.join(', ')}: they are saved when{' '}
            {waiting.length > 1 ? 'each' : waiting[0]} signs in.
          </p>
        )}
        {props.byName ? (
          <>
            <Field name="name" label="Your name" kind="text" complete="username" />
            <Field name="passphrase" label="Your passphrase" kind="password" complete="current-password" />
          </>
        ) : (
          <Field name="passcode" label="The trainer’s passcode" kind="password" complete="current-password" />
        )}
        {wrong && (
          <p role="alert" className="font-semibold text-error">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
          Come in
        </button>
        {props.byName && AT_MACHINE() && (
          <p className="quiet text-sm">
            Passphrase lost? The owner of the team gives you another. The owner’s own: by the sheet printed
            when the team was set up, at{' '}
            <a className="link" href="/team/sheet">
              the way back in
            </a>
            .
          </p>
        )}
      </form>
    </main>
  );
}

function Asked(props: { children: ReactNode }) {
  const { data, failed } = team.use();
  // Somebody else than this browser knew of: what is open was looked for under another name.
  useEffect(() => {
    if (data?.in && nowSigned(data.me)) location.reload();
  }, [data]);
  useEffect(() => onOtherSigner(() => location.reload()), []);
  if (data && !data.in && location.pathname !== '/team/sheet') return <Door byName={data.on} />;
  return data || failed || AT_MACHINE() ? props.children : null;
}

/** Whoever isn't in is asked who they are; on somebody's own link nobody is. */
export function Gate(props: { children: ReactNode }) {
  return ALONE() ? props.children : <Asked>{props.children}</Asked>;
}
