import {
  ACTIVITY,
  addCondition,
  bornFault,
  CAREFUL_CAPACITY,
  effortAgeOf,
  LB_PER_KG,
  LEVELS,
  type LevelIndex,
  PERSON_KINDS,
  type Person,
  personSchema,
  removeCondition,
} from '@inner-rung/core/person';
import { EQUIPMENT, EQUIPMENT_IDS } from '@inner-rung/core/room';
import { type ReactNode, useState } from 'react';
import { MovePicker } from '../features/move-picker.tsx';
import type { PersonPage } from '../features/use-person.ts';
import { today, when } from '../store/day.ts';
import { useApp, useSend } from '../store/index.ts';
import { unitsChosen } from '../store/view-slice.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { Text } from '../ui/fields.tsx';

const CM_PER_IN = 2.54;
const round1 = (n: number) => Math.round(n * 10) / 10;

const metWords = (met: Person['capacityMet']): string =>
  !met ? '' : met.lo === met.hi ? String(met.lo) : `${met.lo}–${met.hi}`;

/** Rules learned about somebody's moves: listed here, taken back here. */
const MOVE_RULES = [
  { list: 'never', says: 'Never for them', undo: 'No longer ruled out:' },
  { list: 'dislikes', says: 'Moves they dislike', undo: 'No longer dislikes' },
  { list: 'likes', says: 'Moves they like', undo: 'No longer likes' },
] as const;
type MoveRule = (typeof MOVE_RULES)[number]['list'];

