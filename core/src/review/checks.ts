import type { FormRef } from '../move/index.ts';
import { entriesOf, factsIn, traitsOf } from '../session/index.ts';
import type { Check, Checked, Context, Finding } from './check.ts';
import { coolDownThere, jointNotWarm, noLegs, noPull, noPush, warmUpThere } from './checks-parts.ts';
import { drinkNeeded, restOfTheirOwn, restTooShort, showingTakesTime, workToRest } from './checks-rests.ts';
import { downAndUp, hardOnesAdjacent, landings, sameJoint, sameMuscles } from './checks-running.ts';
import {
  formatHolds,
  holdsTooLong,
  lengthFits,
  manyNewMoves,
  minuteOverfull,
  noEasierForm,
  noForm,
  noStations,
  sidesDiffer,
  thingsShort,
} from './checks-whole.ts';

/** What is looked at in every session; what is found stands in this order where it is as bad. */
const CHECKS: readonly Check[] = [
  noForm,
  formatHolds,
  minuteOverfull,
  noStations,
  lengthFits,
  restTooShort,
  restOfTheirOwn,
  sidesDiffer,
  sameJoint,
  sameMuscles,
  hardOnesAdjacent,
  downAndUp,
  landings,
  noEasierForm,
  workToRest,
  showingTakesTime,
  holdsTooLong,
  warmUpThere,
  jointNotWarm,
  coolDownThere,
  drinkNeeded,
  noPull,
  noPush,
  noLegs,
  manyNewMoves,
  thingsShort,
];

/** Every check's stable id. */
export const CHECK_IDS: readonly string[] = CHECKS.map((one) => one.id);

const WORST = { stop: 0, mend: 1, note: 2 } as const;

/** Findings on one version, worst first; those the trainer let stand come last, with the reason. */
export function check(subject: Checked): Finding[] {
  const { library, session } = subject;
  const entries = entriesOf(session.blocks);
  const first: number[][] = session.blocks.map(() => []);
  entries.forEach((entry, i) => {
    if (entry.part === 0) first[entry.block]![entry.inBlock] ??= i;
  });
  const formAt = (b: number, station: number): FormRef => {
    const at = first[b]![station]!;
    return subject.version.uses[at] ?? entries[at]!;
  };
  const context: Context = {
    ...subject,
    facts: factsIn(library),
    entries,
    first,
    formAt,
    traits: (b, station) => traitsOf(library, formAt(b, station)),
    name: (b, station) => {
      const { move } = formAt(b, station);
      return library.move(move)?.name ?? move;
    },
  };
  return CHECKS.flatMap((one) => one.find(context).map((raw) => ({ one, raw })))
    .map(({ one, raw }): Finding => {
      const block = raw.block === null ? null : session.blocks[raw.block]!;
      const at = [block?.id, raw.station === null ? null : block?.stations[raw.station]?.id]
        .filter(Boolean)
        .join('/');
      const why =
        session.accepted?.find((a) => (a.check === one.id || one.was?.includes(a.check)) && a.at === at)
          ?.why ?? null;
      // What no plan may go on with can't be waved through.
      return { ...raw, check: one.id, at, accepted: raw.severity === 'stop' ? null : why };
    })
    .sort(
      (a, b) =>
        Number(a.accepted !== null) - Number(b.accepted !== null) || WORST[a.severity] - WORST[b.severity],
    );
}
