import { FORMATS, type Format, type FormatKind, oneSlot } from '../clock/index.ts';
import { MOST_OF } from '../session/index.ts';
import { type ClockSaid, clockFactsOf, GROWS_FOR, isTabata, lastOf, type Made } from './clock-facts.ts';
import { clamp, type Draft, within } from './draft.ts';

/** All of one before the next: "40/20, 4 sets of each before moving on". */
function eachInTurn({
  said,
  doses,
  assumed,
  given,
  interval,
  kindSaid,
  roundsFact,
  work,
  rest,
  roundRest,
  blockDose,
  eachOften,
  beside,
}: ClockSaid): Made | null {
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
      dose: { seconds: clamp(work, 1, MOST_OF.seconds) },
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
  return null;
}

/** What kind of clock it is, where that was said. */
function kindOf({
  said,
  interval,
  kindSaid,
  work,
  rest,
  counts,
  cap,
  steps,
  percents,
}: ClockSaid): FormatKind | undefined {
  // "3 mins each, as many reps as possible, 30 s to change": so many as go into the work of each.
  const asManyInEach =
    kindSaid?.kind === 'amrap' &&
    cap === undefined &&
    counts.length === 0 &&
    (interval !== undefined || (work !== undefined && (rest ?? 0) > 0));
  // A clock named beside percentages of it is a staggered one.
  let kind: FormatKind | undefined =
    (asManyInEach ? undefined : kindSaid?.kind) ??
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
  return kind;
}

/** Several levels of ability in one clock. */
function byLevels({
  given,
  interval,
  work,
  slotSaid,
  rest,
  besideAll,
  levels,
  done,
  turns,
}: ClockSaid): Made | null {
  if (levels.length < 2) return null;
  const works = levels.flatMap((level) => level.work ?? []);
  const rests = levels.flatMap((level) => level.rest ?? []);
  // The innermost, and of those between the ends the inner one.
  const [inner, middle] = [(of: number[]) => of[0]!, (of: number[]) => of[Math.floor((of.length - 1) / 2)]!];
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
      middlePercent: within(
        'middlePercent',
        (100 * (besideAll ? (interval?.work ?? most) : middle(sorted))) / most,
      ),
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

  return null;
}

function amrapOf({ said, given, bareTime, cap, led, done }: ClockSaid): Made {
  const length = cap ?? bareTime ?? lastOf(said, 'in all seconds')?.seconds;
  const seconds = given('capSeconds', length, FORMATS.amrap.usual.capSeconds);
  return done({ kind: 'amrap', capSeconds: within('capSeconds', seconds), led });
}

