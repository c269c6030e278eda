import { openRecord } from '@inner-rung/core/record';
import { ROOM, type Room } from '@inner-rung/core/room';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { newId } from '../store/day.ts';
import { rooms as roomShelf, useApp, useSend } from '../store/index.ts';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Space, ThingsHere, TickThings } from './room-things.tsx';

/** One room: tick what is seen by its picture, then how many, which sizes, how much space. */
export default function RoomScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const room = useApp(roomShelf.docs)[id];
  const send = useSend();
  const navigate = useNavigate();
  const [wrong, setWrong] = useState<{ where: string; says: string } | null>(null);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!room) return <Missing here="rooms" title="No such room" to="/rooms" way="See all rooms" />;
  const put = (patch: Partial<Room>, says = 'Edit the room…'): boolean => {
    const read = openRecord(ROOM, { ...room, ...patch });
    if (!read.ok) {
      setWrong({ where: read.where, says: read.message });
      return false;
    }
    setWrong(null);
    send(roomShelf.step({ says, put: [read.value] }));
    return true;
  };
  const fault = (where: string) =>
    wrong?.where.startsWith(where) ? (
      <span role="alert" className="block text-sm font-semibold text-error">
        {wrong.says}
      </span>
    ) : null;
  const edits = { room, put, fault };
  return (
    <div className="min-h-dvh">
      <PartsHeader here="rooms" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="sr-only">{room.name}</h1>
          <label className="min-w-0 flex-1 basis-full sm:basis-0">
            <span className="sr-only">Name of the room</span>
            <input
              className="display w-full min-w-0 rounded bg-transparent px-1 text-3xl hover:bg-base-200"
              value={room.name}
              maxLength={80}
              onChange={(event) => event.target.value.trim() && put({ name: event.target.value })}
            />
          </label>
          <SaveLine shelf={roomShelf} />
        </div>
        <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_21rem]">
          <TickThings {...edits} />
          <div className="grid content-start gap-6">
            <ThingsHere {...edits} />
            <Space {...edits} />
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="btn btn-sm touch"
                onClick={() => {
                  const copy: Room = { ...room, id: newId('room'), name: `${room.name}, copy`.slice(0, 80) };
                  send(roomShelf.step({ says: 'Copy the room', put: [copy] }));
                  void navigate(`/rooms/${copy.id}`);
                }}
              >
                Copy it
              </button>
              <button
                type="button"
                className="btn btn-sm touch"
                onClick={() =>
                  saveFile(`${room.id}.json`, 'application/json', `${JSON.stringify(room, null, 2)}\n`)
                }
              >
                As a file
              </button>
              <button
                type="button"
                className="btn btn-sm touch"
                onClick={() => {
                  send(roomShelf.step({ says: `Take ${room.name} away`, remove: [room.id] }));
                  void navigate('/rooms');
                }}
              >
                Take it away
              </button>
            </div>
          </div>
        </div>
      </main>
    </div>
  );
}
