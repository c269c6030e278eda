import { type Format, formatWords } from '@inner-rung/core/clock';
import { type Library, wordFor } from '@inner-rung/core/ladder';
import {
  type Block,
  namesOf,
  parseCircuit,
  pastedFormat,
  pastedStations,
  plainName,
  ROLES,
} from '@inner-rung/core/session';
import { writtenDose } from '@inner-rung/core/words';
import { type ReactNode, useMemo } from 'react';
import { useEdits } from '../ladders/use-edits.ts';
import { useOwn } from '../store/data.ts';
import { Dialog } from '../ui/dialog.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { findMoves } from './move-search.ts';

export interface PastedSession {
  readonly title: string | null;
  readonly blocks: readonly Omit<Block, 'id'>[];
}

const EXAMPLE = `Thursday eight
30/15 x 3, 1 min between rounds
Star jacks
Press-ups
10 chair squats
…
Finisher: AMRAP 5
10 squats, 5 press-ups`;

interface Pasting {
  readonly text: string;
  /** What was chosen for lines that aren't known, by line. */
  readonly choices: Readonly<Record<string, string>>;
}
const NOTHING_PASTED: Pasting = { text: '', choices: {} };

/** Plain lines in, a session out; every line's fate is shown before anything changes. */
export function PasteForm(props: {
  library: Library;
  format: Format;
  onUse: (session: PastedSession) => void;
  /** What else may be done with it, first of all. */
  also?: { readonly says: string; readonly onUse: (session: PastedSession) => void };
  /** Where it goes, so that what was begun is there again when one comes back. */
  into: string;
  /** Asked before it is used. */
  children?: ReactNode;
}) {
  const { library } = props;
  const [{ text, choices }, put, clear] = useDraft<Pasting>(`paste/${props.into}`, NOTHING_PASTED);
  const setText = (next: string) => put({ text: next });
  const setChoices = (next: Pasting['choices']) => put({ choices: next });
  const names = useMemo(() => namesOf(library), [library]);
  const pasted = useMemo(() => parseCircuit(text, names), [text, names]);
  const blocks = pasted.blocks.map((block) => ({
    ...block,
    format: pastedFormat(props.format, block),
    lines: block.lines.map((line, k) => {
      const offers =
        line.moves.length > 0 ? line.moves : findMoves(library, line.text, 4).map((hit) => hit.id);
      const key = `${line.line}:${k}:${line.text}`;
      const chosen = choices[key] ?? (line.moves.length > 0 ? line.moves[0] : undefined);
      return { ...line, key, offers, chosen };
    }),
  }));
  const lines = blocks.flatMap((block) => block.lines);
  const unknown = lines.filter((line) => line.chosen === undefined);
  const settled = (block: (typeof blocks)[number]) =>
    block.lines.flatMap((line) =>
      line.chosen !== undefined && line.chosen !== 'skip' ? [{ ...line, chosen: line.chosen }] : [],
    );
  const ready = blocks.flatMap(settled);
  const many = blocks.length > 1;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready.length === 0 || unknown.length > 0) return;
        // The button that was pressed says which; the return key means the first.
        const pressed = (event.nativeEvent as SubmitEvent).submitter?.getAttribute('value');
        const use = props.also && pressed !== 'lay-out' ? props.also.onUse : props.onUse;
        clear();
        use({
          title: pasted.title,
          blocks: blocks
            .filter((block) => settled(block).length > 0)
            .map((block) => ({
              ...(block.role === 'circuit' ? {} : { role: block.role }),
              format: block.format,
              stations: pastedStations(settled(block)),
            })),
        });
      }}
      className="grid gap-4 md:grid-cols-2"
    >
      <label className="block">
        <span className="font-semibold">Your circuit, a station a line</span>
        <textarea
          data-first
          className="textarea mt-1 h-72 w-full text-base leading-7"
          value={text}
          placeholder={EXAMPLE}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <div className="min-w-0">
        <p className="font-semibold" role="status">
          {text.trim() === ''
            ? 'What each line becomes shows here.'
            : `${ready.length} ${ready.length === 1 ? 'station' : 'stations'} · ${many ? `${blocks.length} blocks` : formatWords(blocks[0]!.format)}${unknown.length > 0 ? ` · ${unknown.length} to settle` : ''}`}
        </p>
        <div className="mt-1 max-h-64 overflow-auto pr-1">
          {blocks.map((block, b) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: what is typed has no ids
            <section key={b} aria-label={ROLES[block.role]}>
              {many && (
                <p className="quiet mt-1 text-sm">
                  <span className="font-semibold">{ROLES[block.role]}</span>, {formatWords(block.format)}
                </p>
              )}
              <ol className="list-none">
                {block.lines.map((line) => (
                  <li key={line.key} className="border-b border-base-300 py-1">
                    {line.moves.length === 1 ? (
                      <span>
                        {library.move(line.moves[0]!)?.name}
                        {line.dose && (
                          <span className="font-semibold">
                            {' '}
                            {writtenDose(line.dose, library.move(line.moves[0]!)?.sides === 'one')}
                          </span>
                        )}
                        {library.move(line.moves[0]!)?.name.toLowerCase() !== line.text.toLowerCase() && (
                          <span className="quiet text-sm"> for “{line.text}”</span>
                        )}
                      </span>
                    ) : (
                      <label className="block">
                        <span className={line.chosen ? '' : 'font-semibold text-error'}>
                          Line {line.line}: “{line.text}”{' '}
                          {line.moves.length > 1 ? 'can mean' : 'isn’t a move here. Use'}
                        </span>
                        <select
                          className="select select-sm mt-1 w-full"
                          value={line.chosen ?? ''}
                          onChange={(event) => setChoices({ ...choices, [line.key]: event.target.value })}
                        >
                          <option value="" disabled>
                            choose…
                          </option>
                          {line.offers.map((id) => (
                            <option key={id} value={id}>
                              {library.move(id)?.name}
                            </option>
                          ))}
                          <option value="skip">leave this line out</option>
                        </select>
                        {choices[line.key] !== undefined && choices[line.key] !== 'skip' && (
                          <AlwaysMeans library={library} word={line.text} move={choices[line.key]!} />
                        )}
                      </label>
                    )}
                  </li>
                ))}
              </ol>
            </section>
          ))}
        </div>
        {props.children}
        {props.also && (
          <button
            type="submit"
            value="also"
            className="btn btn-primary btn-lg mt-3 w-full"
            disabled={ready.length === 0 || unknown.length > 0}
          >
            {props.also.says}
          </button>
        )}
        <button
          type="submit"
          value="lay-out"
          className={`btn btn-lg mt-3 w-full ${props.also ? '' : 'btn-primary'}`}
          disabled={ready.length === 0 || unknown.length > 0}
        >
          {ready.length === 0
            ? 'Lay it out'
            : `Lay out ${ready.length} ${ready.length === 1 ? 'station' : 'stations'}`}
        </button>
      </div>
    </form>
  );
}