/** All that can be known of somebody and may wait; what each piece is for stands beside it. */
export function WhoPart(props: { page: PersonPage }) {
  const { person, library, outlook, keep, first } = props.page;
  const send = useSend();
  const units = useApp((state) => state.view.units);
  const [wrong, setWrong] = useState<{ field: string; says: string } | null>(null);
  const [picking, setPicking] = useState<MoveRule | null>(null);

  /** Keeps a field where the whole person is still well formed; says beside it what is wrong where not. */
  const put = (field: string, patch: Partial<Person>, drop: readonly (keyof Person)[] = []): boolean => {
    const next: Record<string, unknown> = { ...person, ...patch };
    for (const key of drop) delete next[key];
    const read = personSchema.safeParse(next);
    const born = patch.born === undefined ? null : bornFault(patch.born, today());
    if (!read.success || born) {
      setWrong({ field, says: born ?? read.error!.issues[0]!.message });
      return false;
    }
    setWrong(null);
    keep(`Edit ${field}…`, read.data);
    return true;
  };
  const fault = (field: string) =>
    wrong?.field === field ? (
      <span role="alert" className="block text-sm font-semibold text-error">
        {wrong.says}
      </span>
    ) : null;
  const number = (
    field: keyof Person & ('massKg' | 'heightCm' | 'restingRate' | 'effortMax'),
    label: string,
    suffix: ReactNode,
    toUnit: (v: number) => number,
    fromUnit: (v: number) => number,
    why: string,
  ) => (
    <div>
      <div className="flex items-end gap-1.5">
        <div className="w-28">
          <Text
            label={label}
            rows={1}
            value={person[field] === undefined ? '' : String(toUnit(person[field]))}
            onValue={(text) => {
              if (text.trim() === '') return put(field, {}, [field]);
              const value = Number(text.replace(',', '.'));
              if (!Number.isFinite(value)) {
                setWrong({ field, says: `“${text}” is not a number` });
                return false;
              }
              return put(field, { [field]: fromUnit(value) });
            }}
          />
        </div>
        {suffix}
      </div>
      {fault(field)}
      <p className="quiet text-sm">{why}</p>
    </div>
  );
  const unit = <T extends string>(name: string, value: T, other: T, choose: (v: T) => void) => (
    <button
      type="button"
      className="btn btn-sm touch"
      aria-label={`${name} in ${other} instead`}
      onClick={() => choose(other)}
    >
      {value}
    </button>
  );
  const careful = CAREFUL_CAPACITY[effortAgeOf(outlook.age, person.kind)];
  const medicated = person.conditions.some((c) => c.id === 'rate-medication');

  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-4 md:grid-cols-2">
      <section aria-label="Who" className="grid content-start gap-3">
        <Text label="Name or initials" value={person.name} rows={1} onValue={(name) => put('name', { name })}>
          {fault('name')}
        </Text>
        <div>
          <Text
            label="Year or date of birth"
            value={person.born}
            rows={1}
            onValue={(born) => put('born', { born: born.trim() })}
          >
            {fault('born')}
          </Text>
          {outlook.age.lo !== outlook.age.hi && (
            <p className="quiet text-sm">
              {outlook.age.lo} or {outlook.age.hi}: with the whole date, tables by age give one answer.
            </p>
          )}
        </div>
        <Choice
          legend="Kind of client"
          name="kind"
          value={person.kind}
          of={PERSON_KINDS.map((kind) => ({ value: kind, says: kind }))}
          onChoose={(kind) => put('kind', { kind })}
        />
        <div>
          <Choice
            legend="Sex, where a published table or equation asks"
            name="sex"
            value={person.sex ?? 'unstated'}
            of={[
              { value: 'female', says: 'female' },
              { value: 'male', says: 'male' },
              { value: 'unstated', says: 'not stated' },
            ]}
            onChoose={(sex) =>
              sex === 'unstated' ? put('sex', {}, ['sex']) : put('sex', { sex: sex as 'female' | 'male' })
            }
          />
          {!person.sex && <p className="quiet text-sm">Not stated: both results are shown.</p>}
        </div>
        <Choice
          legend="A usual week"
          name="activity"
          column
          value={person.activity ?? null}
          of={ACTIVITY.map((a) => ({ value: a.id, says: a.says }))}
          onChoose={(activity) => put('activity', { activity })}
        />
        <Choice
          legend="Where they stand on ladders nobody has tried yet"
          name="level"
          column
          value={String(person.assumedLevel)}
          of={LEVELS.map((level, i) => ({
            value: String(i),
            says: (
              <span>
                <span className="display">{level.name}</span>: {level.says}
              </span>
            ),
          }))}
          onChoose={(level) => put('level', { assumedLevel: Number(level) as LevelIndex })}
        />
      </section>
      <section aria-label="Body and wishes" className="grid content-start gap-3">
        {number(
          'massKg',
          'Body mass',
          unit('Body mass', units.mass, units.mass === 'kg' ? 'lb' : 'kg', (mass) =>
            send(unitsChosen({ mass })),
          ),
          (kg) => round1(units.mass === 'kg' ? kg : kg * LB_PER_KG),
          (v) => round1(units.mass === 'kg' ? v : v / LB_PER_KG),
          'For energy, and for capacity where nothing was measured.',
        )}
        {number(
          'heightCm',
          'Height',
          unit('Height', units.length, units.length === 'cm' ? 'in' : 'cm', (length) =>
            send(unitsChosen({ length })),
          ),
          (cm) => round1(units.length === 'cm' ? cm : cm / CM_PER_IN),
          (v) => round1(units.length === 'cm' ? v : v * CM_PER_IN),
          'For capacity, with the resting rate.',
        )}
        {number(
          'restingRate',
          'Pulse at rest',
          <span className="pb-3 text-sm">a minute</span>,
          (v) => v,
          (v) => v,
          'Makes heart-rate targets their own.',
        )}
        <div>
          <div className="flex items-end gap-1.5">
            <div className="w-28">
              <Text
                label="Capacity"
                rows={1}
                value={metWords(person.capacityMet)}
                onValue={(text) => {
                  if (text.trim() === '') return put('capacityMet', {}, ['capacityMet']);
                  const [lo, hi = lo, ...more] = text.replace(/,/g, '.').split(/[-–]/).map(Number);
                  if (more.length > 0 || !Number.isFinite(lo) || !Number.isFinite(hi)) {
                    setWrong({ field: 'capacityMet', says: `“${text}” is neither “7” nor “6–8”` });
                    return false;
                  }
                  return put('capacityMet', {
                    capacityMet: { lo: lo!, hi: hi!, from: 'measured by a clinic' },
                  });
                }}
              />
            </div>
            <span className="pb-3 text-sm">MET, by a clinic</span>
          </div>
          {fault('capacityMet')}
          <p className="quiet text-sm">
            {person.capacityMet && person.capacityMet.lo < careful
              ? `Less than nine of ten of that age have: every effort is planned by it. Struck out, ${first} would be planned as if nobody had measured.`
              : 'Goes before every estimate.'}
          </p>
        </div>
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
        {number(
          'effortMax',
          'Effort for now',
          <span className="pb-3 text-sm">of 10 at the most</span>,
          (v) => v,
          (v) => v,
          'Empty: what screening and a usual week say.',
        )}
        <Text
          label="What they want"
          value={person.goals}
          rows={2}
          onValue={(goals) => put('goals', { goals })}
        >
          {fault('goals')}
        </Text>
        {MOVE_RULES.map(({ list, says, undo }) => (
          <div key={list}>
            <p className="quiet text-sm">{says}</p>
            <ul className="flex flex-wrap gap-1.5">
              {person[list].map((move) => (
                <li key={move}>
                  <button
                    type="button"
                    className="btn btn-sm touch"
                    aria-label={`${undo} ${library.move(move)?.name ?? move}`}
                    onClick={() => put(list, { [list]: person[list].filter((m) => m !== move) })}
                  >
                    {library.move(move)?.name ?? move} ×
                  </button>
                </li>
              ))}
              <li>
                <button type="button" className="btn btn-sm touch" onClick={() => setPicking(list)}>
                  Add a move<span className="sr-only">: {says}</span>
                </button>
              </li>
            </ul>
          </div>
        ))}
        <details>
          <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
            Own equipment
            {person.equipment.length > 0
              ? `: ${person.equipment.map((e) => EQUIPMENT[e].name.toLowerCase()).join(', ')}`
              : ''}
          </summary>
          <div className="grid grid-cols-1 sm:grid-cols-2">
            {EQUIPMENT_IDS.map((id) => (
              <Tick
                key={id}
                on={person.equipment.includes(id)}
                onTurn={(on) =>
                  put('equipment', {
                    equipment: on ? [...person.equipment, id] : person.equipment.filter((e) => e !== id),
                  })
                }
              >
                {EQUIPMENT[id].name}
              </Tick>
            ))}
          </div>
        </details>
        <div className="grid grid-cols-2 gap-2">
          {(['name', 'phone'] as const).map((part) => (
            <Text
              key={part}
              label={part === 'name' ? 'In an emergency: who' : 'and their number'}
              rows={1}
              value={person.emergency?.[part] ?? ''}
              onValue={(text) =>
                put('emergency', {
                  emergency: { name: '', phone: '', ...person.emergency, [part]: text },
                })
              }
            />
          ))}
        </div>
        <Text label="Notes" value={person.notes} rows={3} onValue={(notes) => put('notes', { notes })}>
          {fault('notes')}
        </Text>
      </section>
      {picking && (
        <MovePicker
          library={library}
          title={MOVE_RULES.find((rule) => rule.list === picking)!.says}
          onPick={(move) => {
            setPicking(null);
            if (!person[picking].includes(move)) put(picking, { [picking]: [...person[picking], move] });
          }}
          onClose={() => setPicking(null)}
        />
      )}
    </div>
  );
}
