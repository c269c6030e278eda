import {
  EQUIPMENT_IDS,
  type EquipmentId,
  equipmentOf,
  FLOORING,
  type Flooring,
  peopleThatFit,
  type Room,
  rowsFor,
  SHELVES,
  sizeUnit,
} from '@inner-rung/core/room';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Tick } from '../ui/choice.tsx';
import { Num, Text } from '../ui/fields.tsx';
import { ThingDrawing } from '../ui/thing-drawing.tsx';
import { sizeWords } from './room-words.ts';

/** How a room is edited: kept where it is well formed, and what is wrong told at its place. */
export interface RoomEdits {
  readonly room: Room;
  readonly put: (patch: Partial<Room>, says?: string) => boolean;
  readonly fault: (where: string) => ReactNode;
}

/** Everything there is, by its picture: what is in the room is ticked. */
export function TickThings({ room, put }: RoomEdits) {
  const [look, setLook] = useState('');
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
  const wanted = look.trim().toLowerCase();
  return (
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
  );
}

/** What is here: how many of each, and how big. */
export function ThingsHere({ room, put, fault }: RoomEdits) {
  const setItem = (at: number, patch: Partial<Room['items'][number]>) =>
    put({ items: room.items.map((item, i) => (i === at ? { ...item, ...patch } : item)) });
  return (
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
  );
}

/** Floor, ceiling, and who is below. */
export function Space({ room, put, fault }: RoomEdits) {
  return (
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
              label={key === 'lengthMetres' ? 'Length of the clear floor, m' : 'Width of the clear floor, m'}
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
            <Num label="Ceiling, cm" value={room.ceilingCm} onValue={(ceilingCm) => put({ ceilingCm })} />
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
  );
}
