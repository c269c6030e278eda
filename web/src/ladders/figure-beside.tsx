import { heightFault } from '@inner-rung/core/figure';
import type { DrawnFigure, Prop } from '@inner-rung/core/pose';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Num } from '../ui/fields.tsx';
import { HIGHEST_BAR, KINDS, movedTo, NEW, xOf } from './figure-props.ts';

/** What stands, lies or hangs beside whoever is drawn. */
export function FigureProps({
  draft,
  onKeep: keep,
}: {
  draft: DrawnFigure;
  onKeep: (next: DrawnFigure) => void;
}) {
  const [tooHigh, setTooHigh] = useState<string | null>(null);
  /** A bar hangs where it hangs; everything else is got on to, leant on or held. */
  const raise = (i: number, prop: Extract<Prop, { height: number }>, cm: number) => {
    const fault = prop.is === 'bar' && cm >= 0 && cm <= HIGHEST_BAR ? null : heightFault(cm);
    setTooHigh(fault);
    if (!fault) setProp(i, { ...prop, height: cm / 100 });
  };
  const setProp = (i: number, next: Prop | null) => {
    setTooHigh(null);
    keep({ ...draft, props: draft.props.flatMap((p, k) => (k === i ? (next ? [next] : []) : [p])) });
  };

  return (
    <fieldset className="mt-2">
      <legend className="quiet text-sm">Beside it</legend>
      {draft.props.map((prop, i) => {
        const x = xOf(prop);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: things have no name but their place
          <div key={i} className="mt-1 flex flex-wrap items-end gap-2">
            <span className="min-w-28 flex-1 self-center">{KINDS[prop.is]}</span>
            {x !== null && (
              <Num
                label="along, cm"
                value={Math.round(x * 100)}
                onValue={(v) => setProp(i, movedTo(prop, v / 100))}
              />
            )}
            {'height' in prop && (
              <Num
                label="height, cm"
                value={Math.round(prop.height * 100)}
                onValue={(v) => raise(i, prop, v)}
              />
            )}
            <button
              type="button"
              className="btn btn-sm touch"
              aria-label={`Take away: ${KINDS[prop.is]}`}
              onClick={() => setProp(i, null)}
            >
              <Trash2 size={17} aria-hidden />
            </button>
          </div>
        );
      })}
      {tooHigh && (
        <p role="alert" className="text-sm font-semibold text-error">
          {tooHigh}
        </p>
      )}
      <select
        className="select touch mt-1 w-full"
        aria-label="Something beside it"
        value=""
        onChange={(e) => {
          const made = NEW.find((n) => n.says === e.target.value);
          if (made) keep({ ...draft, props: [...draft.props, made.prop] });
        }}
      >
        <option value="">something more beside it…</option>
        {NEW.map(({ says: name }) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </fieldset>
  );
}
