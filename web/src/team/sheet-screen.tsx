import { useState } from 'react';
import { asJson, useAsk } from '../store/use-ask.ts';
import { Field, Wrong } from './fields.tsx';
import { Sheet } from './sheet.tsx';

/** An owner's way back in by the printed code, when their passphrase is lost. */
export default function SheetScreen() {
  const { ask, wrong, busy } = useAsk('/api/team');
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [next, setNext] = useState<string | null>(null);
  return (
    <main className="mx-auto grid max-w-prose gap-4 px-4 py-8">
      <h1 className="text-3xl">Back in by the sheet</h1>
      {next ? (
        <>
          <p role="status">You have a new passphrase. The code is used up; this is the next one.</p>
          <Sheet code={next} owner={name} onKept={() => location.assign('/')} />
        </>
      ) : (
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void ask('/recover', asJson('POST', { name, code, passphrase })).then(
              async (answer) => answer && setNext(((await answer.json()) as { recovery: string }).recovery),
            );
          }}
        >
          <p>On the machine itself, with the sheet that was printed when the team was set up.</p>
          <Field label="The owner’s name" value={name} onValue={setName} complete="username" />
          <Field label="The code on the sheet" value={code} onValue={setCode} />
          <Field
            label="A new passphrase, ten letters at the least"
            value={passphrase}
            onValue={setPassphrase}
            secret
            complete="new-password"
          />
          <Wrong says={wrong} />
          <button
            type="submit"
            className="btn btn-primary touch justify-self-start"
            disabled={busy || name === '' || code === '' || passphrase === ''}
          >
            Let me in again
          </button>
        </form>
      )}
    </main>
  );
}
