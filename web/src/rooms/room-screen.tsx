import { openRecord } from '@inner-rung/core/record';
import {
  EQUIPMENT_IDS,
  type EquipmentId,
  equipmentOf,
  FLOORING,
  type Flooring,
  peopleThatFit,
  ROOM,
  type Room,
  rowsFor,
  SHELVES,
  sizeUnit,
} from '@inner-rung/core/room';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { newId } from '../store/day.ts';
import { rooms as roomShelf, useApp, useSend } from '../store/index.ts';
import { Tick } from '../ui/choice.tsx';
import { Num, Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ThingDrawing } from '../ui/thing-drawing.tsx';
import { sizeWords } from './room-words.ts';

/** One room: tick what is seen by its picture, then how many, which sizes, how much space. */
export default function RoomScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const room = useApp(roomShelf.docs)[id];
  const send = useSend();
  const navigate = useNavigate();
  const [wrong, setWrong] = useState<{ where: string; says: string } | null>(null);
  const [look, setLook] = useState('');
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
  const has = (what: EquipmentId) => room.items.some((item) => item.what === what);
  const turn = (what: EquipmentId) =>
    put(
      {
        items: has(what)
          ? room.items.filter((item) => item.what !== what)
          : [...room.items, ...rowsFor(what)],
      },
      `${equipmentOf(what).name}`,
    );
  const setItem = (at: number, patch: Partial<Room['items'][number]>) =>
    put({ items: room.items.map((item, i) => (i === at ? { ...item, ...patch } : item)) });
  const wanted = look.trim().toLowerCase();
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
          <section aria-labelledby="see-h" className="min-w-0">
            <div className="flex flex-wrap items-end gap-3">
              <h2 id="see-h" className="mr-auto text-2xl">
                Tick what you see
              </h2>
              <label>
                <span className="sr-only">Look for a thing</span>
                <input
                  type="search"
                  className="input touch w-48"
                  placeholder="chair, band, bottle…"
                  value={look}
                  onChange={(event) => setLook(event.target.value)}
                />
              </label>
            </div>
            {SHELVES.map((shelf) => {
              const ids = EQUIPMENT_IDS.filter(
                (what) =>
                  equipmentOf(what).shelf === shelf &&
                  (wanted === '' || equipmentOf(what).name.toLowerCase().includes(wanted)),
              );
              if (ids.length === 0) return null;
              return (
                <section key={shelf} aria-label={shelf} className="mt-3">
                  <h3 className="quiet text-base">{shelf}</h3>
                  <ul className="flex flex-wrap gap-1.5">
                    {ids.map((what) => {
                      const kind = equipmentOf(what);
                      const on = has(what);
                      return (
                        <li key={what}>
                          <button
                            type="button"
                            aria-pressed={on}
                            title={`${kind.use} ${kind.never}`}
                            className={`flex h-24 w-[5.6rem] flex-col items-center justify-start rounded border-2 p-1 text-center ${on ? 'border-base-content bg-[var(--lane-1)] text-[var(--lane-0-ink)]' : 'border-base-300 hover:bg-base-200'}`}
                            onClick={() => turn(what)}
                          >
                            <ThingDrawing drawing={kind.drawing} className="h-11 w-11 shrink-0" />
                            <span className="line-clamp-3 text-xs leading-tight">{kind.name}</span>
                          </button>
                        </li>
                      );
                    })}
                  </ul>
                </section>
              );
            })}
          </section>
          <div className="grid content-start gap-6">
            <section aria-labelledby="here-h">
              <h2 id="here-h" className="text-2xl">
                Here
              </h2>
              {room.items.length === 0 && <p className="quiet">Nothing ticked yet: a bare floor.</p>}
              <ul className="divide-y divide-base-300 border-y-2 border-base-300">
                {room.items.map((item, i) => {
                  const kind = equipmentOf(item.what);
                  const unit = kind.adjusts ? null : sizeUnit(item.what);
                  const label = `${kind.name}${item.size === undefined ? '' : `, ${sizeWords(item.what, item.size)}`}`;
                  return (
                    // biome-ignore lint/suspicious/noArrayIndexKey: rows of one thing differ only by their place
                    <li key={`${item.what}/${i}`} className="py-1">
                      <div className="grid grid-cols-[4rem_minmax(0,1fr)_auto_auto] items-center gap-1.5">
                        <Num
                          label={`How many: ${label}`}
                          bare
                          value={item.count}
                          onValue={(count) => setItem(i, { count: Math.round(count) })}
                        />
                        <span className="leading-tight">{kind.name}</span>
                        {unit ? (
                          <span className="grid w-24 grid-cols-[minmax(0,1fr)_auto] items-center gap-1">
                            <Num
                              label={`Size: ${label}`}
                              bare
                              value={item.size ?? null}
                              onValue={(size) => setItem(i, { size })}
                            />
                            {unit}
                          </span>
                        ) : (
                          <span />
                        )}
                        <button
                          type="button"
                          className="btn btn-ghost btn-sm touch"
                          aria-label={`Not here: ${label}`}
                          onClick={() => put({ items: room.items.filter((_, k) => k !== i) }, kind.name)}
                        >
                          ×
                        </button>
                      </div>
                      {kind.standIn && <p className="quiet text-sm">Stand-in: {kind.standIn}.</p>}
                      {fault(`items.${i}`)}
                    </li>
                  );
                })}
              </ul>
            </section>
            <section aria-labelledby="space-h" className="grid gap-2">
              <h2 id="space-h" className="text-2xl">
                Space
              </h2>
              <div className="flex flex-wrap items-end gap-2">
                {(
                  [
                    ['lengthMetres', 'Clear floor, m'],
                    ['widthMetres', 'by'],
                  ] as const
                ).map(([key, label]) => (
                  <div key={key}>
                    <p className="quiet text-sm">{label}</p>
                    <Num
                      label={
                        key === 'lengthMetres'
                          ? 'Length of the clear floor, m'
                          : 'Width of the clear floor, m'
                      }
                      value={room[key]}
                      onValue={(v) => put({ [key]: v })}
                    />
                    {fault(key)}
                  </div>
                ))}
                <p className="pb-3">{peopleThatFit(room)} at once, at 4 m² each</p>
              </div>
              <div className="flex flex-wrap items-end gap-2">
                <label className="block">
                  <span className="quiet block text-sm">Floor</span>
                  <select
                    className="select touch w-44"
                    value={room.flooring}
                    onChange={(e) => put({ flooring: e.target.value as Flooring })}
                  >
                    {(Object.keys(FLOORING) as Flooring[]).map((f) => (
                      <option key={f} value={f}>
                        {FLOORING[f]}
                      </option>
                    ))}
                  </select>
                </label>
                {room.ceilingCm !== null && (
                  <div>
                    <p className="quiet text-sm">Ceiling, cm</p>
                    <Num
                      label="Ceiling, cm"
                      value={room.ceilingCm}
                      onValue={(ceilingCm) => put({ ceilingCm })}
                    />
                    {fault('ceilingCm')}
                  </div>
                )}
              </div>
              <Tick on={room.ceilingCm === null} onTurn={(on) => put({ ceilingCm: on ? null : 260 })}>
                Under the sky
              </Tick>
              <Tick on={room.quiet} onTurn={(quiet) => put({ quiet })}>
                People live or work below: nothing that lands
              </Tick>
              <Text label="Notes" rows={2} value={room.notes} onValue={(notes) => put({ notes })} />
            </section>
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
