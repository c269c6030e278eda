import { formatWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { keyOfBlock, type Numbers, type ReadSession, readSession, withNumbers } from '@inner-rung/core/read';
import { type ReactNode, useMemo, useRef, useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { ReadingList } from './reading-list.tsx';

const EXAMPLE = `Thursday eight
30 seconds each, 15 between, 3 times round
Star jumps
Press-ups (knees / toes)
10 chair squats
…
Finisher: AMRAP 5
10 squats, 5 press-ups`;

interface Pasting {
  readonly text: string;
  /** What was chosen for names, by the name as it is written. */
  readonly means: Readonly<Record<string, string>>;
  readonly numbers: Numbers;
}
const NOTHING_PASTED: Pasting = { text: '', means: {}, numbers: {} };

/** Where a line of the text begins and ends. */
function lineAt(text: string, line: number): readonly [number, number] {
  const lines = text.split('\n');
  const from = lines.slice(0, line - 1).reduce((sum, one) => sum + one.length + 1, 0);
  return [from, from + (lines[line - 1]?.length ?? 0)];
}

/** Plain lines in, a session out: each line beside what it was read as, and nothing that holds the rest up. */
export function PasteForm(props: {
  library: Library;
  onUse: (session: ReadSession) => void;
  /** What else may be done with it, first of all. */
  also?: { readonly says: string; readonly onUse: (session: ReadSession) => void };
  /** Where it goes, so that what was begun is there again when one comes back. */
  into: string;
  /** Asked before it is used. */
  children?: ReactNode;
}) {
  const { library } = props;
  const [{ text, means, numbers }, put, clear] = useDraft<Pasting>(`paste/${props.into}`, NOTHING_PASTED);
  const [here, setHere] = useState(0);
  const area = useRef<HTMLTextAreaElement>(null);
  const plain = useMemo(() => readSession(library, text, means), [library, text, means]);
  const read = useMemo(() => withNumbers(plain, numbers), [plain, numbers]);
  const count = read.blocks.reduce((sum, block) => sum + block.stations.length, 0);
  const unknown = read.blocks.flatMap((block) => block.stations.filter((s) => !library.move(s.move)));
  const atCaret = () => {
    const at = area.current?.selectionStart ?? 0;
    setHere(text.slice(0, at).split('\n').length);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (count === 0) return;
        // The button that was pressed says which; the return key means the first.
        const pressed = (event.nativeEvent as SubmitEvent).submitter?.getAttribute('value');
        const use = props.also && pressed !== 'lay-out' ? props.also.onUse : props.onUse;
        clear();
        use(read);
      }}
      className="grid gap-x-4 gap-y-2 md:grid-cols-2"
    >
      <label className="flex flex-col">
        <span className="font-semibold">Your circuit, as you write it</span>
        <textarea
          ref={area}
          data-first
          className="textarea mt-1 h-48 w-full text-base leading-7 md:h-60"
          value={text}
          placeholder={EXAMPLE}
          onChange={(event) => put({ text: event.target.value })}
          onSelect={atCaret}
        />
      </label>
      <div className="flex min-w-0 flex-col">
        <p className="font-semibold" role="status">
          {text.trim() === '' ? 'What each line becomes shows here.' : summary(read, count, unknown.length)}
        </p>
        <ReadingList
          library={library}
          read={read}
          here={here}
          onLine={(line) => {
            const [from, to] = lineAt(text, line);
            area.current?.focus();
            area.current?.setSelectionRange(from, to);
            setHere(line);
          }}
          means={means}
          onMeans={(said, moves) => put({ means: { ...means, [said]: moves } })}
          onNumber={(block, field, value) => {
            const key = keyOfBlock(block);
            put({ numbers: { ...numbers, [key]: { ...numbers[key], [field]: value } } });
          }}
        />
      </div>
      {props.children && <div className="md:col-span-2">{props.children}</div>}
      <div className="sticky bottom-0 z-10 -mx-1 flex flex-wrap gap-2 bg-base-100 px-1 py-2 md:col-span-2">
        {props.also && (
          <button
            type="submit"
            value="also"
            className="btn btn-primary btn-lg h-auto min-h-14 flex-1 basis-0 leading-tight"
            disabled={count === 0}
          >
            {props.also.says}
          </button>
        )}
        <button
          type="submit"
          value="lay-out"
          className={`btn btn-lg h-auto min-h-14 flex-1 basis-0 leading-tight ${props.also ? '' : 'btn-primary'}`}
          disabled={count === 0}
        >
          {count === 0 ? 'Lay it out' : `Lay out ${count} ${count === 1 ? 'station' : 'stations'}`}
        </button>
      </div>
    </form>
  );
}

function summary(read: ReadSession, count: number, unknown: number): string {
  const blocks = read.blocks.length;
  const [first] = read.blocks;
  return [
    `${count} ${count === 1 ? 'station' : 'stations'}`,
    blocks > 1 ? `${blocks} blocks` : first ? formatWords(first.format) : '',
    unknown > 0 ? `${unknown} as you teach ${unknown === 1 ? 'it' : 'them'}` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

export function PasteDialog(props: {
  into: string;
  library: Library;
  onUse: (session: ReadSession) => void;
  onClose: () => void;
}) {
  return (
    <Dialog title="Paste a session" wide onClose={props.onClose}>
      <PasteForm library={props.library} into={props.into} onUse={props.onUse} />
      <p className="quiet mt-3 text-sm">
        One circuit replaces the block that is open; several blocks replace the session. Undo brings it back.
      </p>
    </Dialog>
  );
}
