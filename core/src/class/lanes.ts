import { formatEntry } from '../clock/index.ts';
import type { Choice, Opened, ScaleRequest, Scaler, Use } from '../engine/index.ts';
import { COSTS } from '../engine/index.ts';
import { ROW_SIZE } from '../forms/index.ts';
import { pointsOfRow } from '../ladder/index.ts';
import type { Subject } from '../limits/index.ts';
import { laneLimits } from '../limits/index.ts';
import { at, type FormRef } from '../move/index.ts';
import { type Ability, LEVELS } from '../person/index.ts';
import { type Block, type Dials, entriesOf, type Plan } from '../session/index.ts';

export const LANES = { fewest: 2, most: 5 } as const;

/** A form that the trainer put into a lane by hand. */
export interface LanePin {
  readonly entry: number;
  /** 0 is the innermost. */
  readonly lane: number;
  readonly form: FormRef;
}

interface Lane {
  /** Where it lies between the named levels, 0 to 3. */
  readonly position: number;
  readonly uses: readonly (Use | null)[];
}

export interface LaneFault {
  readonly kind: 'harder inwards' | 'alike' | 'not open';
  readonly lane: number;
  /** Null where it is about the two lanes as a whole. */
  readonly entry: number | null;
  readonly says: string;
}

export interface LanesMade {
  readonly lanes: readonly Lane[];
  /** Share of the entries at which a lane is a useful step from the one inside it; one fewer than lanes. */
  readonly useful: readonly number[];
  readonly faults: readonly LaneFault[];
}

/** Points of difficulty, or share of effort, from which two lanes differ to whoever does them. Estimates. */
const STEP = { points: 3, effort: 1.1 } as const;
/** Lanes are a useful step apart at so many of the stations at least. */
export const USEFUL_SHARE = 2 / 3;
/** What two lanes that do the same at a station cost, doubled while too many do. In milli-points. */
const ALIKE = 1500;
const DOUBLINGS = 5;
/** Harder inwards is dearer than anything but what a trainer pinned. */
const INWARDS = 50_000;
/** Forms of a lane looked at, at one station. */
const CANDIDATES = 40;
/** Effort is read to a twentieth. */
const EFFORT_SLACK = 1.05;

const CLASS = at('impact.class');

/** Where so many lanes lie between the named levels: spread over all of them. */
export const lanePositions = (count: number): readonly number[] =>
  Array.from({ length: count }, (_, k) => (count === 1 ? 1.5 : (k * 3) / (count - 1)));

/** What somebody between two named levels can do. */
function abilityAt(position: number): Ability {
  const low = Math.min(2, Math.floor(position));
  const part = position - low;
  return LEVELS[low]!.ability.map((can, r) => can + part * (LEVELS[low + 1]!.ability[r]! - can));
}

/** A lane: a place between the levels with nobody behind it; landings and effort as of the level inside it. */
export function subjectAt(position: number): Subject {
  return {
    ability: abilityAt(position),
    limits: laneLimits(Math.min(3, Math.floor(position)) as 0 | 1 | 2 | 3),
    capacityMet: null,
    effortAge: 'adult',
    dislikes: [],
    newMoves: [],
  };
}

interface Candidate {
  /** Null is rest: easier than anything. */
  readonly choice: Choice | null;
  readonly use: Use | null;
  readonly points: number;
  readonly impact: number;
  readonly met: number;
  readonly cost: number;
}
const RESTING: Candidate = { choice: null, use: null, points: -1, impact: 0, met: 0, cost: COSTS.rest };

const isHarder = (inner: Candidate, outer: Candidate): boolean =>
  inner.points > outer.points + 1e-9 ||
  inner.impact > outer.impact ||
  inner.met > outer.met * EFFORT_SLACK + 1e-9;
const isStep = (inner: Candidate, outer: Candidate): boolean =>
  outer.points >= inner.points + STEP.points || outer.met >= inner.met * STEP.effort;

