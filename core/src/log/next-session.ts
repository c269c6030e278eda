import { clockText } from '../clock/index.ts';
import type { GrowId, ProgressSchool } from '../person/index.ts';
import {
  type Block,
  blockName,
  entriesOf,
  type Facts,
  type Plan,
  roleOf,
  timelineOf,
} from '../session/index.ts';
import { PROGRESS, twoForTwo } from './decide.ts';
import { isEnough, type Result, type SessionRecord } from './record.ts';

/** One change of the session itself, for everybody. */
export interface SessionStep {
  readonly id: string;
  readonly is: 'up' | 'down';
  readonly says: string;
  readonly why: string;
  readonly blocks: readonly Block[];
}

/** What a group's school says of its session, with what keeps it from growing where something does. */
export interface NextPlan {
  readonly steps: readonly SessionStep[];
  /** Why the session stays as it is; null where it doesn't. */
  readonly stays: string | null;
}

/** How a group's session itself grows, besides each one's own rungs. Common practice. */
export const GROWS = {
  rungs: { says: 'only each one’s own rungs' },
  rounds: { says: 'a round more' },
  rests: { says: 'shorter rests' },
  loads: { says: 'more load' },
} as const satisfies Record<GrowId, { readonly says: string }>;

/** Of those who were there, how many have to have done well, or badly. Common practice. */
const MOST_WELL = 0.75;
const MANY_BADLY = 0.5;
const TOO_HARD = 9;
/** Seconds by which a rest changes, and how short it may become. Common practice. */
const REST_STEP = 5;
const LEAST_REST = { usual: 10, careful: 20 } as const;
/** The most that a load grows at once, and the least step there is, kg (2 to 10 %: ACSM 2009, from memory). */
const LOAD_SHARE = 0.1;
const LOAD_STEP = 0.5;

const isCareful = (plan: Plan) => plan.forWhom === 'older' || plan.forWhom === 'clinical';
const there = (record: SessionRecord) => record.results.filter((r) => r.present);

function share(record: SessionRecord, of: (result: Result) => boolean): number {
  const list = there(record);
  return list.length === 0 ? 0 : list.filter(of).length / list.length;
}

/** For most of those who were there nobody said how hard it was. */
const unsaid = (record: SessionRecord): boolean => share(record, (r) => r.effort !== null) < MOST_WELL;

/** A session that most did well, and in which nobody had to stop. */
function wentWell(record: SessionRecord, effortMax: number): boolean {
  const well = (r: Result) =>
    isEnough(r) &&
    r.clean &&
    r.range === 'full' &&
    r.pain === null &&
    // How hard it was, unsaid, is no sign that it was light.
    r.effort !== null &&
    r.effort <= effortMax;
  return there(record).every((r) => r.sign === null) && share(record, well) >= MOST_WELL;
}

const wentBadly = (record: SessionRecord): boolean =>
  share(record, (r) => !r.clean || (r.effort ?? 0) >= TOO_HARD || r.pain !== null || r.sign !== null) >=
  MANY_BADLY;

/** Blocks with one of them otherwise. */
const withBlock = (blocks: readonly Block[], at: number, block: Block): Block[] =>
  blocks.map((b, i) => (i === at ? block : b));

interface Counted {
  readonly at: number;
  readonly format: Block['format'] & { rounds: number };
}
/** The circuit that rounds are counted in: the longest that has some. */
function circuitOf(blocks: readonly Block[]): Counted | null {
  const found = blocks.flatMap((block, at): Counted[] =>
    'rounds' in block.format && roleOf(block) === 'circuit' && block.stations.length > 0
      ? [{ at, format: block.format as Counted['format'] }]
      : [],
  );
  return found.sort((a, b) => blocks[b.at]!.stations.length - blocks[a.at]!.stations.length)[0] ?? null;
}

/** Reps a round that somebody counted at a station, over a session; null where nobody did. */
function repsAt(result: Result, entry: number, rounds: number): number | null {
  const pieces = result.pieces.filter((p) => p.entry === entry);
  if (pieces.length === 0 || pieces.some((p) => p.reps === null || !p.counted)) return null;
  return pieces.reduce((sum, p) => sum + p.reps!, 0) / Math.max(1, rounds);
}

/**
 * What a group's next session is besides each one's own rungs, by its school: a round, a rest or a load at a time, up
 * once the school's sessions were good for most and nobody was stopped, down after two that were too much for many.
 * `records` are those of the group; those of other sessions say nothing of this one. `plan` isn't changed.
 */
