import { IMPACT } from '@inner-rung/core/limits';
import { BANDS, LEVELS } from '@inner-rung/core/person';
import { type Dials, KEEP_FIRST, KEEP_FIRST_IDS } from '@inner-rung/core/session';
import { type ReactNode, useId } from 'react';
import { AbilityMark, EffortMark, ImpactMark } from '../ui/marks.tsx';

interface Position<V> {
  readonly value: V;
  readonly says: string;
}

function Dial<V extends string | number>(props: {
  name: string;
  mark: ReactNode;
  positions: readonly Position<V>[];
  value: V;
  ends: readonly [string, string];
  onTurn: (value: V) => void;
}) {
  const id = useId();
  const { positions } = props;
  const at = Math.max(
    0,
    positions.findIndex((p) => p.value === props.value),
  );
  return (
    <div className="min-w-0">
      <div className="flex items-center gap-2">
        {props.mark}
        <div className="min-w-0 leading-tight">
          <label htmlFor={id} className="text-sm quiet">
            {props.name}
          </label>
          <p className="display truncate text-[1.06rem]">{positions[at]!.says}</p>
        </div>
      </div>
      <input
        id={id}
        data-dial={props.name.toLowerCase()}
        className="dial-range"
        type="range"
        min={0}
        max={positions.length - 1}
        step={1}
        value={at}
        aria-valuetext={positions[at]!.says}
        onChange={(event) => props.onTurn(positions[Number(event.target.value)]!.value)}
      />
      <div className="quiet -mt-1 flex justify-between text-xs" aria-hidden>
        <span>{props.ends[0]}</span>
        <span>{props.ends[1]}</span>
      </div>
    </div>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const asWritten = { value: 'as written', says: 'As written' } as const;

export function DialSet(props: { dials: Dials; person: boolean; onTurn: (turn: Partial<Dials>) => void }) {
  const impact: Position<Dials['impact']>[] = [
    ...IMPACT.map((bounds, i) => ({ value: i as Dials['impact'], says: capital(bounds.says) })),
    asWritten,
  ];
  const intensity: Position<Dials['intensity']>[] = [
    ...BANDS.map((band, i) => ({ value: i as Dials['intensity'], says: capital(band.talk) })),
    asWritten,
  ];
  const ability: Position<Dials['ability']>[] = [
    ...LEVELS.map((level, i) => ({ value: i as Dials['ability'], says: level.name })),
    ...(props.person ? [{ value: 'own rungs' as const, says: 'Their own rungs' }] : []),
    asWritten,
  ];
  return (
    <div className="grid gap-4">
      <Dial
        name="Impact"
        mark={<ImpactMark />}
        positions={impact}
        value={props.dials.impact}
        ends={['feet stay down', 'as written']}
        onTurn={(value) => props.onTurn({ impact: value })}
      />
      <Dial
        name="Effort"
        mark={<EffortMark />}
        positions={intensity}
        value={props.dials.intensity}
        ends={['easy breath', 'as written']}
        onTurn={(value) => props.onTurn({ intensity: value })}
      />
      <Dial
        name="Ability"
        mark={<AbilityMark />}
        positions={ability}
        value={props.dials.ability}
        ends={['first rungs', 'as written']}
        onTurn={(value) => props.onTurn({ ability: value })}
      />
    </div>
  );
}

/** What is kept first where something has to give. */
export function KeepSelect(props: { dials: Dials; onTurn: (turn: Partial<Dials>) => void }) {
  return (
    <label className="block">
      <span className="quiet text-sm">Keep first</span>
      <select
        className="select select-sm touch w-full"
        value={props.dials.keep ?? ''}
        onChange={(event) => props.onTurn({ keep: (event.target.value || undefined) as Dials['keep'] })}
      >
        <option value="">a balance</option>
        {KEEP_FIRST_IDS.map((id) => (
          <option key={id} value={id}>
            {KEEP_FIRST[id]}
          </option>
        ))}
      </select>
    </label>
  );
}
