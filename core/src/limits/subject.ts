import type { Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { middle } from '../move/index.ts';
import {
  ADULT_FROM,
  abilityFrom,
  effortAgeOf,
  isAgeless,
  knownOn,
  LEVELS,
  type LevelIndex,
  type Limit,
  levelAbility,
  limitSchema,
  outlookOf,
  ownedAlone,
  type Person,
} from '../person/index.ts';
import type { CleanReps, Subject } from './constraints.ts';
import { IMPACT } from './dials.ts';

/** A person as the engine sees them on a day (YYYY-MM-DD): abilities, limits, capacity, dislikes. */
export function subjectOf(recorded: Person, library: Library, day: string): Subject {
  const person = knownOn(recorded, day);
  const newMoves = new Set<string>();
  for (const placement of person.placements) {
    const ladder = library.ladder(placement.ladder);
    const owned = rungDemand(library, placement.rung);
    if (!ladder || !owned) continue;
    for (const rung of ladder.rungs) {
      const demand = rungDemand(library, rung);
      const above = ladder.measures.some((r) => demand && middle(demand[r]) > middle(owned[r]));
      if (above && rung.move !== placement.rung.move) newMoves.add(rung.move);
    }
  }
  const outlook = outlookOf(person, day);
  const clean = person.placements.flatMap(({ rung, clean: reps }): CleanReps[] =>
    reps !== undefined && reps > 0 && library.move(rung.move)?.pace
      ? [{ move: rung.move, surfaceCm: rung.settings?.surfaceCm ?? null, reps }]
      : [],
  );
  const owns = ownedAlone(library, person.placements);
  const young = outlook.age.hi < ADULT_FROM || person.kind === 'child or teenager';
  const plain =
    person.placements.length === 0 &&
    person.conditions.every(({ id }) => id === 'child' || id === 'teenager') &&
    !outlook.limits.some(
      (limit) => limit.kind === 'effort' && limit.source !== 'trainer' && limit.maxRpe < HARD,
    );
  return {
    ability: abilityFrom(library, person.placements, person.assumedLevel),
    ...(owns.length > 0 ? { owns } : {}),
    limits: outlook.limits,
    capacityMet: outlook.capacity.capacity?.likely ?? null,
    ...(isAgeless(person)
      ? {}
      : {
          effortAge: effortAgeOf(outlook.age, person.kind),
        }),
    dislikes: person.dislikes,
    ...(person.never.length > 0 ? { never: person.never } : {}),
    ...(person.likes.length > 0 ? { likes: person.likes } : {}),
    newMoves: [...newMoves].sort(),
    ...(outlook.brings.length > 0 ? { brings: outlook.brings } : {}),
    ...(clean.length > 0 ? { clean } : {}),
    ...(plain ? { assumed: person.assumedLevel } : {}),
    ...(plain && young && person.assumedLevel > 0 ? { keepsUp: true as const } : {}),
  };
}

/** From here on an effort is held back for nobody's health: short sentences. */
const HARD = 8;

/** What a lane keeps to with nobody behind it: the landings and the effort of its level. */
export function laneLimits(level: LevelIndex): Limit[] {
  const { impactMax, effortMax } = LEVELS[level];
  return [
    limitSchema.parse({
      kind: 'cap',
      id: 'lane/impact',
      on: 'impact.class',
      max: impactMax,
      source: 'trainer',
      reason: IMPACT[impactMax].says,
    }),
    limitSchema.parse({
      kind: 'effort',
      id: 'lane/effort',
      maxRpe: effortMax,
      source: 'trainer',
      reason: `up to ${effortMax} of 10 in this lane`,
    }),
  ];
}

/** A lane: a level with nobody behind it; the inner lanes keep to softer landings and less effort. */
export function laneSubject(level: LevelIndex): Subject {
  return {
    ability: levelAbility(level),
    limits: laneLimits(level),
    capacityMet: null,
    effortAge: 'adult',
    dislikes: [],
    newMoves: [],
  };
}
