import {
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  type GroupPart,
  LEVELS,
  type LevelIndex,
  partWords,
  usualLevel,
} from '@inner-rung/core/person';
import { useState } from 'react';

export function Part(props: {
  part: GroupPart;
  onPut: (patch: Partial<GroupPart>) => void;
  onRemove: () => void;
  onNamed: (name: string, born: string) => string | null;
}) {
  const { part, onPut } = props;
  const [name, setName] = useState('');
  const [born, setBorn] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const what = partWords({ ...part, level: usualLevel(part) }).replace(/^\d+: /, '');
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="flex items-center">
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`One less: ${what}`}
            disabled={part.count <= 1}
            onClick={() => onPut({ count: part.count - 1 })}
          >
            −
          </button>
          <span className="display w-9 text-center text-xl">{part.count}</span>
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`One more: ${what}`}
            onClick={() => onPut({ count: part.count + 1 })}
          >
            +
          </button>
        </span>
        <span className="min-w-32 flex-1">{what}</span>
        <select
          className="select touch w-40"
          aria-label={`Level: ${what}`}
          value={part.level}
          onChange={(e) => onPut({ level: Number(e.target.value) as LevelIndex })}
        >
          {LEVELS.map((level, i) => (
            <option key={level.id} value={i}>
              {level.name}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          aria-label={`Take away: ${what}`}
          onClick={props.onRemove}
        >
          ×
        </button>
      </div>
      <details>
        <summary className="touch flex cursor-pointer items-center text-sm underline underline-offset-4">
          Say more, or name one of them
        </summary>
        <div className="flex flex-wrap gap-1.5">
          {(part.unread ?? []).map((piece) => (
            <button
              key={piece}
              type="button"
              className="btn btn-sm touch"
              aria-label={`Answered: ${piece}`}
              onClick={() => {
                const left = part.unread!.filter((one) => one !== piece);
                onPut({ unread: left.length > 0 ? left : undefined });
              }}
            >
              “{piece}”: answered
            </button>
          ))}
          {part.conditions.map(({ id, side }) => (
            <button
              key={id}
              type="button"
              className="btn btn-sm touch"
              aria-label={`Without ${CONDITIONS[id].name}`}
              onClick={() => onPut({ conditions: part.conditions.filter((c) => c.id !== id) })}
            >
              {CONDITIONS[id].name}
              {side === 'both' ? '' : `, ${side}`} ×
            </button>
          ))}
          <select
            className="select touch w-52"
            aria-label="With a condition"
            value=""
            onChange={(e) =>
              e.target.value &&
              onPut({ conditions: [...part.conditions, { id: e.target.value as ConditionId, side: 'both' }] })
            }
          >
            <option value="">with…</option>
            {CONDITION_IDS.filter((id) => !part.conditions.some((held) => held.id === id)).map((id) => (
              <option key={id} value={id}>
                {CONDITIONS[id].name}
              </option>
            ))}
          </select>
        </div>
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const fault = props.onNamed(name, born.trim());
            setWrong(fault);
            if (!fault) {
              setName('');
              setBorn('');
            }
          }}
        >
          <label className="block">
            <span className="quiet block text-sm">Name</span>
            <input
              className="input touch w-40"
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
            />
          </label>
          <label className="block">
            <span className="quiet block text-sm">Born</span>
            <input
              className="input touch w-28"
              value={born}
              placeholder="1958"
              maxLength={10}
              onChange={(e) => setBorn(e.target.value)}
            />
          </label>
          <button type="submit" className="btn touch">
            Name one
          </button>
        </form>
        {wrong && (
          <p role="alert" className="text-sm font-semibold text-error">
            {wrong}
          </p>
        )}
      </details>
    </li>
  );
}
