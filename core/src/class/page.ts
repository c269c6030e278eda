import { COSTS } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import { type FormRef, sameForm } from '../move/index.ts';
import { numberOf } from '../record/index.ts';
import {
  type Block,
  type Entry,
  entriesOf,
  type Facts,
  type Plan,
  SHOW_SECONDS,
  type Timed,
  thirdsRunning,
  timelineOf,
} from '../session/index.ts';
import { beginsWith, ownWords } from '../words/index.ts';
import type { ClassWish } from './ground.ts';
import type { ClassPlan } from './plan.ts';

type PlanWish = NonNullable<Plan['wishes']>[number];

/** First entry of a station: its first round, its first part. −1 where it has none. */
const firstOf = (entries: readonly Entry[], block: number, station: number): number =>
  entries.findIndex((e) => e.block === block && e.inBlock === station && e.part === 0);

function entryOfWish(blocks: readonly Block[], entries: readonly Entry[], wish: PlanWish): number {
  const block = blocks.findIndex((b) => b.id === wish.block);
  const station = blocks[block]?.stations.findIndex((s) => s.id === wish.station) ?? -1;
  return station < 0 ? -1 : firstOf(entries, block, station);
}

/** A plan's wishes by entry; those of stations that are gone are passed over. */
export function wishesOf(plan: Pick<Plan, 'blocks' | 'wishes'>): ClassWish[] {
  const entries = entriesOf(plan.blocks);
  return (plan.wishes ?? []).flatMap((wish) => {
    const entry = entryOfWish(plan.blocks, entries, wish);
    return entry < 0
      ? []
      : [{ entry, kind: wish.kind, form: wish.form, ...(wish.person ? { person: wish.person } : {}) }];
  });
}

/** What somebody was given by hand, by entry. */
export const givenTo = (plan: Pick<Plan, 'blocks' | 'wishes'>, person: string) =>
  wishesOf(plan).flatMap(({ entry, kind, form, person: whose }) =>
    kind === 'give' && whose === person ? [{ entry, form }] : [],
  );

/** Whether somebody does what was given to them: only what is open to them can be; who isn't here counts as so. */
export function isGranted(
  plan: Pick<Plan, 'blocks' | 'wishes'>,
  classPlan: Pick<ClassPlan, 'uses'>,
  wish: PlanWish,
): boolean {
  if (wish.kind !== 'give') return true;
  const entry = entryOfWish(plan.blocks, entriesOf(plan.blocks), wish);
  const use = classPlan.uses[wish.person ?? '']?.[entry];
  return use === undefined || use?.move === wish.form.move;
}

/** What each does by what is taught, entry by entry: what a later plan keeps to. Null is rest. */
export function taughtBy(plan: Pick<ClassPlan, 'uses' | 'entries'>): Record<string, (FormRef | null)[]> {
  return Object.fromEntries(
    Object.keys(plan.uses).map((id) => [
      id,
      plan.entries.map(({ forms }) => forms.find((f) => f.people.includes(id))?.form ?? null),
    ]),
  );
}

/** Letters and digits that nobody takes for others on paper. */
const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const MARK_LENGTH = 4;
/**
 * Four letters for who does what, the same for the same plan in whatever order its people come: a page that was printed
 * before a change has others. Of a million plans about one shares them with another.
 */
export function planMark({ uses }: Pick<ClassPlan, 'uses'>): string {
  const text = Object.keys(uses)
    .sort()
    .map((id) => `${id}:${JSON.stringify(uses[id]!.map((use) => use && [use.move, use.settings]))}`)
    .join('\n');
  const number = numberOf(text);
  // The high bits are mixed best.
  const hash = number ^ (number >>> 15);
  return Array.from({ length: MARK_LENGTH }, (_, i) => LETTERS[(hash >>> (5 * i)) & 31]).join('');
}

/** What somebody does otherwise than before, at an entry. */
export interface ClassChange {
  readonly person: string;
  readonly entry: number;
  readonly was: FormRef | null;
  readonly is: FormRef | null;
}

/** What a late change changed for those who were there before it and still are. */
export function classChanges(
  before: Pick<ClassPlan, 'uses' | 'entries'>,
  now: Pick<ClassPlan, 'uses' | 'entries'>,
): ClassChange[] {
  const was = taughtBy(before);
  return Object.entries(taughtBy(now)).flatMap(([person, forms]) => {
    const old = was[person];
    if (!old) return [];
    return forms.flatMap((is, entry): ClassChange[] => {
      const then = old[entry] ?? null;
      const same = is === null || then === null ? is === then : sameForm(is, then);
      return same ? [] : [{ person, entry, was: then, is }];
    });
  });
}