/** A choice made once may hold from now on: the word becomes an everyday name of that move, as one's own change. */
function AlwaysMeans(props: { library: Library; word: string; move: string }) {
  const { library, word, move } = props;
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const name = library.move(move)?.name ?? move;
  const found = wordFor(library, word, move, plainName);
  if ('taken' in found)
    return (
      <span className="quiet block text-sm">“{word}” is the name of another move: it stays a question.</span>
    );
  return (
    <button
      type="button"
      className="touch block text-left text-sm underline underline-offset-4"
      onClick={() =>
        edits.keep(
          `“${word}” stands for ${name}`,
          [],
          found.moves.map((one) => ({ move: one, demand: library.demand.get(one.id)! })),
        )
      }
    >
      From now on “{word}” stands for {name.toLowerCase()}
    </button>
  );
}

export function PasteDialog(props: {
  into: string;
  library: Library;
  format: Format;
  onUse: (session: PastedSession) => void;
  onClose: () => void;
}) {
  return (
    <Dialog title="Paste a session" wide onClose={props.onClose}>
      <PasteForm library={props.library} format={props.format} into={props.into} onUse={props.onUse} />
      <p className="quiet mt-3 text-sm">
        One circuit replaces the block that is open; several blocks replace the session. Undo brings it back.
      </p>
    </Dialog>
  );
}
