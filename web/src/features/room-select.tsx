import { READY_ROOMS } from '@inner-rung/core/room';
import { useShelf } from '../store/data.ts';
import { rooms as roomShelf, useSend } from '../store/index.ts';

/** Where: the trainer's rooms, then ready-made ones, each of which becomes their own as it is picked. */
export function RoomSelect(props: { id: string; room: string | null; onRoom: (id: string) => void }) {
  const { rooms } = useShelf();
  const send = useSend();
  const others = READY_ROOMS.filter((ready) => !rooms.some((room) => room.id === ready.id));
  return (
    <select
      id={props.id}
      className="select touch w-full min-w-0"
      value={props.room ?? ''}
      onChange={(event) => {
        const ready = others.find((room) => room.id === event.target.value);
        if (ready) send(roomShelf.step({ says: `Add ${ready.name}`, put: [ready] }));
        props.onRoom(event.target.value);
      }}
    >
      {!rooms.some((room) => room.id === props.room) && <option value="">a floor and a wall</option>}
      {rooms.map((room) => (
        <option key={room.id} value={room.id}>
          {room.name}
        </option>
      ))}
      <optgroup label="One like it">
        {others.map((room) => (
          <option key={room.id} value={room.id}>
            {room.name}
          </option>
        ))}
      </optgroup>
    </select>
  );
}
