import { EQUIPMENT, EQUIPMENT_IDS } from '@inner-rung/core/room';
import { useState } from 'react';
import { MovePicker } from '../features/move-picker.tsx';
import type { PersonPage } from '../features/use-person.ts';
import { Tick } from '../ui/choice.tsx';
import { Text } from '../ui/fields.tsx';
import type { Fields } from './use-fields.tsx';

/** Rules learned about somebody's moves: listed here, taken back here. */
const MOVE_RULES = [
  { list: 'never', says: 'Never for them', undo: 'No longer ruled out:' },
  { list: 'dislikes', says: 'Moves they dislike', undo: 'No longer dislikes' },
  { list: 'likes', says: 'Moves they like', undo: 'No longer likes' },
] as const;
type MoveRule = (typeof MOVE_RULES)[number]['list'];

/** What somebody wants, likes, brings, and who is to be called. */
export function WishFields({ page, fields }: { page: PersonPage; fields: Fields }) {
  const { person, library } = page;
  const { put, fault } = fields;
  const [picking, setPicking] = useState<MoveRule | null>(null);
  return (
    <>
      <Text label="What they want" value={person.goals} rows={2} onValue={(goals) => put('goals', { goals })}>
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
    </>
  );
}