export type LanesRequest = Pick<ScaleRequest, 'session' | 'writtenFor'> & {
  readonly dials: Dials;
  readonly count: number;
  readonly pins?: readonly LanePin[];
};

/**
 * A circuit in two to five lanes, innermost easiest. At every station the forms of all lanes are chosen together:
 * as near to what was written as each lane can, never harder inwards, a useful step apart at two thirds of the
 * stations or more where the library has such steps. A form pinned by hand stays, whatever that does, and what it
 * does is said.
 */
export function makeLanes(scaler: Scaler, request: LanesRequest): LanesMade {
  const { table } = scaler;
  const positions = lanePositions(Math.max(LANES.fewest, Math.min(LANES.most, request.count)));
  const entries = entriesOf(request.session.blocks);
  const dials: Dials = { ...request.dials, ability: 'own rungs' };
  const asked = positions.map(
    (position): ScaleRequest => ({
      session: request.session,
      writtenFor: request.writtenFor,
      dials,
      subject: subjectAt(position),
    }),
  );
  const opened = asked.map((one) => scaler.open(one));
  const pins = request.pins ?? [];
  const faults: LaneFault[] = [];

  const candidateOf = (one: Opened, entry: number, choice: Choice): Candidate => {
    const use = one.use(entry, choice);
    return {
      choice,
      use,
      points: pointsOfRow(table.lo, table.hi, choice.form * ROW_SIZE),
      impact: table.hi[choice.form * ROW_SIZE + CLASS]!,
      met: (use.metLo + use.metHi) / 2,
      cost: choice.cost,
    };
  };
  const listed = entries.map((_, entry) => {
    // What an inner lane may do, an outer one may: so there is always a way that isn't harder inwards.
    const forms = new Set<number>();
    const lists = opened.map((one) => {
      const { cost, form, pace } = one.cheapest(entry);
      const own = [...form.keys()]
        .filter((id) => form[id]! >= 0)
        .sort((a, b) => cost[a]! - cost[b]! || a - b)
        .slice(0, CANDIDATES);
      for (const id of own) forms.add(id);
      return [...forms]
        .filter((id) => form[id]! >= 0)
        .map((id) => candidateOf(one, entry, one.choice(entry, form[id]!, pace(id), cost[id]!)));
    });
    return lists.map((list, lane): Candidate[] => {
      const pin = pins.find((p) => p.entry === entry && p.lane === lane);
      if (!pin) return list.length > 0 ? list : [RESTING];
      const row = scaler.rowOf(pin.form);
      const option = opened[lane]!.options(entry).find((choice) => choice.form === row);
      if (option) return [{ ...candidateOf(opened[lane]!, entry, option), cost: 0 }];
      const [bars] = scaler.bars([pin.form], { subject: asked[lane]!.subject, dials });
      faults.push({
        kind: 'not open',
        lane,
        entry,
        says: bars?.[0]?.says ?? 'it keeps too little of what was written',
      });
      return list.length > 0 ? list : [RESTING];
    });
  });

  /** The cheapest way through the lanes at one entry. */
  const through = (lists: readonly (readonly Candidate[])[], alike: number): Candidate[] => {
    let costs = lists[0]!.map((c) => c.cost);
    const from: number[][] = [];
    for (let lane = 1; lane < lists.length; lane++) {
      const back: number[] = [];
      costs = lists[lane]!.map((outer) => {
        let least = Number.POSITIVE_INFINITY;
        let at = 0;
        lists[lane - 1]!.forEach((inner, i) => {
          const cost =
            costs[i]! + (isHarder(inner, outer) ? INWARDS : 0) + (isStep(inner, outer) ? 0 : alike);
          if (cost < least) {
            least = cost;
            at = i;
          }
        });
        back.push(at);
        return least + outer.cost;
      });
      from.push(back);
    }
    let at = costs.indexOf(Math.min(...costs));
    const path = [lists.at(-1)![at]!];
    for (let lane = lists.length - 1; lane > 0; lane--) {
      at = from[lane - 1]![at]!;
      path.unshift(lists[lane - 1]![at]!);
    }
    return path;
  };

  let alike = ALIKE;
  let paths: Candidate[][] = [];
  let useful: number[] = [];
  for (let k = 0; k < DOUBLINGS; k++, alike *= 2) {
    paths = listed.map((lists) => through(lists, alike));
    useful = positions
      .slice(1)
      .map((_, lane) =>
        paths.length === 0
          ? 1
          : paths.filter((path) => isStep(path[lane]!, path[lane + 1]!)).length / paths.length,
      );
    if (useful.every((share) => share >= USEFUL_SHARE)) break;
  }
  paths.forEach((path, entry) => {
    for (let lane = 0; lane + 1 < path.length; lane++)
      if (isHarder(path[lane]!, path[lane + 1]!))
        faults.push({
          kind: 'harder inwards',
          lane,
          entry,
          says: `lane ${lane + 1} is harder here than lane ${lane + 2}`,
        });
  });
  useful.forEach((share, lane) => {
    if (share < USEFUL_SHARE)
      faults.push({
        kind: 'alike',
        lane,
        entry: null,
        says: `lanes ${lane + 1} and ${lane + 2} differ at ${Math.round(share * paths.length)} of ${paths.length} stations`,
      });
  });
  return {
    lanes: positions.map((position, lane) => ({
      position,
      uses: paths.map((path) => {
        const use = path[lane]!.use;
        // The lane of a staggered finish is the lane it was made for.
        return use && { ...use, lane: Math.min(3, Math.floor(position)) as 0 | 1 | 2 | 3 };
      }),
    })),
    useful,
    faults,
  };
}

