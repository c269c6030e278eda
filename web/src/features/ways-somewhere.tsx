import type { Library } from '@inner-rung/core/ladder';
import { READY_ROOMS, type Room } from '@inner-rung/core/room';
import { useState } from 'react';
import { Ways } from './ways.tsx';

/** Ways to do a move in a room that is chosen here: nothing is looked for before. */
export function WaysSomewhere(props: { library: Library; rooms: readonly Room[]; move: string }) {
  const all = [...props.rooms, ...READY_ROOMS.filter((ready) => !props.rooms.some((r) => r.id === ready.id))];
  const [id, setId] = useState('');
  const room = all.find((r) => r.id === id);
  return (
    <>
      <h2 className="mt-5 text-2xl">With what is there</h2>
      <label>
        <span className="sr-only">Where</span>
        <select className="select touch mt-1 w-64" value={id} onChange={(event) => setId(event.target.value)}>
          <option value="">Choose a room…</option>
          {all.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </select>
      </label>
      {room && (
        <Ways
          key={room.id}
          library={props.library}
          room={room}
          from={{ move: props.move }}
          person={null}
          most={6}
        />
      )}
    </>
  );
}
