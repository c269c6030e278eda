import { formatWords, INPUTS, type InputKey } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import {
  isName,
  namesOf,
  plainName,
  type ReadBlock,
  type ReadLine,
  type ReadSession,
  STANDS,
  SURE,
} from '@inner-rung/core/read';
import { ROLES } from '@inner-rung/core/session';
import { writtenDose } from '@inner-rung/core/words';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { MovePicker } from '../features/move-picker.tsx';
import { AlwaysMeans, TiersEverywhere } from './reading-everywhere.tsx';

interface Choosing {
  readonly library: Library;
  readonly means: Readonly<Record<string, string>>;
  readonly onMeans: (said: string, moves: string) => void;
}

/** What was read, line by line, beside the text: a press on either shows the other. */
export function ReadingList(
  props: Choosing & {
    read: ReadSession;
    /** The line of the text the caret is in. */
    here: number;
    onLine: (line: number) => void;
    onNumber: (block: ReadBlock, field: string, value: number) => void;
  },
) {
  const { read, here } = props;
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = list.current;
    const row = box?.querySelector<HTMLElement>(`[data-line="${here}"]`);
    // Scrolled by itself: the page stays where the trainer has it.
    if (box && row) box.scrollTo({ top: Math.max(0, row.offsetTop - box.clientHeight / 3) });
  }, [here]);
  return (
    <div ref={list} className="relative mt-1 max-h-60 overflow-auto pr-1" data-testid="reading">
      {read.title !== null && <p className="quiet text-sm">Title: {read.title}</p>}
      {read.blocks.map((block, b) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: what is typed has no ids
        <section key={b} aria-label={block.name ?? ROLES[block.role]}>
          <ClockLine block={block} onNumber={(field, value) => props.onNumber(block, field, value)} />
          <ol className="list-none">
            {block.lines.map((line, i) => (
              <li
                // biome-ignore lint/suspicious/noArrayIndexKey: what is typed has no ids
                key={i}
                data-line={line.line}
                className={`border-b border-base-300 py-1 ${line.line === here ? 'bg-base-200' : ''}`}
              >
                <Line {...props} line={line} />
              </li>
            ))}
          </ol>
        </section>
      ))}
      {read.unread.map((piece) => (
        <p key={piece} className="font-semibold text-error">
          Not read: {piece}.
        </p>
      ))}
    </div>
  );
}

/** The clock of a block; what nobody said stands in boxes of its own, to be changed there. */
function ClockLine(props: { block: ReadBlock; onNumber: (field: string, value: number) => void }) {
  const { block } = props;
  const numbers = block.assumed.filter(
    (field): field is InputKey => field in INPUTS && field in block.format,
  );
  return (
    <div className="mt-1 text-sm">
      <span className="font-semibold">{block.name ?? ROLES[block.role]}</span>, {formatWords(block.format)}
      {numbers.length > 0 && (
        <span className="quiet mt-0.5 flex flex-wrap items-center gap-x-3 gap-y-1">
          not in your text:
          {numbers.map((field) => {
            const { says, unit, min, max } = INPUTS[field];
            return (
              <label key={field} className="inline-flex items-center gap-1">
                {says.toLowerCase()}
                <input
                  type="number"
                  className="input input-sm w-18 border-dashed"
                  min={min}
                  max={max}
                  value={(block.format as unknown as Record<string, number>)[field]}
                  onChange={(event) => {
                    const value = Number(event.target.value);
                    if (event.target.value !== '' && value >= min && value <= max)
                      props.onNumber(field, value);
                  }}
                />
                {unit === '×' ? '' : unit}
              </label>
            );
          })}
        </span>
      )}
    </div>
  );
}

const KIND_SAYS: Readonly<Record<Exclude<ReadLine['kind'], 'station'>, string>> = {
  clock: 'clock',
  tier: 'another way',
  break: 'a break',
  note: 'kept as a note',
  heading: 'heading',
};

function Line(props: Choosing & { line: ReadLine; onLine: (line: number) => void }) {
  const { library, line } = props;
  const [finding, setFinding] = useState(false);
  const show = (
    <button
      type="button"
      className="text-left"
      title={`Line ${line.line}`}
      onClick={() => props.onLine(line.line)}
    >
      {line.text}
    </button>
  );
  if (line.kind !== 'station')
    return (
      <p className="quiet flex justify-between gap-2 text-sm">
        {show}
        <span className="shrink-0">{KIND_SAYS[line.kind]}</span>
      </p>
    );
  const [best] = line.read;
  const stands = best !== undefined && best.sure >= STANDS;
  const name = best?.names.join(' + ') ?? '';
  const told = plainName(name) !== plainName(line.text);
  const dose = line.dose ? writtenDose(line.dose, library.move(best?.moves[0] ?? '')?.sides === 'one') : '';
  const chosen = props.means[line.text];
  // What was chosen may be chosen again, until it stands for good.
  const again = chosen !== undefined && !isName(namesOf(library), line.text);
  const open = again || !stands || best.sure < SURE || line.read.filter((one) => one.sure >= 0.7).length > 1;
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-2">
        <span className="font-semibold">{show}</span>
        {dose && <span>{dose}</span>}
        {stands && told && !open && <span className="quiet text-sm">{name}</span>}
        {!stands && <span className="quiet text-sm">as you teach it; nothing easier or harder yet</span>}
      </p>
      {line.tiers.length > 0 && (
        <p className="quiet text-sm">
          {line.tiers.map((tier) => `${tier.is === null ? 'or' : `${tier.is}:`} ${tier.text}`).join(' · ')}
          {stands && best.moves.length === 1 && (
            <TiersEverywhere library={library} move={best.moves[0]!} tiers={line.tiers} />
          )}
        </p>
      )}
      {open && (
        <div className="mt-0.5 flex flex-wrap items-center gap-x-2 gap-y-1 text-sm">
          <select
            className="select select-sm w-auto max-w-full"
            aria-label={`“${line.text}” means`}
            value={stands ? best.moves.join('+') : ''}
            onChange={(event) => {
              if (event.target.value === '?') setFinding(true);
              else props.onMeans(line.text, event.target.value);
            }}
          >
            {line.read.map((one) => (
              <option key={one.moves.join('+')} value={one.moves.join('+')}>
                {one.names.join(' + ')}
              </option>
            ))}
            <option value="">as I teach it: “{line.text}”</option>
            <option value="?">find another…</option>
          </select>
          {chosen !== undefined && chosen !== '' && !chosen.includes('+') && (
            <AlwaysMeans library={library} word={line.text} move={chosen} />
          )}
          {!stands && (
            <Link
              className="underline underline-offset-4"
              to={`/ladders/new?name=${encodeURIComponent(line.text)}`}
            >
              make it a move
            </Link>
          )}
        </div>
      )}
      {finding && (
        <MovePicker
          library={library}
          title={`“${line.text}” means`}
          onPick={(move) => {
            props.onMeans(line.text, move);
            setFinding(false);
          }}
          onClose={() => setFinding(false)}
        />
      )}
    </div>
  );
}