export function nextPlan(
  plan: Plan,
  facts: Facts,
  records: readonly SessionRecord[],
  school: ProgressSchool,
  grows: GrowId,
): NextPlan {
  const done = records.filter((r) => r.plan === plan.id).sort((a, b) => (a.on < b.on ? -1 : 1));
  const [before, last] = [done.at(-2), done.at(-1)];
  if (!last) return { steps: [], stays: 'It hasn’t been done and recorded yet.' };
  if (grows === 'rungs') return { steps: [], stays: null };
  const length = (blocks: readonly Block[]) =>
    timelineOf({ ...plan, blocks: [...blocks] }, facts).lengthSeconds;
  const now = length(plan.blocks);
  const circuit = circuitOf(plan.blocks);
  const careful = isCareful(plan);
  const { effortMax, sessions } = PROGRESS[school];
  const needs = sessions + (careful ? 1 : 0);
  const bad = before !== undefined && wentBadly(before) && wentBadly(last);
  let good = 0;
  for (const record of [...done].reverse()) {
    if (!wentWell(record, effortMax)) break;
    good++;
  }
  const why = bad
    ? 'Too much for many, two sessions running.'
    : `Good for most, ${good === 1 ? 'last time' : `${good} times running`}, and nobody was stopped.`;
  if (!bad && good < needs)
    return {
      steps: [],
      stays:
        good === 0
          ? unsaid(last)
            ? 'How hard it was wasn’t said for most: the same again.'
            : 'Not yet good for most: the same again.'
          : `Good ${good === 1 ? 'once' : `${good} times`}: ${needs - good === 1 ? 'once more' : `${needs - good} times more`}, then it grows.`,
    };
  const is = bad ? 'down' : 'up';
  const step = (id: string, says: string, blocks: Block[]): SessionStep => ({
    id,
    is,
    says: `${says}: ${clockText(now)} becomes ${clockText(length(blocks))}`,
    why,
    blocks,
  });
  const only = (one: SessionStep | string): NextPlan =>
    typeof one === 'string' ? { steps: [], stays: one } : { steps: [one], stays: null };
  if (grows === 'loads') return loadSteps(plan, last, before, bad, why);
  if (!circuit) return only('It has no circuit with rounds to grow.');
  const { at, format } = circuit;
  const name = blockName(plan.blocks, at);
  const put = (patch: object) =>
    withBlock(plan.blocks, at, { ...plan.blocks[at]!, format: { ...format, ...patch } as Block['format'] });
  if (grows === 'rounds') {
    const rounds = format.rounds + (bad ? -1 : 1);
    if (rounds < 1) return only('It has one round: make the forms easier instead.');
    const blocks = put({ rounds });
    const minutes = Math.ceil(length(blocks) / 60);
    if (!bad && plan.bookedMinutes !== undefined && minutes > plan.bookedMinutes)
      return only(`A round more would take ${minutes} minutes; there are ${plan.bookedMinutes}.`);
    return only(
      step(
        'rounds',
        `${name}: ${rounds} ${rounds === 1 ? 'round' : 'rounds'} instead of ${format.rounds}`,
        blocks,
      ),
    );
  }
  if (!('restSeconds' in format)) return only('It has no rest between stations to shorten.');
  const rest = format.restSeconds as number;
  const least = careful ? LEAST_REST.careful : LEAST_REST.usual;
  const restSeconds = rest + (bad ? REST_STEP : -REST_STEP);
  if (!bad && restSeconds < least)
    return only(`Rests of ${rest} s are short enough${careful ? ' for them' : ''}: grow by rounds.`);
  return only(step('rests', `${name}: ${restSeconds} s rest instead of ${rest}`, put({ restSeconds })));
}

/** Two-for-two station by station: most did two reps a round over what was asked, at two sessions running. */
function loadSteps(
  plan: Plan,
  last: SessionRecord,
  before: SessionRecord | undefined,
  bad: boolean,
  why: string,
): NextPlan {
  const steps: SessionStep[] = [];
  const entries = entriesOf(plan.blocks);
  plan.blocks.forEach((block, b) => {
    const rounds = 'rounds' in block.format ? block.format.rounds : 1;
    block.stations.forEach((station, s) => {
      const here = entries.findIndex((e) => e.block === b && e.inBlock === s && e.part === 0);
      const { loadKg, reps } = station.dose ?? {};
      if (!loadKg || !reps) return;
      // Whoever somebody counted last time, beside what they did the time before.
      const pairs = there(last).flatMap((now) => {
        const counted = repsAt(now, here, rounds);
        const then = before?.results.find((r) => r.present && r.person !== null && r.person === now.person);
        return counted === null ? [] : [[then ? repsAt(then, here, rounds) : null, counted] as const];
      });
      const over = pairs.filter((pair) => twoForTwo(reps, pair)).length;
      if (!bad && (pairs.length === 0 || over / pairs.length < MOST_WELL)) return;
      const by = Math.max(LOAD_STEP, Math.floor((loadKg * LOAD_SHARE) / LOAD_STEP) * LOAD_STEP);
      const to = loadKg + (bad ? -by : by);
      if (to <= 0) return;
      const name = station.typed?.trim() || station.move.replaceAll('-', ' ');
      steps.push({
        id: `load ${station.id}`,
        is: bad ? 'down' : 'up',
        says: `${name}: ${to} kg instead of ${loadKg}`,
        why: bad ? why : `Most did two over ${reps} a round, two sessions running.`,
        blocks: withBlock(plan.blocks, b, {
          ...block,
          stations: block.stations.map((st, i) =>
            i === s ? { ...st, dose: { ...st.dose, loadKg: to } } : st,
          ),
        }),
      });
    });
  });
  return {
    steps,
    stays: steps.length > 0 ? null : 'No load is two reps over at two sessions running yet.',
  };
}

/** A plan with the steps that were accepted, under an id and a title of its own. */
export function planAfter(plan: Plan, steps: readonly SessionStep[], id: string, title: string): Plan {
  // Every step was made from the plan as it was: what each changed is put together block by block.
  const blocks = plan.blocks.map((block, b) => {
    let next = block;
    for (const step of steps) {
      const its = step.blocks[b]!;
      if (JSON.stringify(its.format) !== JSON.stringify(block.format)) next = { ...next, format: its.format };
      next = {
        ...next,
        stations: next.stations.map((station, s) =>
          JSON.stringify(its.stations[s]) === JSON.stringify(block.stations[s]) ? station : its.stations[s]!,
        ),
      };
    }
    return next;
  });
  return { ...plan, id, title: title.slice(0, 120), blocks };
}
