import { outcomeWords, type Piece, RANGES, type Result } from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import { useState } from 'react';
import { Choice, Tick } from '../ui/choice.tsx';

/** The scale in big steps, with its words. */
export const EFFORT = [
  { value: 2, says: '2 easy' },
  { value: 4, says: '4 light' },
  { value: 6, says: '6 could chat' },
  { value: 8, says: '8 short words' },
  { value: 10, says: '10 all out' },
] as const;

const RANGE_WORDS = { part: 'part of the way', most: 'most of it', full: 'all the way' } as const;

/** One person in one line, opened where something was otherwise. */
export function Row(props: {
  name: string;
  result: Result;
  load: number | null;
  before: Result['corrections'];
  formName: (form: FormRef) => string;
  onChange: (patch: Partial<Result>, says: string) => void;
  onOther: ((piece: number, how: 'instead' | 'besides') => void) | null;
}) {
  const { name, result, formName, onChange } = props;
  const [open, setOpen] = useState(false);
  const pieces = [...result.pieces].sort((a, b) => a.entry - b.entry);
  const mixed = pieces.filter((piece) =>
    pieces.some((other) => other !== piece && other.entry === piece.entry),
  );
  const said = [
    result.effort === null ? '' : `${result.effort} of 10`,
    result.clean ? '' : 'not clean',
    result.range === 'full' ? '' : RANGE_WORDS[result.range],
    result.pain ? `pain: ${result.pain.where}` : '',
    outcomeWords(result),
    mixed.length > 0
      ? mixed
          .map((p) => `${formName(p)} ${p.counted && p.reps !== null ? p.reps : `${p.seconds} s`}`)
          .join(', ')
      : '',
    ...result.counts.map((c) => `${c.rounds} rounds${c.reps > 0 ? ` and ${c.reps}` : ''}`),
    result.note,
  ].filter(Boolean);
  return (
    <li className="py-1.5">
      <button
        type="button"
        aria-expanded={open}
        className="touch flex w-full flex-wrap items-baseline gap-x-3 text-left"
        onClick={() => setOpen(!open)}
      >
        <strong className={result.present ? '' : 'line-through'}>{name}</strong>
        <span className="quiet min-w-0 flex-1">
          {result.present ? (said.length > 0 ? said.join(' · ') : 'as planned') : 'not there'}
        </span>
        {props.load !== null && <span className="quiet text-sm">load {props.load}</span>}
      </button>
      {open && (
        <div className="grid gap-2 border-l-4 border-primary py-2 pl-3">
          <Tick
            on={result.present}
            onTurn={(present) => onChange({ present }, present ? 'was there' : 'wasn’t there')}
          >
            Was there
          </Tick>
          <Choice
            legend="How hard"
            name={`effort-${name}`}
            value={result.effort}
            of={EFFORT}
            onChoose={(effort) => onChange({ effort }, `effort ${effort}`)}
          />
          <Tick on={result.clean} onTurn={(clean) => onChange({ clean }, clean ? 'clean' : 'not clean')}>
            Clean to the end
          </Tick>
          <Choice
            legend="How far"
            name={`range-${name}`}
            value={result.range}
            of={RANGES.map((range) => ({ value: range, says: RANGE_WORDS[range] }))}
            onChoose={(range) => onChange({ range }, RANGE_WORDS[range])}
          />
          <label className="block">
            <span className="quiet block text-sm">Pain: where</span>
            <input
              className="input w-full max-w-sm"
              defaultValue={result.pain?.where ?? ''}
              onBlur={(event) => {
                const where = event.target.value.trim();
                if (where !== (result.pain?.where ?? ''))
                  onChange(
                    { pain: where ? { where: where.slice(0, 80), note: '' } : null },
                    where ? `pain, ${where}` : 'no pain',
                  );
              }}
            />
          </label>
          <label className="block">
            <span className="quiet text-sm">Note</span>
            <input
              className="input w-full"
              defaultValue={result.note}
              onBlur={(event) => {
                if (event.target.value !== result.note)
                  onChange({ note: event.target.value.slice(0, 1000) }, 'a note');
              }}
            />
          </label>
          {result.counts.map((count, i) => (
            <fieldset key={count.block} className="flex flex-wrap items-center gap-2">
              <legend className="quiet text-sm">Rounds counted</legend>
              {(['rounds', 'reps'] as const).map((what) => (
                <label key={what} className="flex items-center gap-2">
                  <input
                    key={count[what]}
                    className="input touch w-20 text-right"
                    inputMode="numeric"
                    aria-label={`${what === 'rounds' ? 'Rounds' : 'Reps over the last round'}, ${name}`}
                    defaultValue={count[what]}
                    onBlur={(event) => {
                      const value = Number(event.target.value);
                      const most = what === 'rounds' ? 200 : 2000;
                      if (!Number.isInteger(value) || value < 0 || value > most || value === count[what]) {
                        event.target.value = String(count[what]);
                        return;
                      }
                      onChange(
                        { counts: result.counts.map((c, k) => (k === i ? { ...c, [what]: value } : c)) },
                        `${value} ${what}`,
                      );
                    }}
                  />
                  {what === 'rounds' ? 'rounds' : 'reps over'}
                </label>
              ))}
            </fieldset>
          ))}
          {pieces.length > 0 && (
            <details>
              <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
                What they did, piece by piece
              </summary>
              <ul className="grid gap-1">
                {pieces.map((piece) => {
                  const at = result.pieces.indexOf(piece);
                  return (
                    <PieceLine
                      key={`${piece.entry} ${piece.move} ${JSON.stringify(piece.settings ?? {})}`}
                      name={formName(piece)}
                      who={name}
                      piece={piece}
                      onPut={(next) =>
                        onChange(
                          { pieces: result.pieces.map((p, i) => (i === at ? next : p)) },
                          `${formName(piece)} ${next.reps ?? `${next.seconds} s`}`,
                        )
                      }
                      onOther={props.onOther && ((how) => props.onOther!(at, how))}
                    />
                  );
                })}
              </ul>
            </details>
          )}
          {props.before.length > 0 && (
            <p className="quiet text-sm" data-before>
              Before it was corrected: {props.before.map((c) => c.was).join('; ')}.
            </p>
          )}
        </div>
      )}
    </li>
  );
}

