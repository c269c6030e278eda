import { openRecord } from '@inner-rung/core/record';
import { equipmentOf, READY_ROOMS, ROOM, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useShelf } from '../store/data.ts';
import { newId } from '../store/day.ts';
import { rooms as roomShelf, useSend } from '../store/index.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ThingDrawing } from '../ui/thing-drawing.tsx';
import { roomWords } from './room-words.ts';

/** Rooms: what is there, how much space; ready-made ones to begin from; one more from a file. */
export default function RoomsScreen() {
  const { library, rooms, failed } = useShelf();
  const send = useSend();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  const begin = (from: Room, name: string) => {
    const room: Room = { ...from, id: newId('room'), name };
    send(roomShelf.step({ says: `Add ${name}`, put: [room] }));
    void navigate(`/rooms/${room.id}`);
  };
  const open = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const read = openRecord(ROOM, JSON.parse(await chosen.text()));
      if (!read.ok) return setWrong(`${chosen.name}: ${read.where}: ${read.message}`);
      setWrong(null);
      begin(read.value, read.value.name);
    } catch {
      setWrong(`${chosen.name} isn’t a room’s file: it can’t be read as JSON.`);
    }
  };
  return (
    <div className="min-h-dvh">
      <PartsHeader here="rooms" />
      <main className="mx-auto max-w-6xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="mr-auto text-3xl">Rooms</h1>
          <SaveLine shelf={roomShelf} />
        </div>
        <section aria-labelledby="yours-h" className="mt-2">
          <h2 id="yours-h" className="text-2xl">
            {rooms.length === 0 ? 'None of your own yet' : 'Where you teach'}
          </h2>
          <ul className="mt-1 grid grid-cols-1 gap-x-10 md:grid-cols-2">
            {rooms.map((room) => (
              <li key={room.id} className="border-b-2 border-base-300">
                <Link to={`/rooms/${room.id}`} className="touch block py-2 hover:bg-base-200">
                  <span className="display block text-xl leading-tight">{room.name}</span>
                  <span className="quiet block text-sm">{roomWords(room)}</span>
                  <span className="mt-1 flex flex-wrap gap-1">
                    {[...new Set(room.items.map((item) => item.what))].slice(0, 12).map((what) => (
                      <ThingDrawing key={what} drawing={equipmentOf(what).drawing} className="h-7 w-7" />
                    ))}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <div className="mt-3 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-primary touch"
              onClick={() => begin({ ...ROOM_EXAMPLE, items: [] }, 'A new room')}
            >
              Tick what I see here
            </button>
            <button type="button" className="btn touch" onClick={() => file.current?.click()}>
              <Upload size={17} aria-hidden /> From a file
            </button>
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              className="sr-only"
              aria-label="A room’s file"
              tabIndex={-1}
              onChange={(event) => void open(event.target.files?.[0])}
            />
          </div>
          {wrong && (
            <p role="alert" className="mt-2 font-semibold text-error">
              {wrong}
            </p>
          )}
        </section>
        <section aria-labelledby="ready-h" className="mt-8">
          <h2 id="ready-h" className="text-2xl">
            Begin from one like it
          </h2>
          <ul className="mt-1 grid grid-cols-1 gap-x-10 md:grid-cols-2">
            {READY_ROOMS.map((room) => (
              <li key={room.id} className="flex items-center gap-3 border-b-2 border-base-300 py-1.5">
                <span className="min-w-0 flex-1">
                  <span className="block text-lg leading-tight">{room.name}</span>
                  <span className="quiet block text-sm">{roomWords(room)}</span>
                </span>
                <button
                  type="button"
                  className="btn btn-sm touch"
                  aria-label={`Begin from ${room.name}`}
                  onClick={() => begin(room, room.name)}
                >
                  Begin from it
                </button>
              </li>
            ))}
          </ul>
        </section>
      </main>
    </div>
  );
}