/** What isn't shown but said at an entry: a trim, a hold let go of sooner than others do, a count of one's own. */
export function trimsAt(
  library: Library,
  plan: Pick<ClassPlan, 'uses'>,
  entry: number,
): { readonly says: string; readonly people: readonly string[] }[] {
  const uses = Object.entries(plan.uses).map(([id, list]) => [id, list[entry] ?? null] as const);
  const longest = Math.max(0, ...uses.map(([, use]) => use?.holdSeconds ?? 0));
  const said = new Map<string, string[]>();
  for (const [id, use] of uses) {
    if (!use) continue;
    const trim = library.move(use.move)?.trims.find((t) => t.id === use.settings.trim);
    const short =
      use.holdSeconds !== null && use.holdSeconds < longest
        ? `let go after ${use.holdSeconds} s, breathe, again`
        : null;
    const own = use.own ? ownWords(library, use.own, use.pace) : null;
    const load = use.own?.loadKg ? beginsWith(use.own.loadKg) : null;
    for (const says of [trim?.say, short, own, load])
      if (says) said.set(says, [...(said.get(says) ?? []), id]);
  }
  return [...said].map(([says, people]) => ({ says, people }));
}

/** A joint loaded three stations running, and for whom: `station` is the third, of its block. */
export interface ClassRun {
  readonly block: number;
  readonly station: number;
  readonly joint: string;
  readonly people: readonly string[];
}

/** Who loads a joint three stations running by what they do, alike ones together. */
export function runningIn(
  library: Library,
  blocks: readonly Block[],
  plan: Pick<ClassPlan, 'uses'>,
): ClassRun[] {
  const entries = entriesOf(blocks);
  const found = new Map<string, { block: number; station: number; joint: string; people: string[] }>();
  for (const [id, uses] of Object.entries(plan.uses))
    for (const { block, station, joint } of thirdsRunning(library, blocks, (b, at) => {
      const use = uses[firstOf(entries, b, at)];
      return use ? { move: use.move, settings: use.settings } : null;
    })) {
      const key = `${block}/${station}/${joint}`;
      const run = found.get(key) ?? { block, station, joint, people: [] };
      run.people.push(id);
      found.set(key, run);
    }
  return [...found.values()];
}

/** Forms to show and the seconds it takes: every form once, each as long as a known move. Common practice. */
export function showingOf(plan: Pick<ClassPlan, 'entries'>): {
  readonly forms: number;
  readonly seconds: number;
} {
  const forms = plan.entries.reduce((sum, entry) => sum + entry.forms.length, 0);
  return { forms, seconds: forms * SHOW_SECONDS.known };
}

/** By how much of its cost a better plan could be cheaper at the most: 0 where it is proven best. */
export const gapOf = (plan: Pick<ClassPlan, 'cost' | 'atLeast'>): number =>
  plan.cost > 0 ? (plan.cost - plan.atLeast) / plan.cost : 0;

/**
 * What a wish, a level or a borrowed piece came to: rungs' worth for everybody together, above 0 where the plan
 * suits them better than before. Null where another rest or a rest less makes a number of no use.
 */
export function boughtBy(
  before: Pick<ClassPlan, 'cost' | 'entries'>,
  now: Pick<ClassPlan, 'cost' | 'entries'>,
): number | null {
  const resting = (plan: Pick<ClassPlan, 'entries'>) =>
    plan.entries.reduce((sum, entry) => sum + entry.resting.length, 0);
  return resting(before) === resting(now) ? (before.cost - now.cost) / COSTS.rungOff : null;
}

/** The same, said. */
export function boughtWords(rungs: number | null): string {
  if (rungs === null) return '';
  const n = Math.abs(rungs);
  if (n < 0.5) return 'It is as good as before for all of them together.';
  const much = n < 1.5 ? 'about a rung' : `about ${Math.round(n)} rungs`;
  return rungs > 0
    ? `That brings ${much} nearer, all of them together.`
    : `That takes ${much} away, all of them together.`;
}

/** Seconds that the rests before each station's first time leave for showing: what is shown can't take longer there. */
export function restForShowing(session: Timed, facts: Facts): number {
  const { segments } = timelineOf(session, facts);
  let sum = 0;
  const seen = new Set<number>();
  segments.forEach((segment, i) => {
    const next = segments[i + 1];
    if (segment.kind === 'work' || !next || next.kind !== 'work' || seen.has(next.station)) return;
    sum += segment.lengthSeconds;
    seen.add(next.station);
  });
  return sum;
}
