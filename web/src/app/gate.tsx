import { type ReactNode, useEffect, useState } from 'react';

/** On the machine itself, and on somebody's own link, nobody asks for a passcode. */
const FREE = () =>
  ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname) || /^\/[pc]\//.test(location.pathname);

/** From the local network the passcode comes first. */
export function Gate(props: { children: ReactNode }) {
  const [state, setState] = useState<'in' | 'asking' | 'out'>(FREE() ? 'in' : 'asking');
  const [wrong, setWrong] = useState('');
  useEffect(() => {
    if (state !== 'asking') return;
    fetch('/api/network').then(
      (answer) => setState(answer.status === 401 ? 'out' : 'in'),
      () => setState('in'),
    );
  }, [state]);
  if (state === 'in') return props.children;
  if (state === 'asking') return null;
  return (
    <main className="grid min-h-dvh place-items-center p-6">
      <form
        className="grid w-full max-w-sm gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const passcode = String(new FormData(event.currentTarget).get('passcode') ?? '');
          fetch('/api/sign-in', {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ passcode }),
          }).then(
            async (answer) => {
              // What the page asked for before it came in was refused: it begins anew.
              if (answer.ok) location.reload();
              else
                setWrong(((await answer.json()) as { detail?: string }).detail ?? 'That isn’t the passcode.');
            },
            () => setWrong('The server is away. Try again in a moment.'),
          );
        }}
      >
        <h1 className="text-3xl">Inner Rung</h1>
        <label>
          <span className="quiet block text-sm">The trainer’s passcode</span>
          <input
            name="passcode"
            type="password"
            className="input input-lg w-full"
            autoComplete="current-password"
          />
        </label>
        {wrong && (
          <p role="alert" className="font-semibold text-error">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn btn-primary btn-lg">
          Come in
        </button>
      </form>
    </main>
  );
}
