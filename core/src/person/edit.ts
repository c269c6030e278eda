import { DEMANDS, type DemandKey, type FormRef } from '../move/index.ts';
import { dayWords } from './age.ts';
import { type Assessment, followUp, testCard } from './assess.ts';
import { BODY, BODY_PLACES, type BodyPlace, spare } from './body.ts';
import { CONDITIONS, type ConditionId, compileCondition } from './conditions.ts';
import type { HealthAsk } from './courses.ts';
import { FLOORS, type Limit, type Side } from './limits.ts';
import type { LogEntry, Person, Placement } from './person.ts';
import type { Clearance, Override, Screening, Stop } from './screening.ts';

type Held = Person['conditions'][number];

/** When an edit is made: a time for the log, and the day it falls on where the trainer is. */
export interface When {
  readonly at: string;
  readonly day: string;
}

function logged(person: Person, when: When, what: LogEntry['what'], says: string, why = ''): Person {
  return { ...person, log: [...person.log, { at: when.at, what, says, why }] };
}

const sideWords = (side: Side) => (side === 'both' ? '' : `, ${side}`);

/** How much at the most, in the words of its scale: "up to 95°", "up to level 2 of 4". */
function mostWords(on: DemandKey, max: number): string {
  const { says, unit } = DEMANDS[on];
  if (max === 0) return `no ${says.replace(/^(?:the|an?) /, '')}`;
  const scale = /^(level |class |)\d+–(\d+)$/.exec(unit);
  if (scale) return `${says} up to ${scale[1]}${max} of ${scale[2]}`;
  if (unit === '°') return `${says} up to ${max}°`;
  if (unit === 'share of time') return `${says} up to ${Math.round(max * 100)} % of the time`;
  return `${says} up to ${max} ${unit}`;
}

/** A limit in words, for lists and the log: "pressure on the kneecap up to level 1 of 3, right". */
export function limitWords(limit: Limit): string {
  const side = sideWords(limit.side);
  switch (limit.kind) {
    case 'cap':
      return `${mostWords(limit.on, limit.max)}${side}`;
    case 'ban':
      return `no ${limit.pattern}`;
    case 'require':
      return `something to hold from balance ${limit.supportAboveBalance} up`;
    case 'floor':
      return `at least ${limit.seconds} s ${FLOORS[limit.what]}`;
    case 'budget':
      return `at most ${limit.max} ${DEMANDS[limit.on].says} a ${limit.per}`;
    case 'effort':
      return `effort up to ${limit.maxRpe} of 10`;
  }
}

export function addCondition(
  person: Person,
  condition: { id: ConditionId; side?: Side; since?: string; until?: string },
  when: When,
  why = '',
): Person {
  const held = { side: 'both' as const, ...condition };
  const others = person.conditions.filter((c) => c.id !== held.id || c.side !== held.side);
  const name = `${CONDITIONS[held.id].name}${sideWords(held.side)}`;
  const next = { ...person, conditions: [...others, held], healthChangedOn: changedHealth(person, when) };
  return logged(next, when, 'condition', `Added ${name}`, why);
}

/** The day a condition began, or a child is due. */
export function datedCondition(
  person: Person,
  held: Pick<Held, 'id' | 'side'>,
  days: { since?: string | undefined; due?: string | undefined },
  when: When,
): Person {
  const conditions = person.conditions.map((c) =>
    c.id === held.id && c.side === held.side ? { ...c, ...days } : c,
  );
  const [day] = Object.values(days);
  const says = `${CONDITIONS[held.id].name}: ${day ? dayWords(day) : 'no date'}`;
  return logged({ ...person, conditions }, when, 'condition', says);
}

/** A condition becomes its next phase, since somebody said so; what was eased of the old one goes with it. */
export function movedOn(person: Person, ask: HealthAsk, when: When): Person {
  if (ask.to === null) return person;
  const held = person.conditions.find((c) => c.id === ask.id && c.side === ask.side);
  if (!held) return person;
  const { due, since, ...rest } = held;
  // A birth begins where the pregnancy ended, on a day that is asked for next.
  const days = ask.to.startsWith('pregnancy') ? { due } : due === undefined ? { since } : {};
  const next = {
    ...person,
    conditions: [...person.conditions.filter((c) => c !== held), { ...rest, ...days, id: ask.to }],
    loosened: person.loosened.filter((l) => !l.limit.startsWith(`${ask.id}/`)),
    healthChangedOn: changedHealth(person, when),
  };
  return logged(
    next,
    when,
    'condition',
    `${CONDITIONS[ask.id].name} moves on: ${CONDITIONS[ask.to].name}`,
    ask.says,
  );
}

