import {
  aimMet,
  aimsIn,
  corrected,
  isEnough,
  loadOf,
  type Result,
  type SessionRecord,
  turnoutWords,
} from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import { aimWords } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { dayWords } from '../store/day.ts';
import { Choice } from '../ui/choice.tsx';
import { EFFORT, Row } from './record-row.tsx';
import type { LiveRun } from './use-run.ts';

const sameEffort = (record: SessionRecord): number | null => {
  // Whoever was stopped isn't meant by what was said of all.
  const there = record.results.filter((r) => r.present && !r.sign);
  const [first] = there;
  return first && there.every((r) => r.effort === first.effort) ? first.effort : null;
};

/** What came of a session, filled in and touched only where it wasn't as planned. */
export function RecordForm(props: {
  record: SessionRecord;
  /** Kept already: from then on a change is a correction, and what was said before stays in it. */
  kept: boolean;
  nameOf: (result: Result) => string;
  formName: (form: FormRef) => string;
  /** The run it came of. */
  of: Pick<LiveRun, 'run' | 'events'>;
  onPut: (record: SessionRecord, says: string) => void;
  /** Chooses a form that was done instead of a piece, or besides it; null where none can be chosen. */
  onOther: ((result: number, piece: number, how: 'instead' | 'besides') => void) | null;
}) {
  const { record, nameOf, onPut } = props;
  const change = (i: number, patch: Partial<Result>, says: string) =>
    onPut(
      props.kept
        ? corrected(record, record.results[i]!.id, patch, new Date().toISOString(), props.formName)
        : { ...record, results: record.results.map((r, k) => (k === i ? { ...r, ...patch } : r)) },
      `${nameOf(record.results[i]!)}: ${says}`,
    );
  const there = record.results.filter((r) => r.present && !r.sign);
  const short = there.filter((r) => !isEnough(r));
  /** The same of several. */
  const all = (some: readonly Result[], patch: Partial<Result>, says: string) => {
    const ids = new Set(some.map((r) => r.id));
    onPut(
      props.kept
        ? some.reduce(
            (made, r) => corrected(made, r.id, patch, new Date().toISOString(), props.formName),
            record,
          )
        : { ...record, results: record.results.map((r) => (ids.has(r.id) ? { ...r, ...patch } : r)) },
      says,
    );
  };
  return (
    <>
      <p className="quiet">
        {dayWords(record.on)} · {turnoutWords(record)}. Touch only what wasn’t as planned.
      </p>
      {short.length > 0 && (
        <p className="mt-2 flex flex-wrap items-center gap-x-3 border-l-4 border-primary pl-3" data-short>
          <span className="min-w-0 flex-1">
            {short.length === there.length
              ? `The clock ran for ${Math.round(Math.max(...short.map((r) => r.share)) * 100)} % of it`
              : `${short.length} did less than half of it`}
            : nothing of that counts towards a next rung.
          </span>
          <button
            type="button"
            className="btn btn-sm touch"
            onClick={() => all(short, { share: 1, left: false }, 'They did all of it')}
          >
            They did all of it
          </button>
        </p>
      )}
      <Choice
        legend="How hard was it for everybody"
        name="effort-all"
        value={sameEffort(record)}
        of={EFFORT}
        onChoose={(effort) => all(there, { effort }, `Effort ${effort} for everybody`)}
      />
      <AimLine of={props.of} record={record} />
      <ul className="mt-3 divide-y-2 divide-base-300 border-y-2 border-base-300">
        {record.results.map((result, i) => (
          <Row
            key={result.id}
            name={nameOf(result)}
            result={result}
            load={loadOf(record, result)}
            before={result.corrections}
            formName={props.formName}
            onChange={(patch, says) => change(i, patch, says)}
            onOther={props.onOther && ((piece, how) => props.onOther!(i, piece, how))}
          />
        ))}
      </ul>
    </>
  );
}

/** What was aimed for beside what was said. */
function AimLine(props: { of: Pick<LiveRun, 'run' | 'events'>; record: SessionRecord }) {
  const { run, events } = props.of;
  const aims = useMemo(() => aimsIn(run, events), [run, events]);
  if (!run.plan.aim) return null;
  const met = aimMet(props.record.results, aims);
  const far = (n: number, than: string) => (n > 0 ? [`${n} said far ${than}`] : []);
  return (
    <p className="mt-1" data-aimed>
      Aimed for {aimWords(run.plan.aim)}
      {met &&
        `; on the whole ${met.mean} was said${[...far(met.over, 'more'), ...far(met.under, 'less')].map((one) => `, ${one}`).join('')}`}
      .
    </p>
  );
}