/** A lane in a word or two: the level it is nearest to. */
export const laneName = (position: number): string => LEVELS[Math.round(position) as 0 | 1 | 2 | 3].name;

/** A plan's pins by entry; those of stations or lanes that are gone are passed over. */
export function lanePinsOf(plan: Pick<Plan, 'blocks' | 'lanes'>): LanePin[] {
  const entries = entriesOf(plan.blocks);
  return (plan.lanes?.pins ?? []).flatMap((pin): LanePin[] => {
    const block = plan.blocks.findIndex((b) => b.id === pin.block);
    const station = plan.blocks[block]?.stations.findIndex((s) => s.id === pin.station) ?? -1;
    const entry = entries.findIndex((e) => e.block === block && e.inBlock === station && e.part === 0);
    return entry < 0 || pin.lane >= plan.lanes!.count ? [] : [{ entry, lane: pin.lane, form: pin.form }];
  });
}

/**
 * A block whose rounds walk outwards: round after round the form of the next lane. Each goes as far as they can:
 * their own version is scaled like any other. Null where a block of that format has no rounds to walk.
 */
export function walkOutwards(
  block: Block,
  at: number,
  session: Pick<Plan, 'blocks'>,
  made: LanesMade,
): Block | null {
  const { format } = block;
  if (!('workSeconds' in format) || !('roundRestSeconds' in format)) return null;
  if (formatEntry(format.kind).dose !== 'clock') return null;
  const entries = entriesOf(session.blocks);
  const { workSeconds, restSeconds, roundRestSeconds, closingRest } = format;
  const formOf = (use: Use | null): FormRef | null =>
    use && {
      move: use.move,
      ...(Object.keys(use.settings).length > 0 ? { settings: use.settings } : {}),
    };
  return {
    ...block,
    format: {
      kind: 'progressive',
      workSeconds,
      restSeconds,
      roundRestSeconds,
      closingRest,
      rounds: made.lanes.length,
    },
    stations: block.stations.map((station, i) => {
      const entry = entries.findIndex((e) => e.block === at && e.inBlock === i && e.part === 0);
      const forms = made.lanes.map((lane) => formOf(lane.uses[entry] ?? null));
      const own = { move: station.move, ...(station.settings ? { settings: station.settings } : {}) };
      const [first, ...later] = forms.map((form) => form ?? own);
      const { settings: _, byRound: __, ...rest } = station;
      return { ...rest, ...first!, byRound: later };
    }),
  };
}