function emomOf({ said, n, given, formats, times, rounds, bareTime, cap, done }: ClockSaid): Made {
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
    kind: 'emom',
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

function forTimeOf({ given, kindSaid, rounds, cap, led, done }: ClockSaid): Made {
  return done({
    kind: 'for time',
    rounds: within('rounds', kindSaid?.n ?? given('rounds', rounds?.n, 1)),
    ...(cap === undefined ? {} : { capSeconds: within('capSeconds', cap) }),
    led,
  });
}

function supersetOf({
  said,
  given,
  interval,
  kindSaid,
  rounds,
  rest,
  roundRest,
  sets,
  done,
}: ClockSaid): Made {
  const count = kindSaid!.n ?? sets ?? rounds?.n;
  // "Supersets x 3, 60 s rest": after the pair, unless it was said to lie between the two.
  const bare = lastOf(said, 'rest');
  const after = roundRest === undefined && bare !== undefined && !bare.between && !interval;
  return done({
    kind: 'superset',
    sets: within('sets', given('sets', count, 1)),
    restSeconds: within('restSeconds', given('restSeconds', after ? undefined : rest, 0)),
    pairRestSeconds: within('pairRestSeconds', given('pairRestSeconds', after ? rest : roundRest, 0)),
  });
}

/** Nobody does anything for less, in seconds. Estimate. */
const LEAST_TIMED = 5;
function pyramidOf({ said, assumed, given, kindSaid, rest, roundRest, steps, done }: ClockSaid): Made {
  const { usual } = FORMATS.pyramid;
  const way = lastOf(said, 'way')?.way ?? steps?.way ?? (steps && steps.from > steps.to ? 'down' : 'up');
  const [low, high] = steps
    ? [Math.min(steps.from, steps.to), Math.max(steps.from, steps.to)]
    : [usual.from, usual.to];
  if (!steps) assumed.push('from', 'by', 'to');
  const hold = lastOf(said, 'step hold')?.seconds;
  return done({
    kind: 'pyramid',
    from: within('from', low),
    by: within('by', steps?.by ?? usual.by),
    to: within('to', high),
    way,
    ...(steps?.timed || (kindSaid?.timed && low >= LEAST_TIMED) ? { timed: true } : {}),
    holdSeconds: within('holdSeconds', hold ?? 0),
    stepRestSeconds: within('stepRestSeconds', given('stepRestSeconds', rest ?? roundRest, 0)),
  });
}

function descendingOf({ said, steps, cap, R, done }: ClockSaid): Made {
  const limit = cap ?? lastOf(said, 'in all seconds')?.seconds;
  return done({
    kind: 'descending',
    from: within('from', steps!.from),
    by: within('by', steps!.by),
    to: within('to', steps!.to),
    rounds: R(),
    ...(limit === undefined ? {} : { capSeconds: within('capSeconds', limit) }),
  });
}

function tabataOf({ turns, said, n, given, interval, kindSaid, rounds, done }: ClockSaid): Made {
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

function oneMinuteOf({ turns, interval, rest, R, Q, done }: ClockSaid): Made {
  if (interval === undefined && rest === undefined) {
    const many = R();
    return done({ kind: 'one-minute', rounds: many, roundRestSeconds: Q(many > 1) });
  }
  return done({ kind: 'intervals', ...turns(60, rest ?? 0) });
}

/** Groups that go round, rounds that climb, lanes that end apart: intervals with more to them. */
const turned =
  (kind: 'rotation' | 'progressive' | 'staggered') =>
  ({ turns, percents, said, given, work, rest, done }: ClockSaid): Made | null => {
    if (work === undefined) return null;
    const usual = FORMATS[kind].usual as unknown as Record<string, unknown>;
    const groups = lastOf(said, 'groups')?.n;
    return done({
      ...usual,
      ...(kind === 'rotation' && groups !== undefined ? { groups: within('groups', groups) } : {}),
      ...(kind === 'staggered' ? percents : {}),
      kind,
      ...turns(work, given('restSeconds', rest, 0)),
    } as Format);
  };

/** What each kind of clock is made of, where it was named or shown; null where too little was said for it. */
const BY_KIND: Readonly<Partial<Record<FormatKind, (said: ClockSaid) => Made | null>>> = {
  amrap: amrapOf,
  emom: emomOf,
  'for time': forTimeOf,
  superset: supersetOf,
  pyramid: pyramidOf,
  descending: descendingOf,
  tabata: tabataOf,
  'one-minute': oneMinuteOf,
  rotation: turned('rotation'),
  progressive: turned('progressive'),
  staggered: turned('staggered'),
};

/** Two share a count between them from so many on; fewer they do in turn, round and round. Estimate. */
const FEWEST_SHARED = 30;
/** What nobody named: by what was said of work and rest, of counts and of sets. */
function unnamed({
  mostRounds,
  rowFacts,
  turns,
  block,
  said,
  doses,
  n,
  assumed,
  given,
  interval,
  inOneGo,
  rounds,
  bareTime,
  whole,
  work,
  rest,
  roundRest,
  sets,
  led,
  blockDose,
  R,
  Q,
  done,
}: ClockSaid): Made {
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
      dose: { seconds: clamp(Math.floor(all / n), 1, MOST_OF.seconds) },
    };
  // "20 minutes, share them between you": so many in all, and they are to be done by then.
  const large = doses.some((dose) => (dose?.reps ?? 0) >= FEWEST_SHARED);
  if (!calm && all !== undefined && lastOf(said, 'partner') && counted === n && large)
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

/** The clock that was meant: what was said, and which of its numbers nobody said. */
export function formatOf(block: Draft): Made {
  const said = clockFactsOf(block);
  const first = eachInTurn(said);
  if (first) return first;
  const kind = kindOf(said);
  return byLevels(said) ?? (kind && BY_KIND[kind]?.(said)) ?? unnamed(said);
}
