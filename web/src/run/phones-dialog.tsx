import type { Present } from '@inner-rung/core/run';
import { Download, Users } from 'lucide-react';
import { useEffect, useState } from 'react';
import { asJson, useAsk } from '../store/use-ask.ts';
import { Tick } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { QrCode } from '../ui/qr-code.tsx';

interface NetworkState {
  readonly here: boolean;
  readonly can: boolean;
  readonly on: boolean;
  readonly passcode: boolean;
  /** Who comes in says who they are; nobody is asked for a passcode. */
  readonly byName: boolean;
  /** What a phone shows of this machine's certificate; null where the network is shut, or open and plain. */
  readonly fingerprint: string | null;
  readonly addresses: readonly string[];
}

/** Other devices: the way in from the local network, and a link for each person. */
export function PhonesDialog(props: { run: string; people: readonly Present[]; onClose: () => void }) {
  const [state, setState] = useState<NetworkState | null>(null);
  const [passcode, setPasscode] = useState('');
  const [sealed, setSealed] = useState(true);
  const [links, setLinks] = useState<Readonly<Record<string, string>>>({});
  const { ask, wrong } = useAsk('/api');
  useEffect(() => {
    void ask('/network').then(async (answer) => answer && setState((await answer.json()) as NetworkState));
  }, [ask]);
  const turn = async (on: boolean) => {
    const answer = await ask('/network', asJson('PUT', { on, sealed, ...(passcode ? { passcode } : {}) }));
    if (!answer) return;
    setState((await answer.json()) as NetworkState);
    setPasscode('');
  };
  const base = state?.addresses[0] ?? location.origin;
  return (
    <Dialog title="Other devices" onClose={props.onClose}>
      <section className="mb-3 border-b-2 border-base-300 pb-3" aria-label="Second coach">
        <h3 className="text-lg">A second coach</h3>
        <p>The easier form of everything, as it comes, for whoever stands beside you and shows it.</p>
        <a className="btn touch mt-1" href={`/run/${props.run}/second`} target="_blank" rel="noreferrer">
          <Users size={17} aria-hidden /> Second coach’s screen
        </a>
      </section>
      <section className="mb-3 border-b-2 border-base-300 pb-3" aria-label="Session pack">
        <h3 className="text-lg">No network in the hall</h3>
        <p>
          All of this session in one file, to be opened from a phone’s own storage: clock, sounds, class
          sheet, cards, what came of it. It comes back by the log.
        </p>
        <a className="btn touch mt-1" href={`/api/runs/${props.run}/pack`} download>
          <Download size={17} aria-hidden /> Session pack
        </a>
        <details className="mt-1">
          <summary className="touch inline-flex cursor-pointer items-center text-sm underline underline-offset-4">
            What each way of opening can and can’t do
          </summary>
          <dl className="grid gap-1 text-sm">
            <dt className="font-semibold">On this machine</dt>
            <dd>Everything; the screen is kept awake.</dd>
            <dt className="font-semibold">From the local network, sealed</dt>
            <dd>
              Together with all devices to the second, and nobody on the network reads along. A phone asks
              once whether to trust this machine.
            </dd>
            <dt className="font-semibold">From the local network, plain HTTP</dt>
            <dd>
              As above, without being asked. Browsers keep no screen awake there: set the phone to stay on.
              Private only as far as the network is.
            </dd>
            <dt className="font-semibold">A person’s link</dt>
            <dd>Their own run, nothing else; ends with the session.</dd>
            <dt className="font-semibold">A code on a card</dt>
            <dd>That card as it was printed, for a month, while the network is open; nothing else.</dd>
            <dt className="font-semibold">The pack, from a phone’s storage</dt>
            <dd>
              Alone, without any network. Nobody is planned anew, no heart rates. Kept through a reload in
              most browsers, and it says where it isn’t. A file viewer that runs no pages shows nothing of it.
            </dd>
          </dl>
        </details>
      </section>
      {state === null ? (
        <p role="status">Looking…</p>
      ) : !state.here ? (
        <>
          <p>The network is opened and shut on the machine itself.</p>
          <button
            type="button"
            className="btn touch mt-2"
            onClick={() => void ask('/sign-out', { method: 'POST' }).then(() => window.location.reload())}
          >
            Sign out on this device
          </button>
        </>
      ) : (
        <div className="grid gap-3">
          {state.on ? (
            <>
              <p>
                Open on the local network. On another device of yours:{' '}
                {state.addresses.length > 0 ? (
                  <strong>{state.addresses.map((a) => `${a}/run/${props.run}`).join(' or ')}</strong>
                ) : (
                  'this machine is on no network right now.'
                )}
              </p>
              {state.fingerprint ? (
                <p className="text-sm">
                  Sealed. A phone says once that it doesn’t know this machine: look at its certificate there,
                  compare its SHA-256 fingerprint with this, and go on.{' '}
                  <span className="mt-1 block font-mono text-xs break-all">{state.fingerprint}</span>
                </p>
              ) : (
                <p className="text-sm">Plain HTTP: whoever is on the network can read along.</p>
              )}
              <div className="flex flex-wrap gap-2">
                <button type="button" className="btn touch" onClick={() => void turn(false)}>
                  Shut it
                </button>
                <button
                  type="button"
                  className="btn touch"
                  onClick={() => void ask('/network/sign-out', { method: 'POST' })}
                >
                  Sign out everywhere
                </button>
              </div>
            </>
          ) : (
            <form
              className="grid gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                void turn(true);
              }}
            >
              <p>
                Only this machine sees Inner Rung now. Opened, other devices on the local network can come in
                {state.byName ? 'by name and passphrase' : 'with your passcode'}.
              </p>
              <Tick on={sealed} onTurn={setSealed}>
                Sealed (HTTPS), so that nobody on the network reads along. A phone asks once whether to trust
                this machine; without it nothing is asked, and it is no more private than the network.
              </Tick>
              {!state.byName && (
                <label>
                  <span className="quiet block text-sm">
                    {state.passcode
                      ? 'A new passcode, or leave it as it is'
                      : 'A passcode of yours, six letters or more'}
                  </span>
                  <input
                    type="password"
                    className="input w-full"
                    autoComplete="new-password"
                    value={passcode}
                    onChange={(event) => setPasscode(event.target.value)}
                  />
                </label>
              )}
              <button type="submit" className="btn btn-primary touch">
                Open it on the local network
              </button>
            </form>
          )}
          {wrong && (
            <p role="alert" className="font-semibold text-error">
              {wrong}
            </p>
          )}
          <h3 className="text-lg">A link for each: their own run, nothing else, over with it</h3>
          <ul className="grid gap-1">
            {props.people.map((person) => (
              <li key={person.id} className="flex flex-wrap items-center gap-2">
                <span className="min-w-32">{person.name}</span>
                {links[person.id] ? (
                  <>
                    <QrCode
                      text={`${base}/p/${links[person.id]}`}
                      says={`${person.name}’s link, to be scanned`}
                    />
                    <a
                      className="min-w-0 flex-1 break-all underline underline-offset-4"
                      href={`${base}/p/${links[person.id]}`}
                      target="_blank"
                      rel="noreferrer"
                    >
                      {base}/p/{links[person.id]}
                    </a>
                  </>
                ) : (
                  <button
                    type="button"
                    className="btn btn-sm touch"
                    aria-label={`Make a link for ${person.name}`}
                    onClick={() =>
                      void ask(`/runs/${props.run}/links`, asJson('POST', { person: person.id })).then(
                        async (answer) => {
                          if (!answer) return;
                          const { token } = (await answer.json()) as { token: string };
                          setLinks((all) => ({ ...all, [person.id]: token }));
                        },
                      )
                    }
                  >
                    Make one
                  </button>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
    </Dialog>
  );
}
