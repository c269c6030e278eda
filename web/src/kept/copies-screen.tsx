import { Download, Plus, Upload } from 'lucide-react';
import { useId, useState } from 'react';
import { dayAndTime } from '../store/day.ts';
import { Dialog } from '../ui/dialog.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { Waiting } from '../ui/shell.tsx';
import { type Copy, useCopies } from './use-copies.ts';

const REASONS: Readonly<Record<Copy['reason'], string>> = {
  start: 'when Inner Rung was started',
  daily: 'once a day',
  asked: 'made by you',
  'before-update': 'before an update',
  'before-restoring': 'before a copy was brought back',
  'brought-in': 'brought in from a file',
};

const sized = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
const some = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** "12 people, 8 sessions, 31 results": what would be there. */
function holds({ counts }: Copy): string {
  if (!counts) return 'damaged: it can’t be read any more';
  return [
    some(counts.people, 'person', 'people'),
    some(counts.groups, 'group', 'groups'),
    some(counts.sessions, 'session', 'sessions'),
    some(counts.rooms, 'room', 'rooms'),
    some(counts.records, 'record', 'records'),
  ].join(', ');
}
const madeAt = ({ at }: Copy) => dayAndTime(new Date(at));

/** A passphrase, and a file where one is brought in. */
function SealForm(props: {
  doing: string;
  withFile?: boolean;
  wrong: string;
  busy: boolean;
  onDo: (passphrase: string, file: File | null) => void;
}) {
  const id = useId();
  const [file, setFile] = useState<File | null>(null);
  const [passphrase, setPassphrase] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        props.onDo(passphrase, file);
      }}
    >
      {props.withFile && (
        <label>
          <span className="quiet block text-sm">The file</span>
          <input
            type="file"
            accept=".inner-rung"
            className="file-input w-full"
            onChange={(event) => setFile(event.target.files?.[0] ?? null)}
          />
        </label>
      )}
      <div>
        <label htmlFor={id} className="quiet block text-sm">
          Its passphrase
        </label>
        <input
          id={id}
          data-first
          type="password"
          autoComplete="off"
          className="input w-full"
          value={passphrase}
          onChange={(event) => setPassphrase(event.target.value)}
        />
      </div>
      {props.wrong && (
        <p role="alert" className="border-l-4 border-error px-3 font-semibold">
          {props.wrong}
        </p>
      )}
      <button
        type="submit"
        className="btn btn-primary touch justify-self-start"
        disabled={props.busy || passphrase === '' || (props.withFile === true && file === null)}
      >
        {props.doing}
      </button>
    </form>
  );
}

/** Copies of everything that is kept: when each was made, what is in it, and the ways back and out. */
export default function CopiesScreen() {
  const kept = useCopies();
  const [open, setOpen] = useState<{ is: 'back' | 'out'; copy: Copy } | { is: 'in' } | null>(null);
  if (!kept.copies) return <Waiting />;
  const [newest] = kept.copies;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="none" />
      <main className="mx-auto max-w-5xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="mr-auto text-3xl">Copies</h1>
          <button type="button" className="btn touch" onClick={() => setOpen({ is: 'in' })}>
            <Upload size={18} aria-hidden /> Bring in a file
          </button>
          <button
            type="button"
            className="btn btn-primary touch"
            disabled={kept.busy}
            onClick={() => void kept.make()}
          >
            <Plus size={18} aria-hidden /> Make a copy now
          </button>
        </div>
        <p className="quiet mt-1 max-w-prose">
          Everything you keep, copied at every start and once a day: people, groups, sessions, rooms, records.
          The copies of the last day stay, then one a day for a week, one a week for a month and one a month
          for a year. Who was erased is in none of them. They lie on this machine’s own disk: keep a file
          elsewhere as well.
        </p>
        {kept.wrong && !open && (
          <p role="alert" className="mt-3 border-l-4 border-error px-3 font-semibold">
            {kept.wrong}
          </p>
        )}
        {!newest && !kept.wrong && <p className="mt-6 text-lg">No copies yet.</p>}
        <ul className="mt-4 divide-y-2 divide-base-300 border-y-2 border-base-300">
          {kept.copies.map((copy) => (
            <li
              key={copy.name}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
              data-copy={copy.reason}
            >
              <div className="mr-auto min-w-0">
                <h2 className="text-lg">
                  {madeAt(copy)} <span className="quiet text-base">{REASONS[copy.reason]}</span>
                </h2>
                <p className={copy.counts ? 'quiet' : 'font-semibold text-error'}>
                  {holds(copy)} · {sized(copy.bytes)}
                </p>
              </div>
              {copy.counts && (
                <>
                  <button
                    type="button"
                    className="btn btn-sm touch"
                    aria-label={`A file to keep elsewhere, of ${madeAt(copy)}`}
                    onClick={() => setOpen({ is: 'out', copy })}
                  >
                    <Download size={16} aria-hidden /> A file to keep elsewhere
                  </button>
                  <button
                    type="button"
                    className="btn btn-sm touch"
                    aria-label={`Bring back ${madeAt(copy)}`}
                    onClick={() => setOpen({ is: 'back', copy })}
                  >
                    Bring back
                  </button>
                </>
              )}
            </li>
          ))}
        </ul>
      </main>
      {open?.is === 'back' && (
        <Dialog title="Bring this copy back" onClose={() => setOpen(null)}>
          <p>
            Everything will be as it was on {madeAt(open.copy)}: {holds(open.copy)}.
          </p>
          <p className="mt-2">
            What is there now is copied first, so that you can go back to it. Runs that are under way go back
            as well: finish them first.
          </p>
          {kept.wrong && (
            <p role="alert" className="mt-2 border-l-4 border-error px-3 font-semibold">
              {kept.wrong}
            </p>
          )}
          <div className="mt-4 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-primary touch"
              disabled={kept.busy}
              onClick={() => void kept.restore(open.copy)}
            >
              Bring it back
            </button>
            <button type="button" className="btn touch" onClick={() => setOpen(null)}>
              Leave it as it is
            </button>
          </div>
        </Dialog>
      )}
      {open?.is === 'out' && (
        <Dialog title="A file to keep elsewhere" onClose={() => setOpen(null)}>
          <p className="mb-3">
            One file with all of {madeAt(open.copy)}, sealed with a passphrase of yours: a few words, ten
            letters at the least. Nobody can open it without them, and neither can you. Keep it on another
            disk.
          </p>
          <SealForm
            doing="Save the file"
            wrong={kept.wrong}
            busy={kept.busy}
            onDo={(passphrase) =>
              void kept.file(open.copy, passphrase).then((saved) => saved && setOpen(null))
            }
          />
        </Dialog>
      )}
      {open?.is === 'in' && (
        <Dialog title="Bring in a file" onClose={() => setOpen(null)}>
          <p className="mb-3">
            A file that was kept elsewhere, or comes from another machine. It joins the copies here; nothing
            changes until you bring it back.
          </p>
          <SealForm
            doing="Bring it in"
            withFile
            wrong={kept.wrong}
            busy={kept.busy}
            onDo={(passphrase, file) =>
              file && void kept.bringIn(file, passphrase).then((taken) => taken && setOpen(null))
            }
          />
        </Dialog>
      )}
    </div>
  );
}
