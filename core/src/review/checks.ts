import { formatEntry, INPUTS } from '../clock/index.ts';
import type { Version } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { IMPACT } from '../limits/index.ts';
import { type DemandKey, type FormRef, type Joint, MUSCLES, type Pattern } from '../move/index.ts';
import { floorSeconds, type Limit } from '../person/index.ts';
import {
  type Block,
  blockName,
  drinksFor,
  type Entry,
  entriesOf,
  type Facts,
  factsIn,
  fitTo,
  formatFaults,
  KINDS,
  type Plan,
  roleOf,
  type Station,
  showSecondsIn,
  showSecondsOf,
  worksIn,
} from '../session/index.ts';
import { usedBy } from '../ways/index.ts';
import { HARD_MET } from './order.ts';
import type { Sums } from './sums.ts';

/** A change to the session that mends a finding. */
type Fix = { readonly label: string } & (
  | { readonly kind: 'block'; readonly block: number; readonly becomes: Block }
  | { readonly kind: 'order'; readonly block: number }
  | { readonly kind: 'add'; readonly role: 'warm-up' | 'cool-down' }
);

export interface Finding {
  readonly check: string;
  readonly severity: 'stop' | 'mend' | 'note';
  readonly says: string;
  readonly block: number | null;
  /** Index in its block. */
  readonly station: number | null;
  /** Where it is, by ids that outlive reordering: what an accepted finding is known by. */
  readonly at: string;
  readonly fix: Fix | null;
  /** Why the trainer let it stand. */
  readonly accepted: string | null;
}

export interface Checked {
  readonly library: Library;
  readonly session: Pick<Plan, 'blocks' | 'forWhom' | 'bookedMinutes' | 'accepted'>;
  readonly version: Version;
  readonly sums: Sums;
  /** Limits of whom it is for; none for a lane. */
  readonly limits?: readonly Limit[];
  /** People who would have to change, for want of things, were all to do it as written. */
  readonly shortOfThings?:
    | { readonly block: number; readonly people: number; readonly of: number }
    | undefined;
}

interface Traits {
  readonly joints: readonly boolean[];
  readonly muscles: readonly number[];
  readonly hard: number;
  readonly floor: boolean;
}
interface Context extends Checked {
  readonly facts: Facts;
  readonly entries: readonly Entry[];
  /** First entry of each block's stations. */
  readonly first: readonly (readonly number[])[];
  readonly traits: (b: number, station: number) => Traits;
  readonly name: (b: number, station: number) => string;
  readonly formAt: (b: number, station: number) => FormRef;
}
type Raw = Omit<Finding, 'check' | 'accepted' | 'at'>;

/** When a joint counts as loaded. Common practice. */
export const JOINTS: readonly (readonly [string, DemandKey, number])[] = [
  ['the wrists', 'wrist.load', 30],
  ['the knees', 'knee.load', 4],
  ['the shoulders', 'shoulder.load', 4],
];
/** Share of the work that two moves put on the same muscles when they count as alike. Estimate. */
const ALIKE_MUSCLES = 0.75;
/** Stations running that are one too many for a joint. Common practice. */
const MANY_RUNS = 3;
/** Times down to the floor and up that are a lot in a session. Estimate. */
const MANY_TIMES_DOWN = { steady: 6, others: 24 } as const;
/** New moves at once that are as much as anybody takes in. Common practice. */
const MANY_NEW = { adults: 4, others: 3 } as const;
/** Minutes that may be left over before it is worth a word: five, or a tenth of what is booked. Estimate. */
const LEFT_OVER = { seconds: 300, share: 0.1 } as const;

