import type { SessionRecord } from '@inner-rung/core/log';
import { monthOf } from '@inner-rung/core/log';
import { DAYS } from '@inner-rung/core/person';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { dayWords, today } from '../store/day.ts';

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
const monthBy = (month: string, by: number) => {
  const [year, nth] = month.split('-').map(Number);
  return new Date(Date.UTC(year!, nth! - 1 + by, 1)).toISOString().slice(0, 7);
};

/** A month of what was recorded: a day is pressed to see it alone, and pressed again for all. */
export function DiaryMonth(props: {
  records: readonly SessionRecord[];
  /** The day that is looked at by itself. */
  day: string | null;
  onDay: (day: string | null) => void;
}) {
  const [month, setMonth] = useState((props.day ?? today()).slice(0, 7));
  const days = useMemo(() => monthOf(props.records, month), [props.records, month]);
  const first = new Date(`${month}-01T00:00:00Z`);
  const before = (first.getUTCDay() + 6) % 7;
  return (
    <section aria-label="Month" className="mt-3 max-w-xl">
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          aria-label="The month before"
          onClick={() => setMonth(monthBy(month, -1))}
        >
          <ChevronLeft size={18} aria-hidden />
        </button>
        <h2 className="min-w-44 text-center text-xl" aria-live="polite">
          {MONTH.format(first)}
        </h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          aria-label="The month after"
          onClick={() => setMonth(monthBy(month, 1))}
        >
          <ChevronRight size={18} aria-hidden />
        </button>
      </div>
      <div className="mt-1 grid grid-cols-7 gap-1">
        {DAYS.map((name) => (
          <span key={name} className="quiet text-center text-xs" aria-hidden>
            {name}
          </span>
        ))}
        {days.map(({ on, sessions, people, incidents }, i) => (
          <button
            key={on}
            type="button"
            style={i === 0 ? { gridColumnStart: before + 1 } : undefined}
            className={`touch min-h-11 rounded border-2 px-1 leading-tight ${props.day === on ? 'border-primary' : 'border-base-300'} ${sessions > 0 ? 'bg-base-200 font-semibold' : 'quiet'}`}
            aria-pressed={props.day === on}
            disabled={sessions === 0}
            aria-label={`${dayWords(on)}: ${sessions === 0 ? 'nothing' : `${sessions} ${sessions === 1 ? 'session' : 'sessions'}, ${people} there${incidents > 0 ? `, ${incidents} with a sign or pain` : ''}`}`}
            onClick={() => props.onDay(props.day === on ? null : on)}
          >
            {i + 1}
            {sessions > 0 && (
              <span className="block text-xs font-normal" aria-hidden>
                {people}
                {incidents > 0 ? ' !' : ''}
              </span>
            )}
          </button>
        ))}
      </div>
    </section>
  );
}
