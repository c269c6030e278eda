import { FORMATS } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { namesOf, type Plan, parseCircuit, type Station } from '@inner-rung/core/session';
import { useMemo, useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';
import { findMoves } from './move-search.ts';

export interface PastedCircuit {
  readonly title: string | null;
  readonly format: Partial<Plan['block']['format']>;
  readonly stations: Station[];
}

const EXAMPLE = `Thursday eight
30/15 x 3, 1 min between rounds
Star jacks
Press-ups
Chair squats
…`;

/** Plain lines in, a circuit out; every line's fate is shown before anything changes. */
export function PasteForm(props: {
  library: Library;
  format: Plan['block']['format'];
  onUse: (circuit: PastedCircuit) => void;
}) {
  const { library } = props;
  const [text, setText] = useState('');
  const [choices, setChoices] = useState<Record<string, string>>({});
  const names = useMemo(() => namesOf(library), [library]);
  const pasted = useMemo(() => parseCircuit(text, names), [text, names]);
  const lines = pasted.lines.map((line) => {
    const offers = line.moves.length > 0 ? line.moves : findMoves(library, line.text, 4).map((hit) => hit.id);
    const chosen =
      choices[`${line.line}:${line.text}`] ?? (line.moves.length > 0 ? line.moves[0] : undefined);
    return { ...line, offers, chosen };
  });
  const unknown = lines.filter((line) => line.chosen === undefined);
  const ready = lines.filter((line) => line.chosen !== undefined && line.chosen !== 'skip');
  const format = { ...props.format, ...pasted.format };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready.length === 0 || unknown.length > 0) return;
        props.onUse({
          title: pasted.title,
          format: pasted.format,
          stations: ready.slice(0, 40).map((line, i) => ({
            id: `s${i + 1}`,
            move: line.chosen!,
            typed: line.text.slice(0, 200),
            sides: 'swap at half',
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
            : `${ready.length} ${ready.length === 1 ? 'station' : 'stations'} · ${FORMATS.intervals.words(format)}${unknown.length > 0 ? ` · ${unknown.length} to settle` : ''}`}
        </p>
        <ol className="mt-1 max-h-64 list-none overflow-auto pr-1">
          {lines.map((line) => (
            <li key={`${line.line}:${line.text}`} className="border-b border-base-300 py-1">
              {line.moves.length === 1 ? (
                <span>
                  {library.move(line.moves[0]!)?.name}
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
                    onChange={(event) =>
                      setChoices({ ...choices, [`${line.line}:${line.text}`]: event.target.value })
                    }
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
                </label>
              )}
            </li>
          ))}
        </ol>
        <button
          type="submit"
          className="btn btn-primary btn-lg mt-4 w-full"
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

export function PasteDialog(props: {
  library: Library;
  format: Plan['block']['format'];
  onUse: (circuit: PastedCircuit) => void;
  onClose: () => void;
}) {
  return (
    <Dialog title="Paste a circuit" wide onClose={props.onClose}>
      <PasteForm library={props.library} format={props.format} onUse={props.onUse} />
      <p className="quiet mt-3 text-sm">This circuit is replaced. Undo brings it back.</p>
    </Dialog>
  );
}