const remembered = new WeakMap<Library, Map<string, Traits>>();
function traitsOf(library: Library, form: FormRef): Traits {
  let known = remembered.get(library);
  if (!known) {
    known = new Map();
    remembered.set(library, known);
  }
  const key = form.settings ? `${form.move} ${JSON.stringify(form.settings)}` : form.move;
  let traits = known.get(key);
  if (!traits) {
    const demand = rungDemand(library, form);
    const move = library.move(form.move);
    traits = {
      joints: JOINTS.map(([, on, least]) => (demand ? (demand[on].hi ?? 999) >= least : false)),
      muscles: MUSCLES.map((muscle) => move?.muscles[muscle] ?? 0),
      hard: demand?.['effort.met'].hi ?? 0,
      floor: demand ? (demand['posture.floor'].hi ?? 0) >= 1 : false,
    };
    known.set(key, traits);
  }
  return traits;
}

const easierKnown = new WeakMap<Library, Map<string, boolean>>();
/** Whether there is something easier to fall back on; a move the library lacks isn't complained of here. */
function hasEasier(library: Library, id: string): boolean {
  let known = easierKnown.get(library);
  if (!known) {
    known = new Map();
    easierKnown.set(library, known);
  }
  let has = known.get(id);
  if (has === undefined) {
    const move = library.move(id);
    has =
      !move ||
      move.easier !== undefined ||
      move.serves !== undefined ||
      library.ladders.some((ladder) => ladder.rungs.findIndex((rung) => rung.move === id) > 0);
    known.set(id, has);
  }
  return has;
}

const span = (seconds: number) =>
  seconds % 60 === 0 ? `${seconds / 60} ${seconds === 60 ? 'minute' : 'minutes'}` : `${seconds} s`;
const low = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);
const isRing = (block: Block) => formatEntry(block.format.kind).ring(block.format);
export const isCircuit = (block: Block) => roleOf(block) !== 'warm-up' && roleOf(block) !== 'cool-down';
const here = (c: Context, b: number) =>
  c.session.blocks.length > 1 ? `${blockName(c.session.blocks, b)}: ` : '';

/** The input of a format that holds the rest from station to station. */
function restOf(block: Block): { key: 'restSeconds' | 'stationRestSeconds'; seconds: number } | null {
  const { format } = block;
  if ('stationRestSeconds' in format)
    return { key: 'stationRestSeconds', seconds: format.stationRestSeconds };
  return 'restSeconds' in format ? { key: 'restSeconds', seconds: format.restSeconds } : null;
}
function restFix(block: Block, b: number, seconds: number): Fix | null {
  const rest = restOf(block);
  if (!rest || seconds > INPUTS[rest.key].max) return null;
  return {
    label: `Rest ${seconds} s`,
    kind: 'block',
    block: b,
    becomes: { ...block, format: { ...block.format, [rest.key]: seconds } as Block['format'] },
  };
}
const withStation = (block: Block, i: number, patch: Partial<Station>): Block => ({
  ...block,
  stations: block.stations.map((s, k) => (k === i ? { ...s, ...patch } : s)),
});

/** Pairs of stations that follow each other, the seam of a ring included. */
function* neighbours(block: Block): Generator<[number, number]> {
  const n = block.stations.length;
  const last = isRing(block) && n > 2 ? n : n - 1;
  for (let i = 0; i < last; i++) yield [i, (i + 1) % n];
}

/** The first of those stations from which so many running have something in common; −1 for none. */
function runOf(block: Block, length: number, has: (station: number) => boolean): number {
  const n = block.stations.length;
  if (n < length) return -1;
  const all = block.stations.every((_, i) => has(i));
  for (let i = 0; i < n && !all; i++) {
    if (i + length > n && !isRing(block)) break;
    if (Array.from({ length }, (_, k) => (i + k) % n).every(has)) return i;
  }
  return -1;
}

/** Joints that a coach sees to before a circuit; the others come along. Common practice. */
const READIED: ReadonlySet<Joint> = new Set(['shoulders', 'wrists', 'lower back', 'hips', 'knees', 'ankles']);

/** A joint that somebody's own forms load at three stations running. */
export interface ThirdRunning {
  readonly block: number;
  /** Index in its block of the third of them. */
  readonly station: number;
  readonly joint: string;
}

