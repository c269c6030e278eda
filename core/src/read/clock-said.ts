import { FORMATS, type Format, type FormatKind, oneSlot } from '../clock/index.ts';
import type { Dose } from '../session/index.ts';
import { clamp, type Draft, doseOf, restsBetween, within } from './draft.ts';
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
function lastOf<K extends Fact['is']>(said: Said, is: K): Extract<Fact, { is: K }> | undefined {
  return said[is]?.at(-1) as Extract<Fact, { is: K }> | undefined;
}
const allOf = <K extends Fact['is']>(said: Said, is: K) => (said[is] ?? []) as Extract<Fact, { is: K }>[];

const isTabata = ({ work, rest }: Extract<Fact, { is: 'interval' }>) =>
  work === FORMATS.tabata.usual.workSeconds && rest === FORMATS.tabata.usual.restSeconds;

/** The rest that a ratio of work to rest comes to, in whole seconds. */
const shareOf = (ratio: Extract<Fact, { is: 'ratio' }> | undefined, work: number | undefined) =>
  ratio && work !== undefined ? Math.round((work * ratio.rest) / ratio.work) : undefined;

/** Minutes of a count that grows, where nobody said. Common practice. */
const GROWS_FOR = 10;

/** As often as this is said of the clock rather than of all the stations: "12 x 45/15". Estimate. */
const FEWEST_BOUTS = 6;

