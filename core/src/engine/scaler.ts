import { formatEntry } from '../clock/index.ts';
import {
  type FormTable,
  type LibraryIndex,
  metAt,
  paceFor,
  REGION_AT,
  ROW_SIZE,
  rowOf,
  settingsOf,
  tabulateForms,
  taughtForms,
} from '../forms/index.ts';
import { REGIONS, RUNG_STEP } from '../ladder/index.ts';
import { compileConstraints, createLaw, type Ruler, type Subject } from '../limits/index.ts';
import { at, type FormRef, GIVES } from '../move/index.ts';
import { levelAbility } from '../person/index.ts';
import type { Room } from '../room/index.ts';
import { type Dials, entriesOf, type Timed, timelineOf } from '../session/index.ts';
import { type Aim, aimOf } from './aim.ts';
import { type Choice, type LandingBudget, withinBudgets } from './budget.ts';
import { type Costs, costsFor, LEAST_INTENT } from './costs.ts';
import { type DosedForm, drawnOut, inBouts, NO_DOSE, type OwnDose, ownDose } from './dose.ts';
import { explain } from './explain.ts';
import { factsInIndex, goesOf } from './goes.ts';
import { similarityOf } from './similarity.ts';
import { useOf } from './use.ts';
import { USUAL_PAIRS } from './usual.ts';
import type { Reason, Use, Version } from './version.ts';

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
}

/** What somebody could do in a session, and what comes of choosing. */
export interface Opened {
  /** Left to themselves: the cheapest choice of each entry, the session's landings not counted yet; null is rest. */
  readonly free: () => readonly (Choice | null)[];
  /** Choices of which two that came to one move for different ones are parted, where that costs little. */
  readonly varied: (choices: readonly (Choice | null)[]) => readonly (Choice | null)[];
  /**
   * The cheapest legal choice of every taught form of an entry, by the form's number in {@link taughtForms};
   * form −1 where none is open.
   */
  readonly cheapest: (entry: number) => {
    readonly cost: Float64Array;
    readonly form: Int32Array;
    readonly pace: Float64Array;
  };
  /** A form at a pace as a choice of an entry. */
  readonly choice: (entry: number, form: number, pace: number, cost: number) => Choice;
  /** All legal choices of an entry; none where the library has no such move. */
  readonly options: (entry: number) => readonly Choice[];
  readonly budget: LandingBudget;
  /** What a choice of theirs comes to. */
  readonly use: (entry: number, choice: Choice) => Use;
  /** The trainer's own form at an entry as a row of the table; −1 where the room has none. */
  readonly written: (entry: number) => number;
  /** Choices made into a version with its reasons. */
  readonly settle: (choices: readonly (Choice | null)[]) => Omit<Version, 'cost'>;
}

/** Scales sessions in one room; holds what doesn't change while a dial is dragged. */
export interface Scaler {
  readonly table: FormTable;
  readonly scale: (request: ScaleRequest) => Version;
  /** Everything that is open to somebody, before any of it is chosen. */
  readonly open: (request: ScaleRequest) => Opened;
  /** The row of the table that a use is, or of its move at the nearest height; −1 where the room has none. */
  readonly rowOf: (use: FormRef) => number;
  /** For each form in turn, what bars it for this subject at these dials: empty when it is open. */
  readonly bars: (
    forms: readonly FormRef[],
    request: Pick<ScaleRequest, 'subject' | 'dials' | 'reach'>,
  ) => Ruler[][];
}

const IMPACT_CLASS = at('impact.class');
const LIGHT = at('impact.landings');
const HIGH = at('impact.highLandings');
const SLOW = at('effort.metSlow');
const STANDING = at('posture.standing');
const USUAL = at('effort.met');
const FAST = at('effort.metFast');
const NONE: ReadonlySet<number> = new Set();
const BALANCE = at('balance.level');
const CHANGES = at('posture.changes');
const TENTH = Math.log(1.1);
/** Older people, those of unknown age, and whoever is new to it or still finding their feet. Common practice. */
const isCareful = ({ effortAge, ability }: Subject): boolean =>
  effortAge === 'older' || effortAge === undefined || REGIONS.every((_, r) => ability[r]! < MOVES_WELL[r]!);
const MOVES_WELL = levelAbility(2);
const RANGE = GIVES.indexOf('range') + 1;
/** Two surfaces this close are one rung to a coach. Estimate. */
const NEAR_CM = 6;