/**
 * Where somebody loads a joint three stations running with what they do, round the ring too; `formAt` says what
 * they do at a station, null for rest. At most one a block.
 */
export function thirdsRunning(
  library: Library,
  blocks: readonly Block[],
  formAt: (block: number, station: number) => FormRef | null,
): ThirdRunning[] {
  return blocks.flatMap((block, b): ThirdRunning[] => {
    if (!isCircuit(block)) return [];
    for (const [j, [joint]] of JOINTS.entries()) {
      const start = runOf(block, MANY_RUNS, (i) => {
        const form = formAt(b, i);
        return form !== null && traitsOf(library, form).joints[j]!;
      });
      if (start >= 0) return [{ block: b, station: (start + MANY_RUNS - 1) % block.stations.length, joint }];
    }
    return [];
  });
}

const GROUPS_OF_PATTERNS: readonly {
  readonly id: string;
  readonly words: string;
  readonly advice: string;
  readonly is: (pattern: Pattern) => boolean;
}[] = [
  {
    id: 'no pull',
    words: 'pulls',
    advice: 'A row would balance the pushing.',
    is: (p) => p.startsWith('pull'),
  },
  {
    id: 'no push',
    words: 'pushes',
    advice: 'A push-up of some kind would balance the pulling.',
    is: (p) => p.startsWith('push'),
  },
  {
    id: 'no legs',
    words: 'trains the legs',
    advice: 'A squat or a lunge would carry the rest.',
    is: (p) => ['squat', 'hinge', 'split stance', 'step', 'jump', 'get up'].includes(p),
  },
];

/** What is looked at in every session: one entry a check; it may find several things, the worst first. */
interface Check {
  /** What a finding that was let stand is stored by: it never changes with the words. */
  readonly id: string;
  /** Ids by which earlier programs stored it. */
  readonly was?: readonly string[];
  readonly find: (c: Context) => Raw[];
}

const isMinute = (fault: { field: string; station: number | null }) =>
  fault.field === 'minute' && fault.station !== null;

/** Nothing in a session of one group of patterns, unless nothing of a group before it is told already. */
function missingGroup(c: Context, id: string): Raw[] {
  const stations = c.session.blocks.filter(isCircuit).flatMap((block) => block.stations);
  if (stations.length < 6) return [];
  const done = new Set<Pattern>();
  c.entries.forEach((entry, i) => {
    if (!isCircuit(c.session.blocks[entry.block]!)) return;
    const move = c.library.move(c.version.uses[i]?.move ?? entry.move);
    if (move) done.add(move.pattern);
  });
  const missing = GROUPS_OF_PATTERNS.find(({ is }) => ![...done].some(is));
  if (missing?.id !== id) return [];
  return [
    {
      severity: 'note',
      block: null,
      station: null,
      says: `Nothing in this session ${missing.words}. ${missing.advice}`,
      fix: null,
    },
  ];
}

