import { floorPlan, type Shared } from '@inner-rung/core/class';
import { ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const hall: Room = { ...ROOM_EXAMPLE, lengthMetres: 12, widthMetres: 8 };
const shared = (people: number, stations: number, move: string): Shared[] =>
  Array.from({ length: people }, (_, p) =>
    Array.from({ length: stations }, (_, station) => ({
      person: `p${p}`,
      station,
      form: { move },
      changed: false,
      given: [],
    })),
  ).flat();

test('every place lies on the floor, and no two overlap in a hall with ten stations', () => {
  for (const move of ['squat', 'jumping-jack', 'lunge', 'broad-jump']) {
    const { places } = floorPlan(library, hall, 10, shared(10, 10, move), 'rotation');
    for (const p of places) {
      expect(p.x).toBeGreaterThanOrEqual(0);
      expect(p.y).toBeGreaterThanOrEqual(0);
      expect(p.x + p.width).toBeLessThanOrEqual(hall.lengthMetres + 1e-9);
      expect(p.y + p.height).toBeLessThanOrEqual(hall.widthMetres + 1e-9);
    }
    for (const a of places)
      for (const b of places)
        if (a.station < b.station)
          expect(
            a.x + a.width <= b.x + 1e-9 ||
              b.x + b.width <= a.x + 1e-9 ||
              a.y + a.height <= b.y + 1e-9 ||
              b.y + b.height <= a.y + 1e-9,
          ).toBe(true);
  }
});

test('a class of thirty at one station needs the whole floor, and is told when there isn’t one', () => {
  const crowd = shared(30, 4, 'jumping-jack');
  expect(floorPlan(library, hall, 4, crowd, 'together').says).toBe('');
  const small: Room = { ...hall, lengthMetres: 5, widthMetres: 4 };
  expect(floorPlan(library, small, 4, crowd, 'together').says).toMatch(
    /^Station 1 takes about \d+ m² for 30 at once; the floor has 20\./,
  );
  expect(floorPlan(library, small, 4, crowd, 'rotation').says).toMatch(
    /^All stations at once take about \d+ m²/,
  );
});

test('in rotation a station holds its share of the class', () => {
  const plan = floorPlan(library, hall, 5, shared(12, 5, 'squat'), 'rotation');
  expect(plan.places.map((p) => p.people)).toEqual([3, 3, 3, 3, 3]);
});
