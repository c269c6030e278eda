import { openRecord } from '@inner-rung/core/record';
import {
  EQUIPMENT_IDS,
  equipmentOf,
  offersOf,
  peopleThatFit,
  READY_ROOMS,
  ROOM,
  ROOM_EXAMPLE,
  type Room,
  roomSchema,
  rowsFor,
  sizeUnit,
  thingsFor,
  unsaidRoom,
} from '@inner-rung/core/room';

describe('the catalogue', () => {
  test('at least sixty things, ten of them household stand-ins', () => {
    expect(EQUIPMENT_IDS.length).toBeGreaterThanOrEqual(60);
    expect(EQUIPMENT_IDS.filter((id) => equipmentOf(id).standIn).length).toBeGreaterThanOrEqual(10);
  });
  test.each(EQUIPMENT_IDS)(
    '%s says how to use it, what never to use it for, and its sizes in order',
    (id) => {
      const kind = equipmentOf(id);
      expect(kind.use.length).toBeGreaterThan(8);
      expect(kind.never).toMatch(/^Never /);
      for (const { sizes } of kind.provides)
        if (sizes) expect([...sizes].sort((a, b) => a - b)).toEqual([...sizes]);
      // What hangs, rolls or gives is nothing to lean on or step on.
      if (kind.steady < 2)
        for (const { what } of kind.provides)
          expect(['firm surface', 'step', 'hand hold']).not.toContain(what);
    },
  );
  test('no table is an anchor and no book a step', () => {
    expect(EQUIPMENT_IDS.filter((id) => /table/i.test(equipmentOf(id).name))).toEqual([]);
    expect(equipmentOf('book').provides.map((p) => p.what)).toEqual(['hand load']);
    expect(equipmentOf('book').never).toContain('step');
  });
});

describe('a room', () => {
  const room = (items: Room['items'], more: Partial<Room> = {}): Room => ({
    ...ROOM_EXAMPLE,
    items,
    ...more,
  });
  test('pieces of one size stand in a row; a thing that adjusts takes each of its sizes', () => {
    const offers = offersOf(
      room([
        { what: 'dumbbells', count: 2, size: 4 },
        { what: 'dumbbells', count: 1, size: 6 },
        { what: 'step-block', count: 3 },
      ]),
    );
    expect(offers.get('hand load')!.map((o) => [o.size, o.count])).toEqual([
      [4, 2],
      [6, 1],
    ]);
    expect(offers.get('step')!.map((o) => [o.size, o.count])).toEqual([
      [10, 3],
      [15, 3],
      [20, 3],
    ]);
  });
  test('a towel slides on wood and not on carpet, paper plates the other way round', () => {
    const items: Room['items'] = [
      { what: 'towel', count: 2 },
      { what: 'paper-plates', count: 2 },
    ];
    const sliders = (flooring: Room['flooring']) =>
      offersOf(room(items, { flooring }))
        .get('slider')!
        .map((o) => o.from);
    expect(sliders('wood')).toEqual(['towel']);
    expect(sliders('carpet')).toEqual(['paper-plates']);
    expect(sliders('grass')).toEqual([]);
  });
  test('under the sky there is always room overhead', () => {
    expect(offersOf(room([], { ceilingCm: null })).get('head room')![0]!.size).toBeGreaterThan(1000);
  });
  test('four square metres a person', () => {
    expect(peopleThatFit(room([], { lengthMetres: 9, widthMetres: 6 }))).toBe(13);
    expect(peopleThatFit(room([], { lengthMetres: 1, widthMetres: 1 }))).toBe(1);
  });
  test('what was seen comes in as rows that make pairs', () => {
    expect(rowsFor('dumbbells')).toEqual([
      { what: 'dumbbells', count: 2, size: 2 },
      { what: 'dumbbells', count: 2, size: 4 },
    ]);
    expect(rowsFor('step-block')).toEqual([{ what: 'step-block', count: 1 }]);
    expect(rowsFor('mat')).toEqual([{ what: 'mat', count: 1 }]);
  });
  test('sizes are in kg for what is held, in cm for what is leaned or stepped on', () => {
    expect([sizeUnit('dumbbells'), sizeUnit('chair'), sizeUnit('mat')]).toEqual(['kg', 'cm', null]);
  });
  test.each([
    [{ items: [{ what: 'mat', count: 1, size: 5 }] }, 'items.0.size', 'this comes in no sizes'],
    [{ items: [{ what: 'chair', count: 0 }] }, 'items.0.count', 'at least one'],
    [{ lengthMetres: 0.2 }, 'lengthMetres', 'length under 1 m'],
    [{ ceilingCm: 90 }, 'ceilingCm', 'under 150 cm'],
  ])('%j is told where and what', (patch, where, says) => {
    expect(openRecord(ROOM, { ...ROOM_EXAMPLE, ...patch })).toMatchObject({
      ok: false,
      where,
      message: expect.stringContaining(says),
    });
  });
  test('one of the first version opens: its sizes become rows, its clear metres a floor', () => {
    const opened = openRecord(ROOM, {
      version: 1,
      id: 'old',
      name: 'Old',
      items: [
        { what: 'dumbbells', count: 6, sizes: [3, 5] },
        { what: 'chair', count: 2 },
      ],
      clearMetres: 7,
      ceilingCm: 300,
      quiet: true,
    });
    expect(opened).toMatchObject({
      ok: true,
      value: {
        items: [
          { what: 'dumbbells', count: 3, size: 3 },
          { what: 'dumbbells', count: 3, size: 5 },
          { what: 'chair', count: 2 },
        ],
        lengthMetres: 7,
        widthMetres: 7,
      },
    });
  });
  test('seven rooms to begin from, all well formed', () => {
    expect(READY_ROOMS).toHaveLength(7);
    for (const ready of READY_ROOMS) expect(roomSchema.parse(ready)).toEqual(ready);
  });
  test('things for a need are named', () => {
    expect(thingsFor(READY_ROOMS[1]!, 'hand load', 6)).toEqual(['Loaded rucksack']);
  });
});

test('where nobody said where it is, all who are here fit, on a floor with walls round it', () => {
  for (let people = 0; people <= 60; people++) {
    const room = unsaidRoom(people);
    expect(peopleThatFit(room)).toBeGreaterThanOrEqual(people);
    // A metre and a bit of wall a place, of the half that is clear; and nobody goes without one.
    const walls = Math.floor((4 * room.lengthMetres) / 2 / 1.2);
    if (room !== ROOM_EXAMPLE) expect(room.items).toEqual([{ what: 'wall', count: Math.max(people, walls) }]);
    expect(room.items[0]!.count).toBeGreaterThanOrEqual(people);
    expect(unsaidRoom(people)).toBe(room);
    expect(ROOM.schema.safeParse(room).success).toBe(true);
  }
  expect(unsaidRoom(1)).toBe(ROOM_EXAMPLE);
  expect(unsaidRoom(14)).toMatchObject({ name: ROOM_EXAMPLE.name, lengthMetres: 8, items: [{ count: 14 }] });
});