const CHECKS: readonly Check[] = [
  {
    id: 'no form',
    find: (c) =>
      c.version.reasons
        .filter((r) => r.use === null)
        .map((r) => {
          const entry = c.entries[r.entry]!;
          return {
            severity: 'stop' as const,
            block: entry.block,
            station: entry.inBlock,
            says: `${here(c, entry.block)}Station ${entry.inBlock + 1}: nothing that still trains this is open to them; it becomes easy movement.`,
            fix: null,
          };
        }),
  },
  {
    id: 'format',
    find: (c) =>
      c.session.blocks.flatMap((block, b) =>
        formatFaults(c.session, b, c.facts)
          .filter((fault) => !isMinute(fault))
          .map((fault): Raw => {
            return {
              severity: 'stop',
              block: b,
              station: fault.station,
              says: here(c, b) + fault.says,
              fix: fixFormat(block, b, fault, c),
            };
          }),
      ),
  },
  {
    id: 'minute overfull',
    find: (c) =>
      c.session.blocks.flatMap((block, b) =>
        formatFaults(c.session, b, c.facts)
          .filter(isMinute)
          .map((fault): Raw => {
            return {
              severity: 'stop',
              block: b,
              station: fault.station,
              says: `${here(c, b)}${c.name(b, fault.station!)}: ${low(fault.says)}`,
              fix: fixFormat(block, b, fault, c),
            };
          }),
      ),
  },
  {
    id: 'no stations',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] =>
        block.stations.length === 0
          ? [
              {
                severity: 'stop',
                block: b,
                station: null,
                says: `${here(c, b)}No stations yet.`,
                fix: null,
              },
            ]
          : [],
      ),
  },
  {
    id: 'length',
    find: (c) => {
      const { bookedMinutes } = c.session;
      if (bookedMinutes === undefined) return [];
      const over = c.sums.range.hi - bookedMinutes * 60;
      const under = bookedMinutes * 60 - c.sums.lengthSeconds;
      if (over <= 0 && under <= Math.max(LEFT_OVER.seconds, bookedMinutes * 60 * LEFT_OVER.share)) return [];
      // The longest block with rounds to give up is where a trainer would begin.
      const [longest] = c.session.blocks
        .map((block, b) => ({ b, has: 'rounds' in block.format || 'sets' in block.format }))
        .filter(({ b, has }) => has && isCircuit(c.session.blocks[b]!))
        .sort((x, y) => c.sums.blocks[y.b]!.lengthSeconds - c.sums.blocks[x.b]!.lengthSeconds);
      const [fit] =
        over > 0 && longest
          ? fitTo(c.session, c.facts, bookedMinutes * 60, 'rounds', { block: longest.b })
          : [];
      return [
        {
          severity: over > 0 ? 'mend' : 'note',
          block: null,
          station: null,
          says:
            over > 0
              ? `It takes ${c.sums.range.hi > c.sums.lengthSeconds ? 'up to ' : ''}${span(Math.ceil(c.sums.range.hi / 60) * 60)}; ${span(bookedMinutes * 60)} are booked.`
              : `${Math.floor(under / 60)} of ${bookedMinutes} minutes are left over.`,
          fix: fit ? { label: fit.says, kind: 'block', block: fit.block, becomes: fit.becomes } : null,
        },
      ];
    },
  },
  {
    id: 'rest too short',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        const short = c.sums.changes.filter((ch) => ch.block === b && ch.needs > ch.has);
        if (short.length === 0 || !isCircuit(block)) return [];
        const worst = short.reduce((a, x) => (x.needs > a.needs ? x : a), short[0]!);
        const seams = new Set(short.map((ch) => `${ch.from}>${ch.to}`)).size;
        const offset = c.entries.find((e) => e.block === b)!.station;
        const [from, to] = [worst.from - offset, worst.to - offset];
        return [
          {
            severity: 'mend',
            block: b,
            station: to,
            says: `${here(c, b)}${worst.has} s isn’t enough to get from ${low(c.name(b, from))} to ${low(c.name(b, to))}: allow ${worst.needs} s${seams > 1 ? ` (${seams} places)` : ''}.`,
            fix: restFix(block, b, worst.needs),
          },
        ];
      }),
  },
  {
    id: 'rest of their own',
    find: (c) => {
      const needs = floorSeconds(c.limits ?? [], 'rest');
      return c.session.blocks.flatMap((block, b): Raw[] => {
        const rest = restOf(block);
        return rest && isCircuit(block) && needs > rest.seconds
          ? [
              {
                severity: 'mend',
                block: b,
                station: null,
                says: `${here(c, b)}They need at least ${needs} s of rest after each bout; the clock gives ${rest.seconds}.`,
                fix: restFix(block, b, needs),
              },
            ]
          : [];
      });
    },
  },
  {
    id: 'sides differ',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        if (!('rounds' in block.format) || block.format.rounds % 2 === 0) return [];
        const i = block.stations.findIndex(
          (s) => s.sides === 'other side each round' && c.facts(s.move).sided,
        );
        if (i < 0) return [];
        return [
          {
            severity: 'mend',
            block: b,
            station: i,
            says: `${here(c, b)}With ${block.format.rounds} rounds ${low(c.name(b, i))} is done once more on one side than on the other.`,
            fix: {
              label: 'Swap at half time',
              kind: 'block',
              block: b,
              becomes: withStation(block, i, { sides: 'swap at half' }),
            },
          },
        ];
      }),
  },
  {
    id: 'same joint',
    find: (c) =>
      thirdsRunning(c.library, c.session.blocks, c.formAt).map(({ block: b, station, joint }): Raw => {
        const across = station < MANY_RUNS - 1;
        return {
          severity: 'mend',
          block: b,
          station,
          says: `${here(c, b)}Three stations running load ${joint}, up to ${low(c.name(b, station))}${across ? ', across the end of the round' : ''}. Move one apart.`,
          fix: { label: 'Best order…', kind: 'order', block: b },
        };
      }),
  },
  {
    id: 'same muscles',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        // In pairs it is often meant.
        if (!isCircuit(block) || formatEntry(block.format.kind).pairs || block.stations.length < 3) return [];
        for (const [i, k] of neighbours(block)) {
          const [a, z] = [c.traits(b, i).muscles, c.traits(b, k).muscles];
          const shared = a.reduce((sum, share, m) => sum + Math.min(share, z[m]!), 0);
          if (shared >= ALIKE_MUSCLES && block.stations[i]!.move !== block.stations[k]!.move)
            return [
              {
                severity: 'note',
                block: b,
                station: k,
                says: `${here(c, b)}${c.name(b, i)} and ${low(c.name(b, k))}, one after the other, use the same muscles.`,
                fix: { label: 'Best order…', kind: 'order', block: b },
              },
            ];
        }
        return [];
      }),
  },
  {
    id: 'hard ones adjacent',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        if (!isCircuit(block) || block.stations.length < 4) return [];
        const hard = block.stations.map((_, i) => c.traits(b, i).hard);
        const [first, second] = hard.map((met, i) => ({ met, i })).sort((x, y) => y.met - x.met || x.i - y.i);
        if (!first || !second || second.met < HARD_MET) return [];
        // Where most are hard, some must stand together.
        if (hard.filter((met) => met >= HARD_MET).length > block.stations.length / 2) return [];
        const together = [...neighbours(block)].some(
          ([i, k]) => (i === first.i && k === second.i) || (i === second.i && k === first.i),
        );
        return together
          ? [
              {
                severity: 'note',
                block: b,
                station: Math.max(first.i, second.i),
                says: `${here(c, b)}The two hardest, ${low(c.name(b, first.i))} and ${low(c.name(b, second.i))}, follow each other.`,
                fix: { label: 'Best order…', kind: 'order', block: b },
              },
            ]
          : [];
      }),
  },
  {
    id: 'down and up',
    find: (c) => {
      const steady = c.session.forWhom === 'older' || c.session.forWhom === 'clinical';
      const most = MANY_TIMES_DOWN[steady ? 'steady' : 'others'];
      if (c.sums.floorChanges <= most) return [];
      const worst = c.sums.blocks.map((sum, b) => ({ n: sum.floorChanges, b })).sort((x, y) => y.n - x.n)[0]!;
      return [
        {
          severity: steady ? 'mend' : 'note',
          block: worst.b,
          station: null,
          says: `Down to the floor and up again ${c.sums.floorChanges} times: a lot for ${KINDS[c.session.forWhom].name}.`,
          fix: { label: 'Best order…', kind: 'order', block: worst.b },
        },
      ];
    },
  },
  {
    id: 'landings',
    find: (c) => {
      const top = IMPACT[3];
      const perMinute = c.sums.mostLandingsAMinute > top.lightPerMinute;
      const hard = c.sums.hardLandings > top.highPerSession;
      const light = c.sums.lightLandings > top.lightPerSession;
      if (!perMinute && !hard && !light) return [];
      return [
        {
          severity: 'mend',
          block: null,
          station: null,
          says: hard
            ? `${c.sums.hardLandings} hard landings: more than ${top.highPerSession} in a session is for the trained.`
            : perMinute
              ? `Up to ${c.sums.mostLandingsAMinute} landings in a minute: ${top.lightPerMinute} is a lot already.`
              : `${c.sums.lightLandings} landings in all: ${top.lightPerSession} is a lot already.`,
          fix: null,
        },
      ];
    },
  },
  {
    id: 'no easier form',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        if (!isCircuit(block)) return [];
        const i = block.stations.findIndex((s) => !hasEasier(c.library, s.move));
        return i < 0
          ? []
          : [
              {
                severity: 'note',
                block: b,
                station: i,
                says: `${here(c, b)}There is nothing easier than ${low(c.name(b, i))}: have something ready for who can’t.`,
                fix: null,
              },
            ];
      }),
  },
  {
    id: 'work to rest',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        if (!isCircuit(block) || !('workSeconds' in block.format) || !('restSeconds' in block.format))
          return [];
        const { workSeconds, restSeconds } = block.format;
        const kind = KINDS[c.session.forWhom];
        const least = Math.ceil(workSeconds / kind.mostWorkToRest / 5) * 5;
        if (workSeconds > kind.mostWorkSeconds)
          return [
            {
              severity: 'note',
              block: b,
              station: null,
              says: `${here(c, b)}${workSeconds} s at a stretch is long for ${kind.name}; up to ${kind.mostWorkSeconds} s suits most.`,
              fix: {
                label: `Work ${kind.mostWorkSeconds} s`,
                kind: 'block',
                block: b,
                becomes: { ...block, format: { ...block.format, workSeconds: kind.mostWorkSeconds } },
              },
            },
          ];
        return restSeconds * kind.mostWorkToRest < workSeconds
          ? [
              {
                severity: 'note',
                block: b,
                station: null,
                says: `${here(c, b)}${workSeconds} s of work to ${restSeconds} of rest is dense for ${kind.name}.`,
                fix: restFix(block, b, least),
              },
            ]
          : [];
      }),
  },
  {
    id: 'showing takes time',
    find: (c) =>
      c.session.blocks.flatMap((block, b): Raw[] => {
        if (block.showing === 'in the rest') {
          const rest = restOf(block)?.seconds ?? 0;
          const i = block.stations.findIndex((s) => showSecondsOf(s) > rest);
          if (i < 0) return [];
          const needs = showSecondsOf(block.stations[i]!);
          return [
            {
              severity: 'mend',
              block: b,
              station: i,
              says: `${here(c, b)}Showing ${low(c.name(b, i))} takes about ${needs} s; the rest before it is ${rest}.`,
              fix: {
                label: 'Show them before',
                kind: 'block',
                block: b,
                becomes: { ...block, showing: 'before' },
              },
            },
          ];
        }
        if (block.showing !== 'over the warm-up') return [];
        const warm = c.session.blocks.findIndex((x) => roleOf(x) === 'warm-up');
        const has = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
        const needs = showSecondsIn(block);
        return needs > has
          ? [
              {
                severity: 'mend',
                block: b,
                station: null,
                says: `${here(c, b)}Showing all of it takes about ${span(Math.ceil(needs / 10) * 10)}; ${warm < 0 ? 'there is no warm-up to do it over' : `the warm-up is ${span(has)}`}.`,
                fix: {
                  label: 'Show them before',
                  kind: 'block',
                  block: b,
                  becomes: { ...block, showing: 'before' },
                },
              },
            ]
          : [];
      }),
  },
  {
    id: 'holds too long',
    find: (c) => {
      const cap = (c.limits ?? []).reduce(
        (most, l) => (l.kind === 'cap' && l.on === 'strain.holdSeconds' ? Math.min(most, l.max) : most),
        Number.POSITIVE_INFINITY,
      );
      if (!Number.isFinite(cap)) return [];
      const at = c.entries.findIndex((_, i) => (c.version.original[i]?.holdSeconds ?? 0) > cap);
      if (at < 0) return [];
      const { block: b, inBlock: i, part } = c.entries[at]!;
      const block = c.session.blocks[b]!;
      const held = c.version.original[at]!.holdSeconds!;
      const times = Math.max(2, Math.floor((held + 3) / (cap + 3)));
      return [
        {
          severity: 'note',
          block: b,
          station: i,
          says: `${here(c, b)}${c.name(b, i)} is held ${held} s; they should let go by ${cap} s, so theirs is shorter.`,
          fix:
            part === 0 && times <= 10 && cap >= 2 && cap <= 60
              ? {
                  label: `${times} × ${cap} s for all`,
                  kind: 'block',
                  block: b,
                  becomes: withStation(block, i, {
                    dose: { ...block.stations[i]!.dose, bouts: { times, seconds: Math.floor(cap) } },
                  }),
                }
              : null,
        },
      ];
    },
  },
  {
    id: 'warm-up',
    find: (c) => {
      const circuits = c.session.blocks.filter(isCircuit);
      if (circuits.every((block) => block.stations.length === 0)) return [];
      const needs = floorSeconds(c.limits ?? [], 'warm-up');
      const warm = c.session.blocks.findIndex((block) => roleOf(block) === 'warm-up');
      const has = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
      if (needs > has)
        return [
          {
            severity: warm < 0 ? 'note' : 'mend',
            block: warm < 0 ? null : warm,
            station: null,
            says: `They need ${span(needs)} of warm-up, rising slowly, before this begins${warm < 0 ? '' : `; there are ${span(has)}`}.`,
            fix: { label: 'Make one', kind: 'add', role: 'warm-up' },
          },
        ];
      if (warm < 0)
        return [
          {
            severity: 'note',
            block: null,
            station: null,
            says: 'No warm-up in this session.',
            fix: { label: 'Make one', kind: 'add', role: 'warm-up' },
          },
        ];
      return [];
    },
  },
  {
    id: 'joint not warm',
    find: (c) => {
      const circuits = c.session.blocks.filter(isCircuit);
      const warm = c.session.blocks.findIndex((block) => roleOf(block) === 'warm-up');
      const lasts = warm < 0 ? 0 : c.sums.blocks[warm]!.lengthSeconds;
      // One that is missing or too short is told of first.
      if (warm < 0 || floorSeconds(c.limits ?? [], 'warm-up') > lasts) return [];
      if (circuits.every((block) => block.stations.length === 0)) return [];
      const used = usedBy(
        c.library,
        circuits.flatMap((block) => block.stations),
      ).joints;
      const warmed = new Set(
        c.session.blocks[warm]!.stations.flatMap((s) => {
          const move = c.library.move(s.move);
          return move?.serves ? move.serves.joints : usedBy(c.library, [s]).joints;
        }),
      );
      const cold = used.filter((joint) => READIED.has(joint) && !warmed.has(joint));
      return cold.length > 0
        ? [
            {
              severity: 'note',
              block: warm,
              station: null,
              says: `The warm-up leaves out the ${cold.join(', ')}, which the circuit uses.`,
              fix: { label: 'Make it anew', kind: 'add', role: 'warm-up' },
            },
          ]
        : [];
    },
  },
  {
    id: 'cool-down',
    find: (c) => {
      const needs = floorSeconds(c.limits ?? [], 'cool-down');
      const at = c.session.blocks.findIndex((block) => roleOf(block) === 'cool-down');
      const has = at < 0 ? 0 : c.sums.blocks[at]!.lengthSeconds;
      return needs > has
        ? [
            {
              severity: 'note',
              block: at < 0 ? null : at,
              station: null,
              says: `They need ${span(needs)} of cooling down afterwards, never stopping dead${at < 0 ? '' : `; there are ${span(has)}`}.`,
              fix: { label: 'Make one', kind: 'add', role: 'cool-down' },
            },
          ]
        : [];
    },
  },
  {
    id: 'drink',
    find: (c) => {
      const stops = drinksFor(c.session, c.facts).filter((b) => !c.session.blocks[b]!.after?.drink);
      if (stops.length === 0) return [];
      const b = stops[0]!;
      const block = c.session.blocks[b]!;
      const seconds = Math.max(60, block.after?.seconds ?? 0);
      return [
        {
          severity: 'note',
          block: b,
          station: null,
          says: `${KINDS[c.session.forWhom].name.replace(/^./, (x) => x.toUpperCase())} want a drink after about ${KINDS[c.session.forWhom].drinkMinutes} minutes: have it after ${low(blockName(c.session.blocks, b))}.`,
          fix: {
            label: 'Drink there',
            kind: 'block',
            block: b,
            becomes: { ...block, after: { ...block.after, seconds, drink: true } },
          },
        },
      ];
    },
  },
  {
    id: 'no pull',
    was: ['nothing pulls'],
    find: (c) => missingGroup(c, 'no pull'),
  },
  {
    id: 'no push',
    was: ['nothing pushes'],
    find: (c) => missingGroup(c, 'no push'),
  },
  {
    id: 'no legs',
    was: ['nothing trains the legs'],
    find: (c) => missingGroup(c, 'no legs'),
  },
  {
    id: 'many new moves',
    find: (c) => {
      const isNew = c.session.blocks.flatMap((block) => block.stations).filter((s) => s.isNew).length;
      const most =
        MANY_NEW[c.session.forWhom === 'adults' || c.session.forWhom === 'fit' ? 'adults' : 'others'];
      return isNew > most
        ? [
            {
              severity: 'note',
              block: null,
              station: null,
              says: `${isNew} moves are new to them: ${most} at once is as much as anybody takes in.`,
              fix: null,
            },
          ]
        : [];
    },
  },
  {
    id: 'things short',
    find: (c) =>
      c.shortOfThings && c.shortOfThings.people > 0
        ? [
            {
              severity: 'mend',
              block: c.shortOfThings.block,
              station: null,
              says: `${here(c, c.shortOfThings.block)}There isn’t enough for all ${c.shortOfThings.of} as written: ${c.shortOfThings.people} ${c.shortOfThings.people === 1 ? 'turn' : 'turns'} at a station would go without. “Set up” shares it out.`,
              fix: null,
            },
          ]
        : [],
  },
];