export function createScaler(index: LibraryIndex, room: Room): Scaler {
  const table = tabulateForms(index, room);
  const facts = factsInIndex(index);
  const law = createLaw(table);
  const { lo, hi, move: moveOf } = table;
  const { pace: paces } = index;

  const middle = (form: number, key: number) => (lo[form * ROW_SIZE + key]! + hi[form * ROW_SIZE + key]!) / 2;
  const metOf = (form: number, pace: number): number => {
    const m = moveOf[form]! * 3;
    return Number.isNaN(pace)
      ? middle(form, USUAL)
      : metAt(
          pace,
          paces[m]!,
          paces[m + 1]!,
          paces[m + 2]!,
          middle(form, SLOW),
          middle(form, USUAL),
          middle(form, FAST),
        );
  };

  const open = (request: ScaleRequest): Opened => {
    const { session, dials, subject } = request;
    const entries = entriesOf(session.blocks);
    const costs = request.costs ?? costsFor(dials.keep);
    const reach = request.reach ?? 0;
    const similarity = similarityOf(index, costs, request.leastIntent ?? LEAST_INTENT);
    const c = compileConstraints(subject, dials, reach);
    const verdict = law.verdict(c);
    const ceiling = Math.min(Number.POSITIVE_INFINITY, ...c.met.map((bound) => bound.max));
    const holdMax = Math.min(Number.POSITIVE_INFINITY, ...c.hold.map((bound) => bound.max));
    const asWritten = dials.ability === 'as written' && dials.intensity === 'as written';
    const liked = new Set((subject.likes ?? []).map((id) => rowOf(index, id)));
    /** The trainer's own ways at a station, by entry: before any other move. */
    const own = entries.map(
      ({ block, inBlock, part }) =>
        new Set(
          (part === 0 ? (session.blocks[block]!.stations[inBlock]!.ways ?? []) : []).map((id) =>
            rowOf(index, id),
          ),
        ),
    );
    /** What a like may take off: forms are looked at so much further. */
    const further = liked.size > 0 ? costs.liked : 0;
    const disliked = new Set(subject.dislikes.map((id) => rowOf(index, id)));
    const written = session.blocks.map((block) => new Set(block.stations.map((s) => rowOf(index, s.move))));
    const newToThem = new Set(subject.newMoves.map((id) => rowOf(index, id)));
    const aims = entries.map((entry) =>
      aimOf(table, entry, request.writtenFor, c.owns.has(entry.move) ? null : c.ability, c.brings),
    );
    const goes = goesOf(timelineOf(session, facts).segments, entries.length);
    // One side alone is only ever done to spare the other.
    const sparing = new Set(c.caps.map((cap) => cap.sparedBy));
    // Once effort is eased nothing gives it back; once ability is, more of the way doesn't either.
    const givesBack = (trim: number) =>
      index.trimGives[trim] === 0 ||
      (dials.intensity === 'as written' &&
        (index.trimGives[trim] !== RANGE || dials.ability === 'as written'));
    const fits = (form: number) =>
      (table.side[form] === 0 || sparing.has(table.side[form] as 1 | 2)) &&
      (table.trim[form]! < 0 || givesBack(table.trim[form]!));
    let openForms: Uint8Array | undefined;
    /** 1 for every form that is open to them: asked at every entry, found once. */
    const openOnes = (): Uint8Array => {
      if (openForms) return openForms;
      openForms = new Uint8Array(table.count);
      for (let f = 0; f < table.count; f++) openForms[f] = verdict.barred[f] === 0 && fits(f) ? 1 : 0;
      return openForms;
    };
    const goalOf = (aim: Aim) => Math.min(aim.met, ceiling);
    const perMinute = c.landings.filter((bound) => bound.per === 'minute');
    /** The longest go as the clock has it, whatever bouts were written into it. */
    const workSeconds = (entry: number) => goes[entry]!.slot;
    const metHiAt = (form: number, pace: number) => {
      const m = moveOf[form]! * 3;
      const end = (key: number) => hi[form * ROW_SIZE + key]!;
      return metAt(pace, paces[m]!, paces[m + 1]!, paces[m + 2]!, end(SLOW), end(USUAL), end(FAST));
    };

    const unhurried = isCareful(subject);
    const isRisky = (form: number): boolean => {
      const of = form * ROW_SIZE;
      return hi[of + BALANCE]! >= 2 || hi[of + CHANGES]! >= 1 || hi[of + LIGHT]! + hi[of + HIGH]! > 0;
    };
    const choosePace = (aim: Aim, form: number): number => {
      const quickest = verdict.quickest(form);
      if (Number.isNaN(quickest)) return Number.NaN;
      const move = moveOf[form]!;
      const m = move * 3;
      let wanted = paces[m + 1]!;
      // Effort is given back by pace, never where a tempo is the exercise, and not once effort is eased.
      if (dials.intensity === 'as written' && form !== aim.form && !index.strict[move]) {
        const pace = paceFor(
          goalOf(aim),
          paces[m]!,
          paces[m + 1]!,
          paces[m + 2]!,
          middle(form, SLOW),
          middle(form, USUAL),
          middle(form, FAST),
        );
        wanted = Number.isNaN(pace) ? paces[m]! : Math.round(pace);
        // Nobody careful is hurried where balance, a landing or getting down is the limit.
        if (unhurried && isRisky(form)) wanted = Math.min(wanted, paces[m + 1]!);
        // What easing impact took out is never given back as more landings.
        const perRep = hi[form * ROW_SIZE + LIGHT]! + hi[form * ROW_SIZE + HIGH]!;
        if (dials.impact !== 'as written' && perRep > 0)
          wanted = Math.min(wanted, Math.floor(aim.landingsPerMinute / perRep));
      }
      return Math.max(paces[m]!, Math.min(wanted, quickest));
    };

    const dosed = (move: number, pace: number): DosedForm => ({
      rep: Number.isNaN(pace) ? null : 60 / pace,
      oneSided: index.oneSided[move] === 1,
    });
    const cleanAt = (form: number): number | null => {
      // As written, nobody's count is anybody's business but the trainer's.
      if (!subject.clean || dials.ability === 'as written') return null;
      const id = index.ids[moveOf[form]!]!;
      const cm = table.surfaceCm[form]!;
      let most: number | null = null;
      for (const seen of subject.clean)
        if (
          seen.move === id &&
          (seen.surfaceCm === null || Number.isNaN(cm) || Math.abs(seen.surfaceCm - cm) <= NEAR_CM)
        )
          most = Math.max(most ?? 0, seen.reps);
      return most;
    };
    /** The nearest open form of the same ladder that asks a little less, with no more landings. */
    const below = (entry: number, form: number) => {
      const aim = aims[entry]!;
      const move = moveOf[form]!;
      const asked = middle(form, aim.governs);
      const { moves, base } = similarity.ranking(move);
      let best = -1;
      let cheapest = Number.POSITIVE_INFINITY;
      for (let k = 0; k < moves.length && base[k]! <= costs.branch + costs.musclesLost; k++)
        for (let f = table.start[moves[k]!]!; f < table.start[moves[k]! + 1]!; f++) {
          if (verdict.barred[f] !== 0 || !fits(f) || table.side[f] || Number.isNaN(paces[moves[k]! * 3]!))
            continue;
          const down = (asked - middle(f, aim.governs)) / aim.step;
          if (down < 0.4 || down > 3) continue;
          if ([LIGHT, HIGH].some((key) => hi[f * ROW_SIZE + key]! > hi[form * ROW_SIZE + key]!)) continue;
          const cost =
            base[k]! + Math.round(costs.rungOff * Math.abs(down - 1)) + (table.trim[f]! >= 0 ? 1 : 0);
          if (cost < cheapest) {
            cheapest = cost;
            best = f;
          }
        }
      return best < 0 ? null : { move: index.ids[moveOf[best]!]!, settings: settingsOf(table, best) };
    };
    const doseFor = (entry: number, form: number, pace: number): OwnDose | null => {
      const aim = aims[entry]!;
      const { block, inBlock, dose, part } = entries[entry]!;
      const { format, stations } = session.blocks[block]!;
      const { bouts } = stations[inBlock]!.dose ?? {};
      const same = form === aim.form && (Number.isNaN(pace) || pace === paces[aim.move * 3 + 1]!);
      const own = ownDose(
        {
          format,
          dose,
          part,
          seconds: goes[entry]!.longest,
          written: dosed(aim.move, paces[aim.move * 3 + 1]!),
          own: dosed(moveOf[form]!, pace),
          same,
          clean: cleanAt(form),
        },
        () => below(entry, form),
      );
      if (own || same || !bouts || part > 0) return own;
      const lands = hi[form * ROW_SIZE + LIGHT]! + hi[form * ROW_SIZE + HIGH]! > 0;
      const longer =
        lands || dials.intensity !== 'as written'
          ? null
          : drawnOut(bouts, workSeconds(entry), goalOf(aim), metOf(form, pace));
      return longer && { ...NO_DOSE, bouts: longer };
    };

    const landings = (entry: number, form: number, pace: number, key: number): number => {
      const perRep = hi[form * ROW_SIZE + key]!;
      if (Number.isNaN(pace) || perRep === 0) return 0;
      const share = doseFor(entry, form, pace)?.share ?? 1;
      return goes[entry]!.all.reduce(
        (sum, go) =>
          sum +
          go.times * Math.ceil(perRep * (go.most === null ? (pace * go.seconds) / 60 : go.most * share)),
        0,
      );
    };

    /** What a coach goes to from each entry's move; nothing where it is to be harder, since the lists go down. */
    const usual = aims.map((aim): ReadonlySet<number> => {
      if (!aim || aim.target > (aim.lo[aim.governs]! + aim.hi[aim.governs]! + aim.step) / 2) return NONE;
      return new Set((USUAL_PAIRS.get(index.ids[aim.move]!) ?? []).map((id) => rowOf(index, id)));
    });
    /** What any form of a move costs, besides what the move is to the one aimed at; a form as written only what is disliked. */
    const moveCost = (entry: number, move: number): { any: number; other: number } => ({
      any: disliked.has(move) ? costs.disliked : 0,
      other:
        (newToThem.has(move) ? costs.newToPerson : 0) +
        (move !== aims[entry]!.move && written[entries[entry]!.block]!.has(move) ? costs.alreadyHere : 0) +
        (usual[entry]!.size > 0 && move !== aims[entry]!.move && !usual[entry]!.has(move)
          ? costs.unusual
          : 0) +
        (own[entry]!.size > 0 && move !== aims[entry]!.move && !own[entry]!.has(move)
          ? costs.notTheirWay
          : 0),
    });
    /** What a form costs on top of its move but for its pace; anything from `under` on is as good as infinite. */
    const formCost = (
      entry: number,
      form: number,
      ofMove: ReturnType<typeof moveCost>,
      under: number,
    ): number => {
      const aim = aims[entry]!;
      const move = moveOf[form]!;
      // Past what was aimed at is as far off as short of it, though within what they can do.
      let cost = Math.round((costs.rungOff * Math.abs(aim.target - middle(form, aim.governs))) / aim.step);
      if (form !== aim.form) {
        const cm = table.surfaceCm[form]!;
        const shownAlready =
          move === aim.move &&
          (cm === aim.settings.surfaceCm || (Number.isNaN(cm) && aim.settings.surfaceCm === undefined)) &&
          (table.support[form] === 1) === (aim.settings.support ?? false);
        if (table.side[form]) cost += costs.oneSideOnly;
        if (!shownAlready) cost += costs.anotherForm;
        if (aim.hi[STANDING]! > 0 && hi[form * ROW_SIZE + STANDING]! === 0) cost += costs.offTheFeet;
        if (table.trim[form]! >= 0) cost += costs.trim;
        if (table.standIn[form]) cost += costs.standIn;
        cost += ofMove.other;
        const harder = hi[form * ROW_SIZE + IMPACT_CLASS]! - aim.hi[IMPACT_CLASS]!;
        if (harder > 0) cost += costs.harderLandings * harder;
      }
      cost += ofMove.any;
      if (cost >= under) return cost;
      if (c.ability && !c.owns.has(index.ids[move]!) && (reach > 0 || verdict.barred[form] !== 0)) {
        let over = 0;
        for (let r = 0; r < REGION_AT.length; r++)
          over = Math.max(
            over,
            (hi[form * ROW_SIZE + REGION_AT[r]!]! - c.ability[r]!) / RUNG_STEP[REGIONS[r]!],
          );
        cost += Math.round(costs.rungTooHard * over);
      }
      return liked.has(move) ? cost - costs.liked : cost;
    };
    /** What its pace costs: the effort by which it misses what is aimed at. */
    const paceCost = (entry: number, form: number, pace: number): number => {
      const missed = Math.abs(Math.log(metOf(form, pace) / goalOf(aims[entry]!))) / TENTH;
      return Math.min(costs.effortAtMost, Math.round(costs.tenthOfEffort * missed));
    };

    const choiceOf = (entry: number, form: number, pace: number, cost: number): Choice => ({
      form,
      pace,
      cost,
      light: landings(entry, form, pace, LIGHT),
      high: landings(entry, form, pace, HIGH),
    });

    /** The cheapest form under a cost that so many rulers bar; the lower row wins a tie. */
    const search = (
      entry: number,
      bars: 0 | 1,
      under: number,
      without: ReadonlySet<number> = NONE,
    ): Choice | null => {
      const aim = aims[entry]!;
      const { moves, base } = similarity.ranking(aim.move);
      let bestForm = -1;
      let bestPace = Number.NaN;
      let bound = under;
      const open = bars === 0 ? openOnes() : null;
      for (let k = 0; k < moves.length && base[k]! - further <= bound; k++) {
        if (without.has(moves[k]!)) continue;
        const ofMove = moveCost(entry, moves[k]!);
        for (let f = table.start[moves[k]!]!; f < table.start[moves[k]! + 1]!; f++) {
          if (open ? open[f] === 0 : verdict.barred[f] !== bars || !fits(f)) continue;
          const room = bound + further - base[k]! + 1;
          const bare = formCost(entry, f, ofMove, room);
          if (bare >= room) continue;
          const pace = choosePace(aim, f);
          const cost = Math.max(0, base[k]! + bare + paceCost(entry, f, pace));
          if (cost < bound || (cost === bound && bestForm > f)) {
            bound = cost;
            bestForm = f;
            bestPace = pace;
          }
        }
      }
      return bestForm < 0 ? null : choiceOf(entry, bestForm, bestPace, bound);
    };

    /** With its dials as written, a form that is legal and feasible here stands before anything is weighed. */
    const stands = (entry: number): Choice | null => {
      const aim = aims[entry]!;
      return asWritten && aim.form >= 0 && verdict.barred[aim.form] === 0
        ? choiceOf(entry, aim.form, choosePace(aim, aim.form), 0)
        : null;
    };

    const optionsFor = (entry: number): Choice[] => {
      const aim = aims[entry];
      if (!aim) return [];
      const { moves, base } = similarity.ranking(aim.move);
      const options: Choice[] = [];
      const open = openOnes();
      moves.forEach((move, k) => {
        const ofMove = moveCost(entry, move);
        for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
          if (open[f] === 0) continue;
          const usual = choosePace(aim, f);
          const bare = formCost(entry, f, ofMove, Number.POSITIVE_INFINITY);
          for (const pace of new Set([usual, paces[move * 3]!])) {
            const free = asWritten && f === aim.form && pace === usual;
            const cost = free ? 0 : Math.max(0, base[k]! + bare + paceCost(entry, f, pace));
            options.push(choiceOf(entry, f, pace, cost));
          }
        }
      });
      return options;
    };

    const cheapest = (entry: number) => {
      const { of, count } = taughtForms(table);
      const cost = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
      const form = new Int32Array(count).fill(-1);
      const pace = new Float64Array(count);
      const aim = aims[entry];
      if (!aim) return { cost, form, pace };
      const { moves, base } = similarity.ranking(aim.move);
      const open = openOnes();
      for (let k = 0; k < moves.length; k++) {
        const ofMove = moveCost(entry, moves[k]!);
        for (let f = table.start[moves[k]!]!; f < table.start[moves[k]! + 1]!; f++) {
          if (open[f] === 0) continue;
          const id = of[f]!;
          const free = asWritten && f === aim.form;
          const room = cost[id]! + further - base[k]!;
          const bare = free ? 0 : formCost(entry, f, ofMove, room);
          if (!free && bare >= room) continue;
          const p = choosePace(aim, f);
          const own = free ? 0 : Math.max(0, base[k]! + bare + paceCost(entry, f, p));
          if (own < cost[id]!) {
            cost[id] = own;
            form[id] = f;
            pace[id] = p;
          }
        }
      }
      return { cost, form, pace };
    };

    const perSession = (key: number) =>
      Math.min(
        Number.POSITIVE_INFINITY,
        ...c.landings.filter((b) => b.per === 'session' && b.at === key).map((b) => b.max),
      );
    /**
     * Nobody does one thing for two different ones while another good one is open: of stations that came to the same
     * move the one that would lose most by another keeps it, the others take what is next, where that costs no more
     * than meeting a move again. One pass in the order of the stations; no proof that none is better.
     */
    const varied = (choices: readonly (Choice | null)[]): (Choice | null)[] => {
      const made = [...choices];
      const moveAt = (i: number) => (made[i] ? moveOf[made[i]!.form]! : -1);
      for (let i = 0; i < made.length; i++) {
        const same = made.flatMap((_, k) =>
          moveAt(k) >= 0 && moveAt(k) === moveAt(i) && aims[k]!.move !== aims[i]!.move ? [k] : [],
        );
        if (moveAt(i) < 0 || same.length === 0) continue;
        const used = new Set(made.flatMap((_, k) => (moveAt(k) >= 0 ? [moveAt(k)] : [])));
        const others = [i, ...same].map((k) => {
          const other = stands(k) ? null : search(k, 0, made[k]!.cost + costs.alreadyHere + 1, used);
          return { k, other, loses: other ? other.cost - made[k]!.cost : Number.POSITIVE_INFINITY };
        });
        const [first] = [...others].sort((a, b) => a.loses - b.loses || a.k - b.k);
        if (first!.other) {
          made[first!.k] = first!.other;
          // The place it left may still be shared by others.
          i--;
        }
      }
      return made;
    };
    const free = () => entries.map((_, i) => (aims[i] ? (stands(i) ?? search(i, 0, costs.rest)) : null));

    // One side has half of the slot where both share it.
    const slotSeconds = (entry: number, move: number) => {
      const { block, inBlock, dose } = entries[entry]!;
      const { sides } = session.blocks[block]!.stations[inBlock]!;
      const { longest } = goes[entry]!;
      if (dose?.bouts) return Math.min(longest, dose.bouts.seconds);
      const shared = sides !== 'two slots' && sides !== 'other side each round';
      return index.oneSided[move] === 1 && shared ? Math.floor(longest / 2) : longest;
    };

    const original = aims.map((aim, i): Use | null =>
      aim
        ? useOf(
            index,
            { move: aim.move, lo: aim.lo, hi: aim.hi, offset: 0 },
            aim.settings,
            paces[aim.move * 3 + 1]!,
            slotSeconds(i, aim.move),
            aim.form >= 0 && table.standIn[aim.form] === 1,
          )
        : null,
    );

    const useFor = (entry: number, choice: Choice): Use => {
      const aim = aims[entry]!;
      const move = moveOf[choice.form]!;
      const use = useOf(
        index,
        { move, lo, hi, offset: choice.form * ROW_SIZE },
        choice.form === aim.form ? aim.settings : settingsOf(table, choice.form),
        choice.pace,
        Math.min(slotSeconds(entry, move), holdMax),
        table.standIn[choice.form] === 1,
      );
      const own = doseFor(entry, choice.form, choice.pace);
      if (own) return { ...use, own };
      return bouted(entry, choice, use) ?? use;
    };

    /** A jump held back by a bound on landings a minute keeps its rhythm in short bouts, where effort allows. */
    const bouted = (entry: number, choice: Choice, use: Use): Use | null => {
      const { form, pace } = choice;
      const { block, inBlock, dose, part } = entries[entry]!;
      const { format, stations } = session.blocks[block]!;
      const usual = paces[moveOf[form]! * 3 + 1]!;
      if (perMinute.length === 0 || part > 0 || dose || stations[inBlock]!.chain?.length) return null;
      if (formatEntry(format.kind).dose !== 'clock' || index.oneSided[moveOf[form]!] === 1) return null;
      if (metHiAt(form, usual) > ceiling) return null;
      const slot = workSeconds(entry);
      let best: ReturnType<typeof inBouts> = null;
      for (const key of [LIGHT, HIGH]) {
        const perRep = hi[form * ROW_SIZE + key]!;
        if (perRep === 0) continue;
        const most = Math.min(...perMinute.filter((b) => b.at === key).map((b) => b.max));
        const found = inBouts(slot, pace, usual, perRep, most);
        if (!found) return null;
        if (!best || found.share < best.share) best = found;
      }
      // Never more landings than the steady pace would have come to: budgets were kept with that.
      if (!best || usual * best.share > pace) return null;
      const average = useOf(
        index,
        { move: moveOf[form]!, lo, hi, offset: form * ROW_SIZE },
        use.settings,
        usual,
        0,
        use.standIn,
      );
      return {
        ...average,
        lightPerMinute: average.lightPerMinute * best.share,
        highPerMinute: average.highPerMinute * best.share,
        own: { ...NO_DOSE, bouts: { times: best.times, seconds: best.seconds } },
      };
    };

    const settle = (choices: readonly (Choice | null)[]): Omit<Version, 'cost'> => {
      const reasons: Reason[] = [];
      const uses = choices.map((choice, i): Use | null => {
        const aim = aims[i] ?? null;
        const was = original[i] ?? null;
        const use = choice && aim ? useFor(i, choice) : null;
        if (
          choice &&
          use &&
          choice.form === aim?.form &&
          use.pace === was?.pace &&
          use.holdSeconds === was.holdSeconds &&
          use.own === null
        )
          return was;
        reasons.push(
          explain({
            entry: i,
            table,
            law,
            verdict,
            constraints: c,
            similarity,
            aim,
            choice: choice ?? null,
            use,
            was,
            near: choice && aim ? search(i, 1, choice.cost) : null,
            effort: choice && aim ? metOf(choice.form, choice.pace) / goalOf(aim) : 0,
          }),
        );
        return use;
      });
      return { original, uses, reasons };
    };

    return {
      free,
      varied,
      cheapest,
      choice: choiceOf,
      options: optionsFor,
      budget: { light: perSession(LIGHT), high: perSession(HIGH) },
      use: useFor,
      written: (entry) => aims[entry]?.form ?? -1,
      settle,
    };
  };

  const scale = (request: ScaleRequest): Version => {
    const opened = open(request);
    const rest = (request.costs ?? costsFor(request.dials.keep)).rest;
    const cheapest = withinBudgets(opened.free(), opened.budget, rest, opened.options);
    const varied = opened.varied(cheapest);
    const fits = (['light', 'high'] as const).every(
      (key) => varied.reduce((sum, choice) => sum + (choice?.[key] ?? 0), 0) <= opened.budget[key],
    );
    // Proven least is what it came to before two stations were parted, so that is what is told.
    const cost = cheapest.reduce((sum, choice) => sum + (choice?.cost ?? rest), 0);
    return { ...opened.settle(fits ? varied : cheapest), cost };
  };

  const bars: Scaler['bars'] = (forms, request) => {
    const c = compileConstraints(request.subject, request.dials, request.reach ?? 0);
    return forms.map((form) => {
      const move = rowOf(index, form.move);
      if (move < 0) return [];
      const cm = form.settings?.surfaceCm;
      let fewest: number[] | null = null;
      for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
        if ((table.support[f] === 1) !== (form.settings?.support ?? false)) continue;
        if (settingsOf(table, f).side !== form.settings?.side) continue;
        if ((table.trim[f]! < 0 ? undefined : index.trimIds[table.trim[f]!]) !== form.settings?.trim)
          continue;
        // A rung's height is a guide: the nearest this room offers answers for it.
        const far = cm !== undefined && Math.abs(table.surfaceCm[f]! - cm) > NEAR_CM;
        if (far && table.missing[f] === -1) continue;
        const found = law.bars(f, c, 99);
        if (fewest === null || found.length < fewest.length) fewest = found;
      }
      return fewest === null
        ? [{ kind: 'room', id: 'size', says: 'not at this height here', mayLoosen: true }]
        : fewest.map((r) => law.ruler(c, r));
    });
  };

  const rowOfUse = (use: FormRef): number => {
    const move = rowOf(index, use.move);
    if (move < 0) return -1;
    const { surfaceCm, support, trim, side } = use.settings ?? {};
    let best = -1;
    let gap = Number.POSITIVE_INFINITY;
    for (let f = table.start[move]!; f < table.start[move + 1]!; f++) {
      const here = settingsOf(table, f);
      if ((here.support ?? false) !== (support ?? false) || here.trim !== trim || here.side !== side)
        continue;
      // A height that isn't here is the nearest that is.
      const away = Math.abs((here.surfaceCm ?? surfaceCm ?? 0) - (surfaceCm ?? here.surfaceCm ?? 0));
      if (away < gap) {
        gap = away;
        best = f;
      }
    }
    return best;
  };

  return { table, scale, open, bars, rowOf: rowOfUse };
}
