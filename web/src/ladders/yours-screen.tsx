import { type ChangeState, type Library, settleField } from '@inner-rung/core/ladder';
import { Link } from 'react-router';
import { type Edits, useEdits } from '../features/use-edits.ts';
import { useOwn, useShelf } from '../store/data.ts';
import { changes, useSend } from '../store/index.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { clashing, fieldWord, valueWords } from './own-words.ts';

const HEADINGS: readonly (readonly [ChangeState['state'], string, string])[] = [
  [
    'clash',
    'To settle',
    'You changed these and so did an upgrade of the library. Yours stands until you choose.',
  ],
  ['broken', 'Can’t stand', 'Kept as they are, but left out of the library until the reason is gone.'],
  ['changed', 'Changed by you', 'The reference underneath is untouched; each can go back by itself.'],
  ['own', 'Your own', 'Moves and ladders the reference doesn’t have.'],
  ['put away', 'Put away', 'Off the wall; nothing is lost.'],
];

/** What is the trainer's own: compared with the reference, settled where both changed, reverted one by one. */
export default function YoursScreen() {
  const { library, failed } = useShelf();
  const { reference, states } = useOwn();
  const edits = useEdits(reference, library);
  if (failed) return <ServerAway />;
  if (!library || !reference) return <Waiting />;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="yours" />
      <main className="mx-auto max-w-5xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-center gap-4">
          <h1 className="mr-auto text-3xl">Yours</h1>
          <SaveLine shelf={changes} />
          <Link to="/copies" className="btn touch">
            Copies of everything
          </Link>
        </div>
        <p className="mt-3">
          Press-up or push-up? Choose in the{' '}
          <Link to="/settings" className="link">
            settings
          </Link>
          . What you wrote at a station stays as you wrote it.
        </p>
        {states.length === 0 && (
          <div className="mt-6">
            <p className="text-lg">
              Nothing of your own yet: the whole library is as it ships. Change a ladder, or build one from a
              move you teach.
            </p>
            <Link to="/ladders/new" className="btn btn-primary touch mt-3">
              New ladder
            </Link>
          </div>
        )}
        {HEADINGS.map(([state, heading, says]) => {
          const list = states.filter((s) => s.state === state);
          if (list.length === 0) return null;
          return (
            <section key={state} className="mt-6" aria-labelledby={`yours-${state.replace(' ', '-')}`}>
              <h2 id={`yours-${state.replace(' ', '-')}`} className="text-2xl">
                {heading}
              </h2>
              <p className="quiet">{says}</p>
              <ul className="mt-2 divide-y-2 divide-base-300 border-y-2 border-base-300">
                {list.map((s) => (
                  <Entry key={s.change.id} state={s} library={library} reference={reference} edits={edits} />
                ))}
              </ul>
            </section>
          );
        })}
      </main>
    </div>
  );
}

function Entry(props: { state: ChangeState; library: Library; reference: Library; edits: Edits }) {
  const { state, library, reference, edits } = props;
  const send = useSend();
  const { change } = state;
  const name = change.mine?.name ?? change.was?.name ?? change.of;
  const to = change.kind === 'move' ? `/moves/${change.of}` : `/ladders/${change.of}`;
  const stands = change.kind === 'move' ? library.move(change.of) : library.ladder(change.of);
  const used =
    change.kind === 'move'
      ? library.ladders.filter((l) => l.rungs.some((rung) => rung.move === change.of))
      : [];
  const settle = (field: string, take: 'mine' | 'theirs') => {
    const now = (change.kind === 'move' ? reference.move(change.of) : reference.ladder(change.of)) ?? null;
    const next = settleField(change, field, take, now);
    send(changes.step({ says: `Settle ${field}`, ...(next ? { put: [next] } : { remove: [change.id] }) }));
  };
  return (
    <li id={change.id} className="scroll-mt-4 py-3">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="mr-auto text-xl">
          {stands ? (
            <Link to={to} className="underline decoration-2 underline-offset-4">
              {name}
            </Link>
          ) : (
            name
          )}{' '}
          <span className="quiet text-base font-normal">{change.kind}</span>
        </h3>
        {change.kind === 'move' && !change.was && used.length > 0 ? (
          <span className="quiet text-sm">stands on {used.map((l) => l.name).join(', ')}</span>
        ) : (
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`${change.was ? (change.mine ? 'Back to the reference' : 'Bring back') : 'Remove'}: ${name}`}
            onClick={() => edits.revert(change)}
          >
            {change.was ? (change.mine ? 'Back to the reference' : 'Bring back') : 'Remove'}
          </button>
        )}
      </div>
      {state.says && <p className="font-semibold text-error">{state.says}</p>}
      {state.fields.length > 0 && (
        <table className="table table-sm mt-1">
          <thead>
            <tr className="text-base-content">
              <th scope="col">What</th>
              <th scope="col">Reference</th>
              <th scope="col">Yours</th>
              {clashing(state.fields).length > 0 && <th scope="col">Choose</th>}
            </tr>
          </thead>
          <tbody>
            {state.fields.map((f) => (
              <tr key={f.field}>
                <th scope="row" className="font-normal">
                  {fieldWord(f.field)}
                </th>
                <td>{valueWords(library, f.field, f.now)}</td>
                <td className="font-semibold">{valueWords(library, f.field, f.mine)}</td>
                {clashing(state.fields).length > 0 && (
                  <td className="whitespace-nowrap">
                    {f.clash && (
                      <>
                        <button
                          type="button"
                          className="btn btn-sm touch"
                          onClick={() => settle(f.field, 'theirs')}
                        >
                          Take the reference
                        </button>{' '}
                        <button
                          type="button"
                          className="btn btn-sm touch"
                          onClick={() => settle(f.field, 'mine')}
                        >
                          Keep mine
                        </button>
                      </>
                    )}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </li>
  );
}