/** The clock that was meant: what was said, and which of its numbers nobody said. */
export function formatOf(block: Draft): { format: Format; assumed: string[]; dose: Dose | null } {
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
  const roundsFact = lastOf(said, 'rounds');
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
    interval?.rest ??
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
    const all = lastOf(said, 'in all seconds')?.seconds;
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
  // "40/20, 4 sets of each before moving on": all of one before the next.
  if (eachOften !== undefined && work !== undefined && kindSaid === undefined && !roundsFact)
    return {
      format: {
        kind: 'sets',
        sets: within('sets', eachOften),
        restSeconds: within('restSeconds', given('restSeconds', interval?.rest ?? rest, 0)),
        stationRestSeconds: within('stationRestSeconds', given('stationRestSeconds', beside ?? roundRest, 0)),
      },
      assumed,
      dose: { seconds: clamp(work, 1, 900) },
    };
  // "4 sets of each, 8 reps, 2 min rest": the same, by counts.
  const byCounts = doses.some((dose) => dose?.reps !== undefined) || blockDose?.reps !== undefined;
  if (eachOften !== undefined && work === undefined && byCounts && kindSaid === undefined && !roundsFact)
    return {
      format: {
        kind: 'sets',
        sets: within('sets', eachOften),
        restSeconds: within('restSeconds', given('restSeconds', roundRest ?? rest, 0)),
        stationRestSeconds: within(
          'stationRestSeconds',
          given('stationRestSeconds', lastOf(said, 'station rest')?.seconds, 0),
        ),
      },
      assumed,
      dose: blockDose,
    };
  // A clock named beside percentages of it is a staggered one.
  let kind: FormatKind | undefined =
    kindSaid?.kind ??
    (lastOf(said, 'per station') ? 'emom' : undefined) ??
    (Object.keys(percents).length > 0 ? 'staggered' : undefined);
  if (steps)
    kind =
      steps.timed || kind === 'pyramid' || steps.from < steps.to || lastOf(said, 'way')
        ? 'pyramid'
        : 'descending';
  if (kind === 'descending' && !steps) kind = undefined;
  // A time to be done by, and no other clock.
  if (kind === undefined && lastOf(said, 'cap') && !interval && work === undefined) kind = 'for time';
  if (levels.length >= 2) {
    const works = levels.flatMap((level) => level.work ?? []);
    const rests = levels.flatMap((level) => level.rest ?? []);
    // The innermost, and of those between the ends the inner one.
    const [inner, middle] = [
      (of: number[]) => of[0]!,
      (of: number[]) => of[Math.floor((of.length - 1) / 2)]!,
    ];
    const sums = new Set(levels.map((level) => (level.work ?? 0) + (level.rest ?? 0)));
    // "30:30, 40:20, 50:10": one slot for all, and each works so much of it.
    const oneLength = works.length === levels.length && rests.length === levels.length && sums.size === 1;
    if (works.length >= 2 && new Set(works).size > 1 && (rests.length === 0 || oneLength)) {
      const sorted = [...works].sort((a, b) => a - b);
      const most = sorted.at(-1)!;
      // "Green 20, yellow 30, red 40, 60 s slots": what is left of the slot is rest for all.
      const long = slotSaid ?? work;
      const left = long !== undefined && long > most ? long - most : undefined;
      const many = turns(most, oneLength ? Math.min(...rests) : given('restSeconds', rest ?? left, 0));
      return done({
        kind: 'staggered',
        ...many,
        innerPercent: within('innerPercent', (100 * inner(sorted)) / most),
        middlePercent: within('middlePercent', (100 * (besideAll ? interval.work : middle(sorted))) / most),
      });
    }
    if (rests.length >= 2) {
      const w = works[0] ?? given('workSeconds', work, FORMATS.staggered.usual.workSeconds);
      const sorted = [...rests].sort((a, b) => b - a);
      const slot = oneSlot(w, inner(sorted), middle(sorted));
      return done({
        ...slot,
        ...turns(slot.workSeconds, slot.restSeconds),
        innerPercent: within('innerPercent', slot.innerPercent),
        middlePercent: within('middlePercent', slot.middlePercent),
      });
    }
  }
  switch (kind) {
    case 'amrap': {
      const length = cap ?? bareTime ?? lastOf(said, 'in all seconds')?.seconds;
      const seconds = given('capSeconds', length, FORMATS.amrap.usual.capSeconds);
      return done({ kind, capSeconds: within('capSeconds', seconds), led });
    }
    case 'emom': {
      const per = lastOf(said, 'per station');
      const between = lastOf(said, 'station rest')?.seconds ?? lastOf(said, 'rest')?.seconds;
      const byStation =
        lastOf(said, 'in turn') === undefined &&
        (per !== undefined || lastOf(said, 'station rest') !== undefined || n === 1);
      const every = formats.find((fact) => fact.every !== undefined)?.every;
      const grow = formats.findLast((fact) => fact.grow !== undefined)?.grow;
      const turn = every ?? 60;
      const minutes =
        formats.find((fact) => fact.n !== undefined)?.n ??
        times?.n ??
        (grow !== undefined && cap !== undefined ? Math.round(cap / turn) : undefined) ??
        (per && per.minutes > 0
          ? per.minutes
          : bareTime !== undefined && bareTime >= turn && bareTime !== every
            ? Math.round(bareTime / turn)
            : undefined);
      const usual = grow !== undefined ? GROWS_FOR : byStation ? 4 : n * (rounds?.n ?? 1);
      return done({
        kind,
        minutes: within('minutes', given('minutes', minutes, usual)),
        order: byStation ? 'station by station' : 'in turn',
        stationRestSeconds: within(
          'stationRestSeconds',
          byStation && n > 1 ? given('stationRestSeconds', between, 0) : 0,
        ),
        leastFillSeconds: FORMATS.emom.usual.leastFillSeconds,
        ...(every === undefined ? {} : { everySeconds: within('everySeconds', every) }),
        ...(grow === undefined ? {} : { growBy: within('growBy', grow) }),
      });
    }
    case 'for time':
      return done({
        kind,
        rounds: within('rounds', kindSaid?.n ?? given('rounds', rounds?.n, 1)),
        ...(cap === undefined ? {} : { capSeconds: within('capSeconds', cap) }),
        led,
      });
    case 'superset': {
      const count = kindSaid!.n ?? sets ?? rounds?.n;
      // "Supersets x 3, 60 s rest": after the pair, unless it was said to lie between the two.
      const bare = lastOf(said, 'rest');
      const after = roundRest === undefined && bare !== undefined && !bare.between && !interval;
      return done({
        kind,
        sets: within('sets', given('sets', count, 1)),
        restSeconds: within('restSeconds', given('restSeconds', after ? undefined : rest, 0)),
        pairRestSeconds: within('pairRestSeconds', given('pairRestSeconds', after ? rest : roundRest, 0)),
      });
    }
    case 'pyramid': {
      const { usual } = FORMATS.pyramid;
      const way = lastOf(said, 'way')?.way ?? steps?.way ?? (steps && steps.from > steps.to ? 'down' : 'up');
      const [low, high] = steps
        ? [Math.min(steps.from, steps.to), Math.max(steps.from, steps.to)]
        : [usual.from, usual.to];
      if (!steps) assumed.push('from', 'by', 'to');
      const hold = lastOf(said, 'step hold')?.seconds;
      return done({
        kind,
        from: within('from', low),
        by: within('by', steps?.by ?? usual.by),
        to: within('to', high),
        way,
        ...(steps?.timed ? { timed: true } : {}),
        holdSeconds: within('holdSeconds', hold ?? 0),
        stepRestSeconds: within('stepRestSeconds', given('stepRestSeconds', rest ?? roundRest, 0)),
      });
    }
    case 'descending': {
      const limit = cap ?? lastOf(said, 'in all seconds')?.seconds;
      return done({
        kind,
        from: within('from', steps!.from),
        by: within('by', steps!.by),
        to: within('to', steps!.to),
        rounds: R(),
        ...(limit === undefined ? {} : { capSeconds: within('capSeconds', limit) }),
      });
    }
    case 'tabata': {
      // Somebody who calls it so and gives other numbers means those.
      if (interval && !isTabata(interval))
        return done({ kind: 'intervals', ...turns(interval.work, interval.rest) });
      const each = lastOf(said, 'bouts each')?.n;
      const count = each === undefined ? (kindSaid?.n ?? rounds?.n) : each * n;
      const bouts = n > 4 ? n : n === 3 ? 9 : 8;
      return done({
        ...FORMATS.tabata.usual,
        bouts: within(
          'bouts',
          given('bouts', count === undefined ? undefined : n > 1 && count < n ? count * n : count, bouts),
        ),
      });
    }
    case 'one-minute':
      if (interval === undefined && rest === undefined) {
        const many = R();
        return done({ kind, rounds: many, roundRestSeconds: Q(many > 1) });
      }
      return done({ kind: 'intervals', ...turns(60, rest ?? 0) });
    case 'rotation':
    case 'progressive':
    case 'staggered': {
      if (work === undefined) break;
      const usual = FORMATS[kind].usual as unknown as Record<string, unknown>;
      const groups = lastOf(said, 'groups')?.n;
      return done({
        ...usual,
        ...(kind === 'rotation' && groups !== undefined ? { groups: within('groups', groups) } : {}),
        ...(kind === 'staggered' ? percents : {}),
        kind,
        ...turns(work, given('restSeconds', rest, 0)),
      } as Format);
    }
  }
  // Twenty on, ten off, eight times: what it is called needn't be said.
  if (interval && isTabata(interval) && rounds?.n === FORMATS.tabata.usual.bouts)
    return done({
      ...FORMATS.tabata.usual,
      bouts: within('bouts', FORMATS.tabata.usual.bouts * Math.ceil(n / FORMATS.tabata.usual.bouts)),
    });
  const counted = doses.filter((dose) => dose?.reps !== undefined || dose?.metres !== undefined).length;
  const timed = doses.filter((dose) => dose?.seconds !== undefined).length;
  const calm = block.role === 'warm-up' || block.role === 'cool-down';
  if (interval || (work !== undefined && !(counted === n && bareTime !== undefined && !lastOf(said, 'rest'))))
    return done({ kind: 'intervals', ...turns(work!, given('restSeconds', rest, 0)) });
  // "3 sets, 45 s between sets, 90 s between exercises": all of one before the next.
  const apart = lastOf(said, 'station rest')?.seconds;
  if (
    !calm &&
    rounds &&
    counted + (blockDose ? 1 : 0) > 0 &&
    apart !== undefined &&
    roundRest !== undefined &&
    apart > roundRest
  )
    return done({
      kind: 'sets',
      sets: within('sets', rounds.n),
      restSeconds: within('restSeconds', roundRest),
      stationRestSeconds: within('stationRestSeconds', apart),
    });
  if (sets !== undefined && !calm) {
    // "5 x 5, rest 2-3 mins": said of one lift it is of all that say nothing; of several the longest.
    const beside = [...rowFacts.flat(), ...block.facts].flatMap((fact) =>
      fact.is === 'rest' || fact.is === 'break' ? [fact.seconds] : [],
    );
    const longest = beside.length > 0 ? Math.max(...beside) : undefined;
    return done({
      kind: 'sets',
      sets: within('sets', sets),
      restSeconds: within(
        'restSeconds',
        given('restSeconds', lastOf(said, 'rest')?.seconds ?? roundRest ?? rest ?? longest, 0),
      ),
      stationRestSeconds: within(
        'stationRestSeconds',
        given(
          'stationRestSeconds',
          lastOf(said, 'station rest')?.seconds ?? (rest === undefined ? undefined : roundRest),
          0,
        ),
      ),
    });
  }
  const all = lastOf(said, 'in all seconds')?.seconds ?? whole;
  // So many minutes for all of a warm-up, in equal shares.
  if (calm && all !== undefined && rounds === undefined && counted + timed === 0)
    return {
      format: { kind: 'flow', restSeconds: 0 },
      assumed,
      dose: { seconds: clamp(Math.floor(all / n), 1, 900) },
    };
  // "20 minutes, share them between you": so many in all, and they are to be done by then.
  if (!calm && all !== undefined && lastOf(said, 'partner') && counted === n)
    return done({ kind: 'for time', rounds: R(), capSeconds: within('capSeconds', all), led });
  // So many minutes for all of a part: round and round till they are over.
  if (!calm && all !== undefined && rounds === undefined && timed === 0)
    return done({ kind: 'amrap', capSeconds: within('capSeconds', all), led });
  if (calm && rounds === undefined)
    return done({ kind: 'flow', restSeconds: within('restSeconds', rest ?? 0) });
  const lengths = [...new Set(doses.map((dose) => dose?.seconds))];
  if (timed === n && block.rows.length > 0 && lengths.length === 1)
    return done({ kind: 'intervals', ...turns(lengths[0]!, given('restSeconds', rest, 0)) });
  if (counted + timed > 0 || blockDose) {
    const many = R();
    // Done in one go, what rest there is comes after the last of them.
    if (inOneGo && roundRest === undefined && rest !== undefined)
      return done({
        kind: 'rounds',
        rounds: many,
        ...mostRounds,
        restSeconds: 0,
        roundRestSeconds: within('roundRestSeconds', rest),
      });
    return done({
      kind: 'rounds',
      rounds: many,
      ...mostRounds,
      restSeconds: within('restSeconds', given('restSeconds', rest, 0)),
      roundRestSeconds: Q(many > 1),
    });
  }
  const { usual } = FORMATS.intervals;
  // Nothing was said of how long: common practice stands in, and says that it does.
  return done({
    kind: 'intervals',
    ...turns(
      given('workSeconds', undefined, usual.workSeconds),
      given('restSeconds', rest, usual.restSeconds),
    ),
  });
}