/** A condition taken away loosens all that it set, so that it needs a reason. */
export function removeCondition(
  person: Person,
  id: ConditionId,
  side: Side,
  when: When,
  why: string,
): Person {
  const next = {
    ...person,
    conditions: person.conditions.filter((c) => c.id !== id || c.side !== side),
    loosened: person.loosened.filter((l) => !l.limit.startsWith(`${id}/`)),
  };
  return logged(next, when, 'condition', `Took away ${CONDITIONS[id].name}${sideWords(side)}`, why);
}

/** After the questions were asked, a new condition is a change of health. */
function changedHealth(person: Person, when: When): string | undefined {
  return person.screening && person.screening.on < when.day ? when.day : person.healthChangedOn;
}

export function addLimit(person: Person, limit: Limit, when: When): Person {
  const next = { ...person, limits: [...person.limits.filter((l) => l.id !== limit.id), limit] };
  return logged(next, when, 'limit', `Added: ${limitWords(limit)}`, limit.reason);
}

/** The limits that spare a place somebody points at. */
export function addSore(
  person: Person,
  place: BodyPlace,
  side: Side,
  when: When,
  how: { source: 'person' | 'trainer' | 'clinician'; until?: string },
): Person {
  const limits = spare(place, side, { ...how, acute: false, prefix: 'sore' });
  const ids = new Set(limits.map((l) => l.id));
  const next = { ...person, limits: [...person.limits.filter((l) => !ids.has(l.id)), ...limits] };
  return logged(next, when, 'limit', sparesWords(place, BODY[place].sided ? side : 'both'));
}

/** The log's words when a place began to be spared; by them its day is found again. */
const sparesWords = (place: BodyPlace, side: Side) =>
  `Spares the ${BODY[place].name.toLowerCase()}${sideWords(side)}`;

/** A place that somebody spares. */
export interface SorePlace {
  readonly place: BodyPlace;
  readonly side: Side;
  /** A clinic said so. */
  readonly clinic: boolean;
  /** When it last began, as a time; null where their log doesn't tell. */
  readonly at: string | null;
}

const isSore = (limit: Limit, place: BodyPlace, side: Side): boolean =>
  limit.id.startsWith(`sore/${place}/`) && limit.side === side;

/** The places that somebody spares until further notice, each with its side. */
export const sorePlaces = (person: Person): SorePlace[] =>
  BODY_PLACES.flatMap((place) =>
    (['left', 'right', 'both'] as const).flatMap((side): SorePlace[] => {
      const limits = person.limits.filter((limit) => isSore(limit, place, side));
      if (limits.length === 0) return [];
      const says = sparesWords(place, side);
      const at = person.log.findLast((entry) => entry.says === says)?.at ?? null;
      return [{ place, side, clinic: limits.some((limit) => limit.source === 'clinician'), at }];
    }),
  );

/** A place is no longer spared; all the limits that it was spared by go, each with the reason. */
export const letSoreGo = (person: Person, place: BodyPlace, side: Side, when: When, why: string): Person =>
  person.limits
    .filter((limit) => isSore(limit, place, side))
    .reduce((made, limit) => removeLimit(made, limit.id, when, why), person);

/** One's own limit taken away or eased; what a condition set is loosened by {@link loosenLimit}. */
export function removeLimit(person: Person, id: string, when: When, why: string): Person {
  const limit = person.limits.find((l) => l.id === id);
  if (!limit) return person;
  const next = { ...person, limits: person.limits.filter((l) => l.id !== id) };
  return logged(next, when, 'limit', `Took away: ${limitWords(limit)}`, why);
}

/** A condition's limit eased (a cap) or put aside, with who allowed it and why. */
export function loosenLimit(
  person: Person,
  limit: Limit,
  how: { max?: number; by: string; why: string },
  when: When,
): Person {
  const { max, by, why } = how;
  const next = {
    ...person,
    loosened: [
      ...person.loosened.filter((l) => l.limit !== limit.id),
      { limit: limit.id, ...(max === undefined ? {} : { max }), by, why, on: when.day },
    ],
  };
  const to = max === undefined ? 'put aside' : `eased to ${max}`;
  return logged(next, when, 'limit', `${limitWords(limit)}: ${to}, allowed by ${by}`, why);
}

