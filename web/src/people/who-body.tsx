import {
  addCondition,
  CAREFUL_CAPACITY,
  effortAgeOf,
  LB_PER_KG,
  type Person,
  removeCondition,
} from '@inner-rung/core/person';
import type { ReactNode } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { when } from '../store/day.ts';
import { useApp, useSend } from '../store/index.ts';
import { unitsChosen } from '../store/view-slice.ts';
import { Tick } from '../ui/choice.tsx';
import { Text } from '../ui/fields.tsx';
import type { Fields } from './use-fields.tsx';

const CM_PER_IN = 2.54;
const round1 = (n: number) => Math.round(n * 10) / 10;
const same = (n: number) => n;

const metWords = (met: Person['capacityMet']): string =>
  !met ? '' : met.lo === met.hi ? String(met.lo) : `${met.lo}–${met.hi}`;

interface Part {
  readonly page: PersonPage;
  readonly fields: Fields;
}

/** What is measured of somebody, in the units that the trainer reads. */
export function BodyFields({ page, fields }: Part) {
  const { person, keep } = page;
  const send = useSend();
  const units = useApp((state) => state.view.units);
  const medicated = person.conditions.some((c) => c.id === 'rate-medication');
  return (
    <>
      <NumberOf
        page={page}
        fields={fields}
        field="massKg"
        label="Body mass"
        why="For energy, and for capacity where nothing was measured."
        toUnit={(kg) => round1(units.mass === 'kg' ? kg : kg * LB_PER_KG)}
        fromUnit={(v) => round1(units.mass === 'kg' ? v : v / LB_PER_KG)}
      >
        <Unit
          of="Body mass"
          value={units.mass}
          other={units.mass === 'kg' ? 'lb' : 'kg'}
          onChoose={(mass) => send(unitsChosen({ mass }))}
        />
      </NumberOf>
      <NumberOf
        page={page}
        fields={fields}
        field="heightCm"
        label="Height"
        why="For capacity, with the resting rate."
        toUnit={(cm) => round1(units.length === 'cm' ? cm : cm / CM_PER_IN)}
        fromUnit={(v) => round1(units.length === 'cm' ? v : v * CM_PER_IN)}
      >
        <Unit
          of="Height"
          value={units.length}
          other={units.length === 'cm' ? 'in' : 'cm'}
          onChoose={(length) => send(unitsChosen({ length }))}
        />
      </NumberOf>
      <NumberOf
        page={page}
        fields={fields}
        field="restingRate"
        label="Pulse at rest"
        why="Makes heart-rate targets their own."
      >
        <span className="pb-3 text-sm">a minute</span>
      </NumberOf>
      <Capacity page={page} fields={fields} />
      <Tick
        on={medicated}
        onTurn={(on) =>
          keep(
            'Heart-rate medication',
            on
              ? addCondition(person, { id: 'rate-medication' }, when())
              : removeCondition(person, 'rate-medication', 'both', when(), 'said not to apply'),
          )
        }
      >
        A medicine or device that changes the heart rate (a beta-blocker, a pacemaker)
      </Tick>
      <NumberOf
        page={page}
        fields={fields}
        field="effortMax"
        label="Effort for now"
        why="Empty: what screening and a usual week say."
      >
        <span className="pb-3 text-sm">of 10 at the most</span>
      </NumberOf>
    </>
  );
}

function NumberOf(
  props: Part & {
    field: keyof Person & ('massKg' | 'heightCm' | 'restingRate' | 'effortMax');
    label: string;
    why: string;
    toUnit?: (kept: number) => number;
    fromUnit?: (typed: number) => number;
    children: ReactNode;
  },
) {
  const { field, fields, toUnit = same, fromUnit = same } = props;
  const kept = props.page.person[field];
  return (
    <div>
      <div className="flex items-end gap-1.5">
        <div className="w-28">
          <Text
            label={props.label}
            rows={1}
            value={kept === undefined ? '' : String(toUnit(kept))}
            onValue={(text) => {
              if (text.trim() === '') return fields.put(field, {}, [field]);
              const value = Number(text.replace(',', '.'));
              return Number.isFinite(value)
                ? fields.put(field, { [field]: fromUnit(value) })
                : fields.refuse(field, `“${text}” is not a number`);
            }}
          />
        </div>
        {props.children}
      </div>
      {fields.fault(field)}
      <p className="quiet text-sm">{props.why}</p>
    </div>
  );
}

function Unit<T extends string>(props: { of: string; value: T; other: T; onChoose: (unit: T) => void }) {
  return (
    <button
      type="button"
      className="btn btn-sm touch"
      aria-label={`${props.of} in ${props.other} instead`}
      onClick={() => props.onChoose(props.other)}
    >
      {props.value}
    </button>
  );
}

function Capacity({ page, fields }: Part) {
  const { person, outlook, first } = page;
  const careful = CAREFUL_CAPACITY[effortAgeOf(outlook.age, person.kind)];
  return (
    <div>
      <div className="flex items-end gap-1.5">
        <div className="w-28">
          <Text
            label="Capacity"
            rows={1}
            value={metWords(person.capacityMet)}
            onValue={(text) => {
              if (text.trim() === '') return fields.put('capacityMet', {}, ['capacityMet']);
              const [lo, hi = lo, ...more] = text.replace(/,/g, '.').split(/[-–]/).map(Number);
              return more.length > 0 || !Number.isFinite(lo) || !Number.isFinite(hi)
                ? fields.refuse('capacityMet', `“${text}” is neither “7” nor “6–8”`)
                : fields.put('capacityMet', {
                    capacityMet: { lo: lo!, hi: hi!, from: 'measured by a clinic' },
                  });
            }}
          />
        </div>
        <span className="pb-3 text-sm">MET, by a clinic</span>
      </div>
      {fields.fault('capacityMet')}
      <p className="quiet text-sm">
        {person.capacityMet && person.capacityMet.lo < careful
          ? `Less than nine of ten of that age have: every effort is planned by it. Struck out, ${first} would be planned as if nobody had measured.`
          : 'Goes before every estimate.'}
      </p>
    </div>
  );
}