/** Every check's stable id. */
export const CHECK_IDS: readonly string[] = CHECKS.map((one) => one.id);

/** The nearest count that mends a minute or a pyramid's step; null where no one number does. */
function fixFormat(
  block: Block,
  b: number,
  fault: ReturnType<typeof formatFaults>[number],
  c: Context,
): Fix | null {
  const { format } = block;
  const entry = formatEntry(format.kind);
  if (entry.fills && fault.station !== null) {
    const station = block.stations[fault.station]!;
    const reps = station.dose?.reps;
    if (reps === undefined) return null;
    for (let n = reps - 1; n >= 1; n--) {
      const becomes = withStation(block, fault.station, { dose: { ...station.dose, reps: n } });
      const session = { ...c.session, blocks: c.session.blocks.map((old, i) => (i === b ? becomes : old)) };
      if (!formatFaults(session, b, c.facts).some((f) => f.station === fault.station))
        return { label: n === 1 ? '1 rep' : `${n} reps`, kind: 'block', block: b, becomes };
    }
    return null;
  }
  const mended = entry.fix?.(format, fault, worksIn(c.session, b, c.facts)) ?? null;
  return (
    mended && { label: mended.label, kind: 'block', block: b, becomes: { ...block, format: mended.format } }
  );
}

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
