import { type FormTable, type LibraryIndex, metAt, paceFor, ROW_SIZE, rowOf } from '../forms/index.ts';
import { REGIONS } from '../ladder/index.ts';
import {
  type Constraints,
  compileConstraints,
  type Law,
  type Subject,
  type Verdict,
} from '../limits/index.ts';
import { at, type FormRef, GIVES } from '../move/index.ts';
import { levelAbility } from '../person/index.ts';
import { type Dials, entriesOf, type Timed, timelineOf } from '../session/index.ts';
import { type Aim, aimOf } from './aim.ts';
import { type Costs, costsFor, LEAST_INTENT } from './costs.ts';
import { factsInIndex, goesOf } from './goes.ts';
import { type Similarity, similarityOf } from './similarity.ts';
import { USUAL_PAIRS } from './usual.ts';

export interface ScaleRequest {
  /** What is done and on which clock: a whole session, or part of one. */
  readonly session: Timed;
  /** Level the session was written for. */
  readonly writtenFor: 0 | 1 | 2 | 3;
  readonly dials: Dials;
  readonly subject: Subject;
  readonly costs?: Costs;
  /** Rungs above ability that may be tried. */
  readonly reach?: number;
  readonly leastIntent?: number;
  /** Forms that somebody was given by hand, by entry: theirs wherever they are open to them. */
  readonly gives?: readonly { readonly entry: number; readonly form: FormRef }[];
}

export const LIGHT = at('impact.landings');
export const HIGH = at('impact.highLandings');
const SLOW = at('effort.metSlow');
const USUAL = at('effort.met');
const FAST = at('effort.metFast');
const RANGE = GIVES.indexOf('range') + 1;
const MOVES_WELL = levelAbility(2);

/** Older people, those of unknown age, and whoever is new to it or still finding their feet. Common practice. */
const isCareful = ({ effortAge, ability }: Subject): boolean =>
  effortAge === 'older' || effortAge === undefined || REGIONS.every((_, r) => ability[r]! < MOVES_WELL[r]!);

export const NONE: ReadonlySet<number> = new Set();

/** What a room's scaler stands on, whoever asks. */
export interface Ground {
  readonly index: LibraryIndex;
  readonly table: FormTable;
  readonly law: Law;
}

/** Everything that is settled of one request before any form is looked at; what `engine`'s steps are functions of. */
export interface Context extends Ground {
  readonly request: ScaleRequest;
  readonly entries: ReturnType<typeof entriesOf>;
  readonly costs: Costs;
  readonly similarity: Similarity;
  readonly limits: Constraints;
  readonly verdict: Verdict;
  /** Most MET that a limit leaves, and longest hold in seconds; infinite where none does. */
  readonly ceiling: number;
  readonly holdMax: number;
  /** Nothing is eased but by limits: a legal form stands before anything is weighed. */
  readonly asWritten: boolean;
  /** Not to be hurried where balance, a landing or getting down is the limit. */
  readonly careful: boolean;
  /** Rows of moves by what is known of them. */
  readonly liked: ReadonlySet<number>;
  readonly disliked: ReadonlySet<number>;
  readonly newToThem: ReadonlySet<number>;
  /** By block, what the trainer wrote in it; by entry, the trainer's own ways there and what a coach goes to. */
  readonly written: readonly ReadonlySet<number>[];
  readonly own: readonly ReadonlySet<number>[];
  readonly usual: readonly ReadonlySet<number>[];
  /** What a like may take off: forms are looked at so much further. */
  readonly further: number;
  /** By entry; null where the library has no such move. */
  readonly aims: readonly (Aim | null)[];
  readonly goes: ReturnType<typeof goesOf>;
  /** May a form be offered at all, besides being legal: no trim that gives back what a dial took, no idle side. */
  readonly fits: (form: number) => boolean;
  /** 1 for every form that is open to them: asked at every entry, found once. */
  readonly open: () => Uint8Array;
}

/**
 * Somebody who is taken for the level that a session was written for does what was written: it says what people of that
 * level can. So does a healthy child. A rung that was seen, or anything about their health, says more than that.
 */
function asGoodAsWritten(
  { subject, writtenFor }: ScaleRequest,
  entries: ReturnType<typeof entriesOf>,
): Subject {
  const { assumed, keepsUp } = subject;
  if (assumed === undefined || (assumed < writtenFor && !keepsUp)) return subject;
  return { ...subject, owns: [...(subject.owns ?? []), ...new Set(entries.map(({ move }) => move))] };
}

