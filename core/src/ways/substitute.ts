import { type Library, rungDemand } from '../ladder/index.ts';
import {
  CAPABILITIES,
  type Capability,
  type FormRef,
  middle,
  type Pattern,
  type Settings,
} from '../move/index.ts';
import { type EquipmentId, equipmentOf, fitting, offersOf, type Room } from '../room/index.ts';
import { formName, lostWords } from '../words/index.ts';
import type { Found } from './find.ts';
import { equalEffortReps } from './loads.ts';

/** A piece of a room that meets one of a form's needs. */
export interface Thing {
  readonly need: Capability;
  readonly from: EquipmentId;
  readonly size: number | null;
  readonly count: number;
  readonly standIn: boolean;
}

/** One way to do a move somewhere, from the move itself to a neighbour that needs nothing. */
export interface Way {
  readonly move: string;
  readonly settings: Settings;
  readonly kind: 'as it is' | 'stand-in' | 'moved' | 'another form';
  readonly things: readonly Thing[];
  /** Rungs harder (above 0) or easier than what was asked for. */
  readonly rungs: number;
  readonly says: string;
  /** What keeps the effort; empty where nothing has to be made up for. */
  readonly dose: string;
  readonly cautions: readonly string[];
  readonly cost: number;
}

/** Both legs for one at a time, or the other way round, costs as much as a rung and a half. Common practice. */
const OTHER_SIDES = 1500;

/** Where a coach turns first when a thing is missing: no step, then marching or jogging. Common practice. */
const TURNS_TO: Readonly<Partial<Record<Capability, Pattern>>> = { step: 'locomotion', rope: 'jump' };
const TURNS_TO_SAVES = 3000;
/** How many forms to look for, so that the right ones are among them once they are weighed here. */
export const WAYS_TO_LOOK_FOR = 24;

/** What of a room a form would use, the real thing before a stand-in; null when something is missing. */
export function thingsHere(library: Library, room: Room, form: FormRef): Thing[] | null {
  const move = library.move(form.move);
  if (!move) return null;
  const offers = offersOf(room);
  const things: Thing[] = [];
  for (const need of move.needs) {
    const fits = fitting(offers.get(need.what) ?? [], need, form.settings?.surfaceCm);
    if (fits.length === 0) return null;
    const pick = fits.find((o) => !o.standIn) ?? fits[0]!;
    if (need.what === 'head room') continue;
    things.push({
      need: need.what,
      from: pick.from,
      size: pick.size,
      count: need.count,
      standIn: pick.standIn,
    });
  }
  return things;
}

/** What a move at any of its settings asks for and a room doesn't have. */
export function lacksHere(library: Library, room: Room, move: string): Capability[] {
  const offers = offersOf(room);
  return (library.move(move)?.needs ?? [])
    .filter((need) => fitting(offers.get(need.what) ?? [], need, undefined).length === 0)
    .map((need) => need.what);
}

const USUAL_REPS = 10;
const SHARES = ['strength.legs', 'strength.push', 'strength.pull'] as const;
/** Work that is more for the breath than for strength: a pace keeps its effort, not a number of reps. Estimate. */
const BREATH_MET = 4.8;
/** Fewer than this in one go is another kind of training. */
const FEWEST_REPS = 3;

/** What to change in the dose so that a form of another strength costs the same effort. */
function doseFor(library: Library, from: FormRef, to: FormRef): string {
  const a = rungDemand(library, from);
  const b = rungDemand(library, to);
  if (!a || !b || library.move(to.move)?.unit === 'hold') return '';
  const met = [middle(a['effort.met']), middle(b['effort.met'])] as const;
  if (met[0] >= BREATH_MET)
    return met[1] < met[0] * 0.9 ? 'Quicker, as far as it stays clean, to keep the effort.' : '';
  const region = SHARES.reduce((best, one) => (middle(a[one]) > middle(a[best]) ? one : best), SHARES[0]);
  const was = middle(a[region]);
  const now = middle(b[region]);
  if (!(was > 20) || Math.abs(now - was) < 0.05 * was) return '';
  const reps = equalEffortReps(was, USUAL_REPS, now);
  if (reps !== null && reps >= FEWEST_REPS)
    return `About ${reps} for every ${USUAL_REPS}, to keep the effort.`;
  return now < was
    ? 'Lower in four seconds, hold the hardest point for two; if that is still light, one side at a time.'
    : 'In twos and threes with a breath between, or half the range.';
}

