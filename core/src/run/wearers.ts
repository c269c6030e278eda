import { type Library, rungDemand } from '../ladder/index.ts';
import { middle } from '../move/index.ts';
import { effortOn, outlookOf, type Person, rateTargets } from '../person/index.ts';
import type { RunClock } from './clock.ts';
import { doingOf, type Present } from './people.ts';
import type { Run } from './run.ts';
import { type HeartBand, heartBand, type Wearer } from './strap.ts';

/** Work and rest of a form the library doesn't know, MET. Estimates. */
const MET = { work: 4, rest: 1.8 } as const;
/** Of somebody of whom nothing is known. Estimates. */
const USUAL = { rest: 70, max: 170, capacity: 8 } as const;

/** Everybody of a run as who wears a simulated strap: what their heart is asked, second by second of the planned clock. */
export function wearersOf(
  library: Library,
  run: Run,
  clock: RunClock,
  people: readonly Present[],
  files: readonly Person[],
  day: string,
): Wearer[] {
  return people.map((present) => {
    const file = files.find((p) => p.id === present.id);
    const outlook = file ? outlookOf(file, day) : null;
    const capacity = outlook?.capacity.capacity;
    const met = clock.stretches.map(({ segment }) => {
      const [first] = segment.does;
      if ((segment.kind !== 'work' && segment.kind !== 'hold') || !first) return MET.rest;
      const { does } = doingOf(run, present, first.entry);
      const demand = does && rungDemand(library, does);
      return does === null ? MET.rest : demand ? middle(demand['effort.met']) : MET.work;
    });
    const ends: number[] = [];
    for (const { seconds } of clock.stretches) ends.push((ends.at(-1) ?? 0) + seconds);
    return {
      id: present.id,
      restBpm: file?.restingRate ?? USUAL.rest,
      maxBpm: (outlook && rateTargets(outlook.age, file?.sex, file?.restingRate, false)[0]?.max) ?? USUAL.max,
      capacityMet: capacity?.likely ?? USUAL.capacity,
      metAt: (seconds: number) => {
        const at = ends.findIndex((end) => seconds < end);
        return at < 0 ? MET.rest : met[at]!;
      },
    };
  });
}

/** Everybody's band on a day, by id; nobody is in it who has no target. */
export function bandsOf(files: readonly Person[], day: string): ReadonlyMap<string, HeartBand> {
  return new Map(
    files.flatMap((file) => {
      const outlook = outlookOf(file, day);
      const targets = rateTargets(outlook.age, file.sex, file.restingRate, outlook.byWords);
      const band = heartBand(targets, effortOn(outlook));
      return band ? [[file.id, band] as const] : [];
    }),
  );
}
