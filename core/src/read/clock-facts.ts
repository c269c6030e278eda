import { FORMATS, type Format } from '../clock/index.ts';
import type { Dose } from '../session/index.ts';
import { type Draft, doseOf, restsBetween, within } from './draft.ts';
import type { Fact } from './facts.ts';
import { LEAST_SESSION } from './line-words.ts';

/** The rest that stands beside every station, as in a column of its own; what most say, and of as many the longest. */
function restBesideEach(rowFacts: readonly (readonly Fact[])[], closes = false): number | undefined {
  const rests = rowFacts.map((facts) => facts.flatMap((fact) => (fact.is === 'rest' ? [fact.seconds] : [])));
  // Behind the last it may have been said with how often.
  const asked = closes ? rests.slice(0, -1) : rests;
  // "…, rest 10, then …": behind the last there may be none.
  const last = asked.length > 2 && asked.at(-1)!.length === 0 ? asked.slice(0, -1) : asked;
  if (last.length === 0 || last.some((said) => said.length === 0)) return undefined;
  const all = last.flat();
  const often = (seconds: number) => all.filter((one) => one === seconds).length;
  return all.reduce((best, one) =>
    often(one) > often(best) || (often(one) === often(best) && one > best) ? one : best,
  );
}
/** The rest beside the last station alone: it comes before they go round again. */
function restBesideLast(rowFacts: readonly (readonly Fact[])[]): number | undefined {
  const rests = rowFacts.map((facts) => facts.find((fact) => fact.is === 'rest'));
  const last = rests.at(-1);
  return rests.length > 1 && last && rests.filter(Boolean).length === 1 ? last.seconds : undefined;
}
type SetsOf = Extract<Fact, { is: 'sets of' }>;
/** The number of sets that most lines say, the first of several said as often. */
function mostOften(all: readonly SetsOf[]): SetsOf | undefined {
  const often = (n: number) => all.filter((one) => one.sets === n).length;
  return all.reduce<SetsOf | undefined>(
    (best, one) => (best && often(best.sets) >= often(one.sets) ? best : one),
    undefined,
  );
}
type Said = Partial<Record<Fact['is'], Fact[]>>;
export function lastOf<K extends Fact['is']>(said: Said, is: K): Extract<Fact, { is: K }> | undefined {
  return said[is]?.at(-1) as Extract<Fact, { is: K }> | undefined;
}
const allOf = <K extends Fact['is']>(said: Said, is: K) => (said[is] ?? []) as Extract<Fact, { is: K }>[];

export const isTabata = ({ work, rest }: Extract<Fact, { is: 'interval' }>) =>
  work === FORMATS.tabata.usual.workSeconds && rest === FORMATS.tabata.usual.restSeconds;

/** The rest that a ratio of work to rest comes to, in whole seconds. */
const shareOf = (ratio: Extract<Fact, { is: 'ratio' }> | undefined, work: number | undefined) =>
  ratio && work !== undefined ? Math.round((work * ratio.rest) / ratio.work) : undefined;

/** A clock, which of its numbers nobody said, and how much of each station where that was said of all. */
export interface Made {
  readonly format: Format;
  readonly assumed: string[];
  readonly dose: Dose | null;
}

/** Minutes of a count that grows, where nobody said. Common practice. */
export const GROWS_FOR = 10;

/** As often as this is said of the clock rather than of all the stations: "12 x 45/15". Estimate. */
const FEWEST_BOUTS = 6;

/**
 * What a block says of its clock, by kinds of fact, with what follows from several of them together. Seconds throughout;
 * `given` takes what was said, or says that it is assumed.
 */