/** How much of one form: reps where they were counted, else by pace until somebody says. */
function PieceLine(props: {
  name: string;
  who: string;
  piece: Piece;
  onPut: (piece: Piece) => void;
  onOther: ((how: 'instead' | 'besides') => void) | null;
}) {
  const { piece, name } = props;
  const hold = piece.reps === null;
  return (
    <li className="flex flex-wrap items-center gap-2">
      <span className="min-w-40 flex-1 leading-tight">{name}</span>
      <label className="flex items-center gap-2">
        <span className="sr-only">
          {name}, {hold ? 'seconds' : 'reps'}, {props.who}
        </span>
        <input
          key={`${piece.reps}/${piece.seconds}`}
          className="input touch w-20 text-right"
          inputMode="numeric"
          defaultValue={hold ? piece.seconds : piece.reps!}
          onBlur={(event) => {
            const value = Number(event.target.value);
            const was = hold ? piece.seconds : piece.reps;
            if (!Number.isInteger(value) || value < 0 || value > 20_000 || value === was) {
              event.target.value = String(was);
              return;
            }
            props.onPut(
              hold
                ? { ...piece, seconds: Math.min(36_000, value) }
                : { ...piece, reps: value, counted: true },
            );
          }}
        />
        <span className="w-24 text-sm">{hold ? 's held' : piece.counted ? 'counted' : 'by pace'}</span>
      </label>
      {props.onOther && (
        <>
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`Another form instead of ${name}, ${props.who}`}
            onClick={() => props.onOther!('instead')}
          >
            instead…
          </button>
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`Another form besides ${name}, ${props.who}`}
            onClick={() => props.onOther!('besides')}
          >
            and…
          </button>
        </>
      )}
    </li>
  );
}