export function tightenAgain(person: Person, limit: string, when: When): Person {
  const next = { ...person, loosened: person.loosened.filter((l) => l.limit !== limit) };
  return logged(next, when, 'limit', `Holds again: ${limit}`);
}

export function screened(person: Person, screening: Screening, when: When): Person {
  const { healthChangedOn: _, override: __, ...rest } = person;
  const says =
    screening.of === 'adult'
      ? `Screened: ${screening.regular ? 'regular' : 'not regular'}, ${screening.disease ? 'known disease' : 'no known disease'}, ${screening.symptoms.length === 0 ? 'no signs' : `${screening.symptoms.length} signs`}`
      : `Screened with ${screening.consentBy || 'nobody’s consent yet'}`;
  return logged({ ...rest, screening }, when, 'screening', says);
}

/** A stop sign in a run goes into the file of whoever had it, once; what was done about it may come later. */
export function stoppedIn(
  person: Person,
  stop: { run: string; on: string; sign: string; note: string },
  when: When,
): Person {
  const known = person.stops?.find((one) => one.run === stop.run && one.sign === stop.sign);
  if (known && (known.note === stop.note || stop.note === '')) return person;
  const stops = known
    ? person.stops!.map((one) => (one === known ? { ...one, note: stop.note } : one))
    : [...(person.stops ?? []), stop];
  const next = { ...person, stops, healthChangedOn: changedHealth(person, when) };
  return logged(next, when, 'screening', `Stopped: ${stop.sign}`, stop.note);
}

/** A stop is closed with who said what; until then nobody trains on. */
export function stopClosed(
  person: Person,
  stop: Stop,
  how: { by: string; says: string },
  when: When,
): Person {
  const stops = (person.stops ?? []).map((one) =>
    one.run === stop.run && one.sign === stop.sign ? { ...one, closed: { on: when.day, ...how } } : one,
  );
  return logged({ ...person, stops }, when, 'clearance', `May go on after ${stop.sign}: ${how.by}`, how.says);
}

export function clearedWith(person: Person, clearance: Clearance, when: When): Person {
  return logged(
    { ...person, clearance },
    when,
    'clearance',
    `Cleared by ${clearance.by} on ${dayWords(clearance.on)}`,
    clearance.says,
  );
}

export function overriddenBy(person: Person, override: Override, when: When): Person {
  return logged(
    { ...person, override },
    when,
    'clearance',
    `${override.by} goes ahead without`,
    override.reason,
  );
}

/** The rung somebody owns on a ladder, in place of what was known there before. */
export function place(
  person: Person,
  placement: Omit<Placement, 'on'> & { on?: string },
  name: string,
  when: When,
): Person {
  const full: Placement = { on: when.day, ...placement };
  const next = {
    ...person,
    placements: [...person.placements.filter((p) => p.ladder !== full.ladder), full],
  };
  return logged(next, when, 'placement', `Owns ${name}, ${full.evidence}`);
}

export function unplace(person: Person, ladder: string, name: string, when: When): Person {
  const next = { ...person, placements: person.placements.filter((p) => p.ladder !== ladder) };
  return logged(next, when, 'placement', `Place on ${name} taken away`);
}

/** Keeps a test's result, and the rung it shows where it shows one. */
export function assessed(
  person: Person,
  assessment: Assessment,
  when: When,
  formName: (form: FormRef) => string,
): Person {
  const next: Person = {
    ...person,
    assessments: [...person.assessments.filter((a) => a.id !== assessment.id), assessment],
  };
  const { placement } = followUp(assessment);
  return placement
    ? place(next, { ...placement, evidence: 'assessed', on: assessment.on }, formName(placement.rung), when)
    : logged(next, when, 'placement', `${testCard(assessment.test).name}: ${assessment.value}`);
}

/** Every limit a condition sets for somebody, with how it has been loosened if it has. */
export function conditionLimits(person: Person, id: ConditionId, side: Side) {
  return compileCondition(id, side).map((limit) => ({
    limit,
    loosened: [...person.loosened].reverse().find((l) => l.limit === limit.id) ?? null,
  }));
}