export function clockFactsOf(block: Draft) {
  const said: Said = {};
  for (const fact of block.facts) said[fact.is] = [...(said[fact.is] ?? []), fact];
  const rowFacts = block.rows.map((row) => row.parts.flatMap((part) => part.facts));
  const doses = block.rows.map((row) => doseOf(row.parts[0]!.facts));
  const n = Math.max(1, block.rows.length);
  const assumed: string[] = [];
  const given = <T>(field: string, value: T | undefined, otherwise: T): T => {
    if (value !== undefined) return value;
    assumed.push(field);
    return otherwise;
  };
  const interval = lastOf(said, 'interval');
  const formats = allOf(said, 'format');
  const kindSaid = formats[0];
  const times = lastOf(said, 'times');
  const saidRounds = lastOf(said, 'rounds');
  // "15 mins: 1 min each": so long beside a shorter time is for all of it.
  const worksSaid = allOf(said, 'work');
  const longest = worksSaid.length > 1 ? Math.max(...worksSaid.map(({ seconds }) => seconds)) : 0;
  const allSaid =
    lastOf(said, 'in all seconds')?.seconds ??
    (longest >= LEAST_SESSION && lastOf(said, 'work')!.seconds < longest ? longest : undefined);
  // "…, then repeat": as often as goes into all of it.
  const roundsFact = saidRounds?.bare && allSaid !== undefined ? undefined : saidRounds;
  const inOneGo = lastOf(said, 'in one go');
  const setsSaid = lastOf(said, 'sets of')?.sets;
  const calmOften =
    (block.role === 'warm-up' || block.role === 'cool-down') && n > 1 && (setsSaid ?? 1) > 1
      ? setsSaid
      : undefined;
  const rounds =
    roundsFact ??
    times ??
    lastOf(said, 'bouts each') ??
    // "30 s work, 10 s rest, 3 sets": a clock has rounds.
    (interval ? lastOf(said, 'sets') : undefined) ??
    // "2 x 10 of each" of a warm-up is twice through.
    (calmOften === undefined ? undefined : { n: calmOften }) ??
    (inOneGo?.n === undefined ? undefined : { n: inOneGo.n }) ??
    (interval?.often === undefined ? undefined : { n: interval.often });
  const bareTime = lastOf(said, 'work')?.seconds;
  // Nothing is done for as long as a session at each of several stations: it is for all of them.
  const whole = !interval && n > 1 && (bareTime ?? 0) >= LEAST_SESSION ? bareTime : undefined;
  const work = interval?.work ?? (whole === undefined ? bareTime : undefined);
  const slotSaid = lastOf(said, 'slot')?.seconds;
  // "No rest, … rest 1 min. x5": the one between stations, the other behind a round.
  const bareRests = allOf(said, 'rest').filter((fact) => fact.between === undefined);
  const noneThenOne = bareRests.some((fact) => fact.seconds === 0) && (bareRests.at(-1)?.seconds ?? 0) > 0;
  const rest =
    // One works while the other rests, who then change over: as long as the work.
    (interval?.rest === 0 && lastOf(said, 'partner') ? interval.work : interval?.rest) ??
    (noneThenOne ? 0 : lastOf(said, 'rest')?.seconds) ??
    roundsFact?.gap ??
    (allOf(said, 'format')[0]?.kind === 'emom' ? undefined : lastOf(said, 'station rest')?.seconds) ??
    (lastOf(said, 'partner') ? work : undefined) ??
    shareOf(lastOf(said, 'ratio'), work) ??
    (restsBetween(block) ? block.breaks[0]!.seconds : undefined) ??
    (slotSaid !== undefined && work !== undefined && work < slotSaid ? slotSaid - work : undefined) ??
    restBesideEach(rowFacts, roundsFact?.rest !== undefined && rowFacts.length > 1);
  const roundRest =
    lastOf(said, 'round rest')?.seconds ??
    (noneThenOne ? bareRests.at(-1)!.seconds : undefined) ??
    allOf(said, 'rounds').findLast((fact) => fact.rest !== undefined)?.rest ??
    lastOf(said, 'part rest')?.seconds ??
    ((rounds?.n ?? 1) > 1 ? restBesideLast(rowFacts) : undefined);
  // "5-4-3-2-1 workout" over five movements with those counts: each has its own.
  const counts = doses.flatMap((dose) => dose?.reps ?? []);
  const ownCounts = counts.length >= 3 && new Set(counts).size >= 3;
  const steps = ownCounts ? undefined : lastOf(said, 'steps');
  const cap = lastOf(said, 'cap')?.seconds ?? kindSaid?.seconds;
  const setsOf =
    lastOf(said, 'sets of') ??
    mostOften(rowFacts.flat().flatMap((fact) => (fact.is === 'sets of' ? [fact] : [])));
  // One line of several that says how often is of itself alone.
  const withSets = rowFacts.filter((facts) => facts.some((fact) => fact.is === 'sets of')).length;
  const ofAll =
    lastOf(said, 'sets of') !== undefined ||
    (withSets * 2 >= rowFacts.length && (rowFacts.length !== 2 || withSets === 2));
  const sets = lastOf(said, 'sets')?.n ?? (setsOf === undefined ? undefined : ofAll ? setsOf.sets : 1);
  const saidOf = allOf(said, 'level');
  // "40/20, beginners 30/30": who isn't named works by the clock of all.
  const besideAll = saidOf.length === 1 && interval !== undefined && saidOf[0]!.work !== null;
  const levels = besideAll
    ? [...saidOf, { is: 'level' as const, work: interval.work, rest: interval.rest }]
    : saidOf;
  const led = lastOf(said, 'led') !== undefined;
  const percents = Object.fromEntries(
    allOf(said, 'percent').map((fact) => [`${fact.of}Percent`, within('innerPercent', fact.percent)]),
  );
  const blockDose: Dose | null = doseOf(block.facts.filter((fact) => ['sets of', 'reps'].includes(fact.is)));
  const R = () => within('rounds', given('rounds', rounds?.n, 1));
  const Q = (many: boolean) =>
    within('roundRestSeconds', many ? given('roundRestSeconds', roundRest, 0) : (roundRest ?? 0));
  const mostRounds =
    roundsFact?.most !== undefined ? { mostRounds: within('mostRounds', roundsFact.most) } : {};
  // Where the count climbs or falls it is the clock's.
  const climbs = steps !== undefined || kindSaid?.kind === 'pyramid';
  const done = (format: Format) => ({ format, assumed, dose: climbs ? null : blockDose });
  const turns = (w: number, r: number) => {
    const all = allSaid;
    // So long in all: as many rounds as go into it.
    const fit = all === undefined || rounds ? undefined : Math.max(1, Math.round(all / (n * (w + r))));
    // "12 x 45/15" over twelve stations, or six: so many turns of the clock, and nobody does twelve times round.
    // "30/30 x 10" over ten stations as well.
    const once = !roundsFact && times?.n === n && n >= FEWEST_BOUTS;
    const turned = once ? n : roundsFact || times ? 0 : (interval?.often ?? 0);
    const bouts = turned >= FEWEST_BOUTS && n > 1 && turned % n === 0 ? turned / n : null;
    const many =
      bouts !== null
        ? within('rounds', given('rounds', undefined, bouts))
        : fit === undefined
          ? R()
          : within('rounds', fit);
    return {
      workSeconds: within('workSeconds', w),
      restSeconds: within('restSeconds', r),
      rounds: many,
      ...mostRounds,
      roundRestSeconds: Q(many > 1),
      closingRest: false,
    };
  };
  // "3 minutes on each, 30 on, 30 off": so many bouts of each.
  const turn = interval ? interval.work + interval.rest : 0;
  const longer =
    interval &&
    bareTime !== undefined &&
    !rounds &&
    bareTime < LEAST_SESSION &&
    bareTime >= 2 * turn &&
    bareTime % turn === 0;
  const eachOften = lastOf(said, 'bouts each')?.n ?? (longer && n > 1 ? bareTime / turn : undefined);
  const beside =
    lastOf(said, 'station rest')?.seconds ?? allOf(said, 'rest').find((one) => one.between)?.seconds;
  return {
    block,
    said,
    rowFacts,
    doses,
    n,
    assumed,
    given,
    interval,
    formats,
    kindSaid,
    times,
    roundsFact,
    inOneGo,
    rounds,
    bareTime,
    whole,
    work,
    slotSaid,
    rest,
    roundRest,
    counts,
    steps,
    cap,
    sets,
    besideAll,
    levels,
    led,
    percents,
    blockDose,
    R,
    Q,
    mostRounds,
    done,
    turns,
    turn,
    eachOften,
    beside,
  };
}
export type ClockSaid = ReturnType<typeof clockFactsOf>;