const low = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);
const listed = (words: readonly string[]) =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
const rungWords = (rungs: number): string => {
  const n = Math.round(Math.abs(rungs));
  if (n === 0) return '';
  return `${n === 1 ? 'a rung' : `${n} rungs`} ${rungs < 0 ? 'easier' : 'harder'}`;
};

/**
 * Ways to do a form in a room, best first, from what was found there (see `createFinder` with `itself`):
 * the real thing, a stand-in with its caution, the surface moved along with the dose that keeps the
 * effort, a neighbouring form and what it keeps and loses.
 */
export function waysHere(library: Library, room: Room, from: FormRef, found: readonly Found[]): Way[] {
  const asked = library.move(from.move);
  if (!asked) return [];
  const usual = from.settings?.surfaceCm ?? asked.surface?.usualCm;
  const lacks = lacksHere(library, room, from.move);
  const turnsTo = lacks.flatMap((what) => TURNS_TO[what] ?? []);
  const ways = found.flatMap((one): Way[] => {
    const form: FormRef = { move: one.move, settings: one.settings };
    const things = thingsHere(library, room, form);
    if (!things) return [];
    const standIns = things.filter((t) => t.standIn);
    const cm = one.settings.surfaceCm;
    const itself = one.move === from.move;
    const kind = !itself
      ? 'another form'
      : cm !== undefined && usual !== undefined && Math.abs(cm - usual) > 2
        ? 'moved'
        : standIns.length > 0
          ? 'stand-in'
          : 'as it is';
    const withThings = listed([...new Set(things.map((t) => equipmentOf(t.from).name.toLowerCase()))]);
    const name = formName(library, one.move, one.settings);
    const off = rungWords(one.rungs);
    const lost = lostWords(
      library,
      { move: from.move, settings: from.settings ?? {} },
      { move: one.move, settings: one.settings },
    );
    const says =
      kind === 'another form'
        ? [
            `${name}${withThings ? `, with ${withThings}` : ', with nothing'}.`,
            one.samePattern
              ? `Keeps the pattern and ${one.muscles >= 0.6 ? 'most of' : 'some of'} the muscles${off ? `; ${off}` : ''}.`
              : `Keeps ${one.muscles >= 0.6 ? 'most of' : 'some of'} the muscles, not the pattern${off ? `; ${off}` : ''}.`,
            lost.length > 0 ? `Without ${listed(lost)}.` : '',
          ]
            .filter(Boolean)
            .join(' ')
        : kind === 'moved'
          ? `${name} on ${withThings || 'what is here'}: ${Math.round(cm!)} cm for ${Math.round(usual!)}${off ? `, ${off}` : ''}.`
          : `${name}${withThings ? `, with ${withThings}` : ''}.`;
    return [
      {
        move: one.move,
        settings: one.settings,
        kind,
        things,
        rungs: one.rungs,
        says,
        dose: doseFor(library, from, form),
        cautions: [
          ...new Set(standIns.map((t) => `${equipmentOf(t.from).name}: ${equipmentOf(t.from).standIn}.`)),
        ],
        cost:
          one.cost +
          (library.move(one.move)?.sides === asked.sides ? 0 : OTHER_SIDES) -
          (turnsTo.includes(library.move(one.move)!.pattern) ? TURNS_TO_SAVES : 0),
      },
    ];
  });
  return ways.sort((a, b) => a.cost - b.cost || (a.move < b.move ? -1 : 1));
}

/** "No wall and no step here." where the move itself can't be done; empty where it can. */
export function lackWords(library: Library, room: Room, move: string): string {
  const lacks = lacksHere(library, room, move);
  if (lacks.length === 0) return '';
  return `Not here: ${listed(lacks.map((what) => low(CAPABILITIES[what])))}.`;
}
