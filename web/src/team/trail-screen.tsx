import { deedSaid, type TrailLine } from '@inner-rung/core/team';
import { Download } from 'lucide-react';
import Papa from 'papaparse';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { team } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { dayOf, dayWords, timeWords } from '../store/day.ts';
import { useAsk } from '../store/use-ask.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { Waiting } from '../ui/shell.tsx';
import { Wrong } from './fields.tsx';

interface Part {
  readonly lines: readonly TrailLine[];
  readonly more: boolean;
}
interface ChainState {
  readonly lines: number;
  readonly brokenAt: number | null;
}

/** Whether each line is as it was written; the whole chain is gone through when it is asked for. */
function Chain() {
  const { ask, wrong, busy } = useAsk('/api/trail');
  const [state, setState] = useState<ChainState | null>(null);
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="btn touch"
        disabled={busy}
        onClick={() =>
          void ask('/state').then(async (answer) => answer && setState((await answer.json()) as ChainState))
        }
      >
        Check that nothing was changed
      </button>
      <Wrong says={wrong} />
      {state && (
        <p role="status" className={state.brokenAt === null ? '' : 'font-semibold text-error'}>
          {state.brokenAt === null
            ? `${state.lines} lines, each as it was written.`
            : `From line ${state.brokenAt} on it isn’t as it was written: somebody changed the file. What stands before it holds.`}
        </p>
      )}
    </div>
  );
}

/** Whoever it was, by name; before there was a team, by where they were. */
function whoOf({ who, deed, from }: TrailLine): string {
  if (who !== null) return who;
  if (deed === 'refused') return 'somebody';
  return from === 'this machine' ? 'whoever was at the machine' : 'a device that was let in';
}

/** Who saw and did what of whom, the newest first. */
export default function TrailScreen() {
  const [search, setSearch] = useSearchParams();
  const { people, groups } = useShelf();
  const { data: mine } = team.use();
  const { ask, wrong } = useAsk('/api/trail');
  const [part, setPart] = useState<Part | null>(null);
  const all = mine?.may.includes('see-trail') ?? false;
  const person = search.get('person') ?? '';
  const account = search.get('by') ?? '';
  const query = useMemo(() => {
    const asked = new URLSearchParams();
    if (person) {
      asked.set('kind', 'person');
      asked.set('id', person);
    }
    if (account) asked.set('account', account);
    return asked;
  }, [person, account]);
  useEffect(() => {
    setPart(null);
    // The whole is the owner's: others choose whose first.
    if (!all && !person) return;
    void ask(`?${query}`).then(async (answer) =>
      setPart(answer ? ((await answer.json()) as Part) : { lines: [], more: false }),
    );
  }, [ask, query, all, person]);
  const nameOf = (kind: string, id: string): string | null => {
    const found = (kind === 'person' ? people : kind === 'group' ? groups : []).find((one) => one.id === id);
    // Sessions, rooms and records go by their address: that is what one looks for.
    return found?.name ?? (kind === 'person' || kind === 'group' ? null : `${kind} ${id}`);
  };
  const older = async () => {
    if (!part) return;
    const last = part.lines.at(-1)!.number;
    const answer = await ask(`?${new URLSearchParams([...query, ['before', String(last)]])}`);
    if (!answer) return;
    const next = (await answer.json()) as Part;
    setPart({ lines: [...part.lines, ...next.lines], more: next.more });
  };
  const choose = (key: 'person' | 'by', value: string) => {
    const next = new URLSearchParams(search);
    if (value) next.set(key, value);
    else next.delete(key);
    setSearch(next, { replace: true });
  };
  return (
    <div className="min-h-dvh">
      <PartsHeader here="team" />
      <main className="mx-auto grid max-w-4xl gap-4 px-4 py-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="mr-auto text-3xl">Who did what</h1>
          <button
            type="button"
            className="btn touch"
            disabled={!part || part.lines.length === 0}
            onClick={() =>
              saveFile(
                'who-did-what.csv',
                'text/csv;charset=utf-8',
                `\uFEFF${Papa.unparse(
                  part!.lines.map((line) => ({
                    number: line.number,
                    at: new Date(line.at).toISOString(),
                    who: whoOf(line),
                    from: line.from,
                    did: deedSaid(line, nameOf),
                  })),
                  { escapeFormulae: true, newline: '\r\n' },
                )}`,
              )
            }
          >
            <Download size={18} aria-hidden /> As a table
          </button>
        </div>
        <p className="quiet max-w-prose">
          Who looked at, changed, printed or erased whose file. Lines are only added; none says what somebody
          has. Of somebody erased it stays that it happened, and no more.
        </p>
        <div className="flex flex-wrap items-end gap-3">
          <label>
            <span className="quiet block text-sm">Whose file</span>
            <select
              className="select touch w-52"
              value={person}
              onChange={(event) => choose('person', event.target.value)}
            >
              <option value="">{all ? 'everybody’s, and all else' : 'choose somebody'}</option>
              {people.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          {mine?.on && all && (
            <label>
              <span className="quiet block text-sm">By whom</span>
              <select
                className="select touch w-44"
                value={account}
                onChange={(event) => choose('by', event.target.value)}
              >
                <option value="">anybody</option>
                {mine.team.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          )}
          {all && <Chain />}
        </div>
        <Wrong says={wrong} />
        {!part && (all || person) && <Waiting />}
        {part && part.lines.length === 0 && !wrong && <p className="text-lg">Nothing yet.</p>}
        {part && part.lines.length > 0 && (
          <table className="w-full text-left">
            <thead>
              <tr className="quiet text-sm">
                <th scope="col" className="py-1 pr-3 font-normal">
                  When
                </th>
                <th scope="col" className="py-1 pr-3 font-normal">
                  Who
                </th>
                <th scope="col" className="py-1 font-normal">
                  Did what
                </th>
              </tr>
            </thead>
            <tbody className="divide-y-2 divide-base-300 border-y-2 border-base-300">
              {part.lines.map((line) => {
                const at = new Date(line.at);
                return (
                  <tr key={line.number}>
                    <td className="py-1.5 pr-3 align-top whitespace-nowrap tabular-nums">
                      {dayWords(dayOf(at))}, {timeWords(at)}
                    </td>
                    <td className="py-1.5 pr-3 align-top">
                      {whoOf(line)}
                      {line.from !== 'this machine' && (
                        <span className="quiet block text-sm">{line.from}</span>
                      )}
                    </td>
                    <td className="py-1.5 align-top wrap-anywhere">{deedSaid(line, nameOf)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        {part?.more && (
          <button type="button" className="btn touch justify-self-start" onClick={() => void older()}>
            Older
          </button>
        )}
      </main>
    </div>
  );
}
