import type { Present } from '@inner-rung/core/run';
import { Download, Users } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';
import { QrCode } from '../ui/qr-code.tsx';

interface NetworkState {
  readonly here: boolean;
  readonly can: boolean;
  readonly on: boolean;
  readonly passcode: boolean;
  readonly addresses: readonly string[];
}

/** Other devices: the way in from the local network, and a link for each person. */
export function PhonesDialog(props: { run: string; people: readonly Present[]; onClose: () => void }) {
  const [state, setState] = useState<NetworkState | null>(null);
  const [passcode, setPasscode] = useState('');
  const [wrong, setWrong] = useState('');
  const [links, setLinks] = useState<Readonly<Record<string, string>>>({});
  const ask = useCallback(async (method: string, path: string, body?: object) => {
    try {
      const answer = await fetch(path, {
        method,
        ...(body ? { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) } : {}),
      });
      const said = answer.status === 204 ? null : ((await answer.json()) as unknown);
      if (answer.ok) {
        setWrong('');
        return said;
      }
      setWrong((said as { detail?: string } | null)?.detail ?? 'That didn’t work.');
    } catch {
      setWrong('The server is away.');
    }
    return undefined;
  }, []);
  useEffect(() => {
    void ask('GET', '/api/network').then((said) => said && setState(said as NetworkState));
  }, [ask]);
  const turn = async (on: boolean) => {
    const said = await ask('PUT', '/api/network', { on, ...(passcode ? { passcode } : {}) });
    if (said) {
      setState(said as NetworkState);
      setPasscode('');
    }
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
            <dt className="font-semibold">From the local network, plain HTTP</dt>
            <dd>
              Together with all devices to the second. Browsers keep no screen awake there: set the phone to
              stay on. Private only as far as the network is.
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
            onClick={() => void ask('POST', '/api/sign-out').then(() => window.location.reload())}
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
              <div className="flex flex-wrap gap-2">
                <button type="button" className="btn touch" onClick={() => void turn(false)}>
                  Shut it
                </button>
                <button
                  type="button"
                  className="btn touch"
                  onClick={() => void ask('POST', '/api/network/sign-out')}
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
                with your passcode. It is plain HTTP: no more private than the network itself, and phones
                can’t be kept awake by it.
              </p>
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
                      void ask('POST', `/api/runs/${props.run}/links`, { person: person.id }).then(
                        (said) =>
                          said &&
                          setLinks((all) => ({ ...all, [person.id]: (said as { token: string }).token })),
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
