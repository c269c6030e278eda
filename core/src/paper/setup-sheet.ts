import { type FloorPlan, type Given, givenWords, type Shared, type Sharing } from '../class/index.ts';
import type { Library } from '../ladder/index.ts';
import { calledName, type OneOf, outlookOf } from '../person/index.ts';
import { equipmentOf, type Room } from '../room/index.ts';
import type { Plan } from '../session/index.ts';
import { formName } from '../words/index.ts';
import type { SetupSheet } from './sheets.ts';

/** People who do the same with the same at a station, in one row. */
export function formsForEach(
  library: Library,
  room: Room,
  shared: readonly Shared[],
  station: number,
  takers: readonly OneOf[],
) {
  const rows = new Map<
    string,
    { key: string; form: string; things: string; changed: boolean; names: Map<string, number> }
  >();
  for (const one of shared) {
    if (one.station !== station) continue;
    const form = one.form ? formName(library, one.form.move, one.form.settings) : 'Easy movement';
    const things = one.given.map((given) => givenWords(room, given)).join(' and ');
    const key = `${form}/${things}/${one.changed}`;
    const row = rows.get(key) ?? {
      key,
      form,
      things,
      changed: one.changed,
      names: new Map<string, number>(),
    };
    const person = takers.find((t) => t.id === one.person)?.person;
    const name = person ? calledName(person) : 'somebody';
    row.names.set(name, (row.names.get(name) ?? 0) + 1);
    rows.set(key, row);
  }
  return [...rows.values()].map((row) => ({
    ...row,
    who: [...row.names].map(([name, n]) => (n > 1 ? `${n} ${name}` : name)).join(', '),
  }));
}

/** How well what is there goes round. */
export const fitWords = ({ changes, atLeast }: Pick<Sharing, 'changes' | 'atLeast'>): string =>
  changes === 0
    ? 'There is enough of everything for everybody’s own form.'
    : `${changes} ${changes === 1 ? 'change' : 'changes'} make it fit${
        changes === atLeast ? ', and no fewer can.' : `; fewer than ${atLeast} can’t.`
      }`;

export const whoWords = (takers: readonly OneOf[], group: string | null, room: Room): string =>
  `${takers.length} ${takers.length === 1 ? 'person' : 'people'}${group ? `, ${group}` : ''} · ${room.name}`;

/** What has to be in reach and for whom: "their reliever: Ana, Tom". */
export function inReach(takers: readonly OneOf[], on: string): string[] {
  const things = new Map<string, string[]>();
  for (const { person } of takers)
    for (const thing of outlookOf(person, on).inReach)
      things.set(thing, [...(things.get(thing) ?? []), calledName(person)]);
  return [...things].map(([thing, names]) => `${thing}: ${[...new Set(names)].join(', ')}`);
}

/** What is put out before anybody comes, for paper. */
export function setupSheetOf(
  library: Library,
  plan: Plan,
  block: number,
  room: Room,
  takers: readonly OneOf[],
  out: { readonly sharing: Sharing; readonly putOut: readonly Given[] },
  floor: FloorPlan,
  group: string | null,
  on: string,
): SetupSheet {
  return {
    title: plan.title,
    who: whoWords(takers, group, room),
    out:
      out.putOut.length === 0
        ? ['Nothing: the floor is enough.']
        : out.putOut.map(
            (given) =>
              `${equipmentOf(given.what).shelf === 'fixed' ? 'keep clear: ' : ''}${givenWords(room, given)}`,
          ),
    standIns: out.putOut.flatMap((given) => {
      const { name, standIn, never } = equipmentOf(given.what);
      return standIn ? [`${name}: ${standIn}. ${never ?? ''}`.trim()] : [];
    }),
    inReach: inReach(takers, on),
    fits: fitWords(out.sharing),
    floor: {
      length: room.lengthMetres,
      width: room.widthMetres,
      places: floor.places,
      says: floor.says,
    },
    stations: plan.blocks[block]!.stations.map((station, s) => ({
      number: String(s + 1),
      name: library.move(station.move)?.name ?? station.move,
      rows: formsForEach(library, room, out.sharing.shared, s, takers).map((row) => [
        { text: row.form, bold: true },
        { text: `${row.things ? `, ${row.things}` : ''}: ${row.who}` },
        ...(row.changed ? [{ text: '(not enough for all: changed)', bold: true }] : []),
      ]),
    })),
  };
}
