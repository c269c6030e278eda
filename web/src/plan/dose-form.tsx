import { type Dose, doseSchema, MOST_OF } from '@inner-rung/core/session';
import { useState } from 'react';
import { Tick } from '../ui/choice.tsx';
import { NumberField } from '../ui/number-field.tsx';

const COUNTS = {
  none: 'as the clock gives',
  reps: 'reps',
  seconds: 'seconds',
  metres: 'metres',
} as const;

type Counted = keyof typeof COUNTS;

const countedBy = (dose: Dose | undefined): Counted =>
  dose?.reps !== undefined
    ? 'reps'
    : dose?.seconds !== undefined
      ? 'seconds'
      : dose?.metres !== undefined
        ? 'metres'
        : 'none';

const FIRST = { reps: 10, seconds: 30, metres: 20 } as const;

export const without = (dose: Dose, ...keys: (keyof Dose)[]): Dose =>
  Object.fromEntries(Object.entries(dose).filter(([key]) => !keys.includes(key as keyof Dose))) as Dose;

/** An empty dose is none. */
export const orNone = (dose: Dose): Dose | undefined => (Object.keys(dose).length > 0 ? dose : undefined);

/** How much of one thing: the count, how it is broken up, tempo and load. */
export function DoseForm(props: {
  dose: Dose | undefined;
  sided: boolean;
  onDose: (dose: Dose | undefined) => void;
}) {
  const { dose = {}, onDose } = props;
  const by = countedBy(props.dose);
  /** Takes a dose that is well formed; otherwise the fault in words. */
  const take = (next: Dose): string | null => {
    const read = doseSchema.safeParse(next);
    if (!read.success) return read.error.issues[0]!.message;
    onDose(orNone(read.data));
    return null;
  };
  const leaveOut = (key: keyof Dose): null => {
    onDose(orNone(without(dose, key)));
    return null;
  };
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2">
      <label className="flex flex-col">
        <span className="quiet text-sm">Counted in</span>
        <select
          className="select touch w-full"
          value={by}
          onChange={(event) => {
            const to = event.target.value as Counted;
            const rest = without(dose, 'reps', 'seconds', 'metres', 'split');
            onDose(orNone(to === 'none' ? rest : { ...rest, [to]: FIRST[to] }));
          }}
        >
          {Object.entries(COUNTS).map(([id, says]) => (
            <option key={id} value={id}>
              {says}
            </option>
          ))}
        </select>
      </label>
      {by !== 'none' && (
        <NumberField
          label="How many"
          unit={by === 'reps' ? '×' : by === 'seconds' ? 's' : 'm'}
          value={dose[by]}
          min={1}
          max={MOST_OF[by]}
          step={1}
          onChange={(n) => onDose({ ...without(dose, 'split'), [by]: n })}
        />
      )}
      {by !== 'none' && (
        <div className="col-span-2">
          <Tick on={dose.each ?? (by === 'reps' && props.sided)} onTurn={(each) => onDose({ ...dose, each })}>
            for each side
          </Tick>
        </div>
      )}
      <DoseText
        label="Tempo"
        value={dose.tempo ?? ''}
        placeholder="3-1-1-0"
        onText={(text) => (text === '' ? leaveOut('tempo') : take({ ...dose, tempo: text }))}
      />
      <NumberField
        label="Load"
        unit="kg"
        value={dose.loadKg}
        min={0}
        max={200}
        step={1}
        onEmpty={() => onDose(orNone(without(dose, 'loadKg')))}
        onChange={(loadKg) => onDose({ ...dose, loadKg })}
      />
      <DoseText
        label="In pieces"
        value={dose.split?.join(' + ') ?? ''}
        placeholder="5 + 5"
        onText={(text) => {
          if (text === '') return leaveOut('split');
          const split = text
            .split(/[+,\s]+/)
            .filter(Boolean)
            .map(Number);
          if (split.some((n) => !Number.isInteger(n))) return 'numbers with a plus between: 5 + 5';
          return take({
            ...without(dose, 'seconds', 'metres'),
            split,
            reps: split.reduce((a, b) => a + b, 0),
          });
        }}
      />
      <DoseText
        label="Short bouts"
        value={dose.bouts ? `${dose.bouts.times} × ${dose.bouts.seconds}` : ''}
        placeholder="3 × 8"
        onText={(text) => {
          if (text === '') return leaveOut('bouts');
          const match = text.match(/^(\d+)\s*[x×*]\s*(\d+)\s*s?$/i);
          return match
            ? take({ ...dose, bouts: { times: Number(match[1]), seconds: Number(match[2]) } })
            : 'times and seconds: 3 × 8';
        }}
      />
      <div className="col-span-2">
        <DoseText
          label="One after another inside it"
          value={(dose.phases ?? []).map((p) => `${p.seconds} ${p.says}`).join(', ')}
          placeholder="20 steady, 10 as fast as you can"
          onText={(text) => {
            if (text === '') return leaveOut('phases');
            const phases = text.split(',').map((part) => {
              const match = part.trim().match(/^(\d+)\s*s?\s+(.+)$/);
              return match ? { seconds: Number(match[1]), says: match[2]!.trim() } : null;
            });
            return phases.includes(null)
              ? 'seconds, then what: 20 steady, 10 fast'
              : take({ ...dose, phases: phases as { seconds: number; says: string }[] });
          }}
        />
      </div>
      <div className="col-span-2">
        <DoseText
          label="Called out"
          value={dose.calls ? `${dose.calls.times} ${dose.calls.says}${dose.calls.random ? '?' : ''}` : ''}
          placeholder="3 freeze?  (a ? for when nobody expects it)"
          onText={(text) => {
            if (text === '') return leaveOut('calls');
            const match = text.match(/^(\d+)\s+(.+?)(\?)?$/);
            return match
              ? take({
                  ...dose,
                  calls: { times: Number(match[1]), says: match[2]!.trim(), random: match[3] !== undefined },
                })
              : 'how often, then what: 3 freeze?';
          }}
        />
      </div>
    </div>
  );
}

/** A text that becomes part of a dose when it makes sense, and says so where it doesn't. */
function DoseText(props: {
  label: string;
  value: string;
  placeholder: string;
  onText: (text: string) => string | null;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  return (
    <label className="flex flex-col">
      <span className="quiet text-sm">{props.label}</span>
      <input
        className={`input touch w-full ${fault ? 'input-error' : ''}`}
        value={typed ?? props.value}
        placeholder={props.placeholder}
        onChange={(event) => {
          setTyped(event.target.value);
          setFault(props.onText(event.target.value.trim()));
        }}
        onBlur={() => {
          setTyped(null);
          setFault(null);
        }}
      />
      {fault && (
        <span role="alert" className="text-sm text-error">
          {fault}
        </span>
      )}
    </label>
  );
}