/** Settles a request in a room. */
export function contextOf(ground: Ground, request: ScaleRequest): Context {
  const { index, table, law } = ground;
  const { session, dials, subject } = request;
  const entries = entriesOf(session.blocks);
  const costs = request.costs ?? costsFor(dials.keep);
  const limits = compileConstraints(asGoodAsWritten(request, entries), dials, request.reach ?? 0);
  const verdict = law.verdict(limits);
  const rows = (ids: readonly string[]): ReadonlySet<number> => new Set(ids.map((id) => rowOf(index, id)));
  const liked = rows(subject.likes ?? []);
  const aims = entries.map((entry) =>
    aimOf(
      table,
      entry,
      request.writtenFor,
      limits.owns.has(entry.move) ? null : limits.ability,
      limits.brings,
    ),
  );
  // One side alone is only ever done to spare the other.
  const sparing = new Set(limits.caps.map((cap) => cap.sparedBy));
  // Once effort is eased nothing gives it back; once ability is, more of the way doesn't either.
  const givesBack = (trim: number) =>
    index.trimGives[trim] === 0 ||
    (dials.intensity === 'as written' && (index.trimGives[trim] !== RANGE || dials.ability === 'as written'));
  const fits = (form: number) =>
    (table.side[form] === 0 || sparing.has(table.side[form] as 1 | 2)) &&
    (table.trim[form]! < 0 || givesBack(table.trim[form]!));
  let openForms: Uint8Array | undefined;
  return {
    ...ground,
    request,
    entries,
    costs,
    similarity: similarityOf(index, costs, request.leastIntent ?? LEAST_INTENT),
    limits,
    verdict,
    ceiling: Math.min(Number.POSITIVE_INFINITY, ...limits.met.map((bound) => bound.max)),
    holdMax: Math.min(Number.POSITIVE_INFINITY, ...limits.hold.map((bound) => bound.max)),
    asWritten: dials.ability === 'as written' && dials.intensity === 'as written',
    careful: isCareful(subject),
    liked,
    disliked: rows(subject.dislikes),
    newToThem: rows(subject.newMoves),
    written: session.blocks.map((block) => rows(block.stations.map((s) => s.move))),
    own: entries.map(({ block, inBlock, part }) =>
      rows(part === 0 ? (session.blocks[block]!.stations[inBlock]!.ways ?? []) : []),
    ),
    // Nothing where it is to be harder, since the lists go down.
    usual: aims.map((aim) =>
      !aim || aim.target > (aim.lo[aim.governs]! + aim.hi[aim.governs]! + aim.step) / 2
        ? NONE
        : rows(USUAL_PAIRS.get(index.ids[aim.move]!) ?? []),
    ),
    further: liked.size > 0 ? costs.liked : 0,
    aims,
    goes: goesOf(timelineOf(session, factsInIndex(index)).segments, entries.length),
    fits,
    open: () => {
      if (openForms) return openForms;
      openForms = new Uint8Array(table.count);
      for (let f = 0; f < table.count; f++) openForms[f] = verdict.barred[f] === 0 && fits(f) ? 1 : 0;
      return openForms;
    },
  };
}

/** The middle of a form's figure at a position in its row. */
export const middle = (table: FormTable, form: number, key: number): number => table.middle(key)[form]!;

/** A form's effort in MET at a pace in reps a minute; at its usual one where it has none. */
export function metOf({ index, table }: Ground, form: number, pace: number): number {
  if (Number.isNaN(pace)) return middle(table, form, USUAL);
  const m = table.move[form]! * 3;
  const { pace: paces } = index;
  return metAt(
    pace,
    paces[m]!,
    paces[m + 1]!,
    paces[m + 2]!,
    middle(table, form, SLOW),
    middle(table, form, USUAL),
    middle(table, form, FAST),
  );
}

/** The pace in reps a minute at which a form comes to an effort in MET; NaN where none does. */
export function paceOf({ index, table }: Ground, form: number, met: number): number {
  const m = table.move[form]! * 3;
  const { pace: paces } = index;
  return paceFor(
    met,
    paces[m]!,
    paces[m + 1]!,
    paces[m + 2]!,
    middle(table, form, SLOW),
    middle(table, form, USUAL),
    middle(table, form, FAST),
  );
}

/** The most that a form may come to at a pace, in MET. */
export function metAtMost({ index, table: { hi, move } }: Ground, form: number, pace: number): number {
  const m = move[form]! * 3;
  const { pace: paces } = index;
  const end = (key: number) => hi[form * ROW_SIZE + key]!;
  return metAt(pace, paces[m]!, paces[m + 1]!, paces[m + 2]!, end(SLOW), end(USUAL), end(FAST));
}

/** The effort that is aimed at: the trainer's, or as much of it as a limit leaves. */
export const goalOf = ({ ceiling }: Context, aim: Aim): number => Math.min(aim.met, ceiling);
