import type { Reason, Use } from '../engine/index.ts';
import { KEEPS, type OwnDose } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { type Demand, type FormRef, type Move, middle, type Settings } from '../move/index.ts';
import { CONDITIONS, calledName, type Person, standsFor } from '../person/index.ts';
import type { Dose, Station } from '../session/index.ts';

const low = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** A form as a trainer names it: "Push-up, hands raised, 43 cm". */
export function formName(library: Library, move: string, settings: Settings = {}): string {
  const found = library.move(move);
  // A movement that only its trainer knows goes by its own words, of which its id is made.
  if (!found) return move.replace(/-/g, ' ').replace(/^./, (c) => c.toUpperCase());
  const trim = found.trims.find((t) => t.id === settings.trim);
  const height =
    settings.surfaceCm !== undefined && found.surface && found.surface.law !== 'place'
      ? `${Math.round(settings.surfaceCm)} cm`
      : '';
  const held = settings.support ? (found.support?.say ?? 'holding on') : '';
  const only = settings.side ? `${settings.side} ${found.alone ?? 'side'} only` : '';
  return [found.name, height, held, only, trim ? low(trim.say).replace(/\.$/, '') : '']
    .filter(Boolean)
    .join(', ');
}

/** A count of reps as it is said: "1 rep", "12 reps". */
export const repsWords = (n: number | string): string => `${n} ${Number(n) === 1 ? 'rep' : 'reps'}`;

/** How much of it: "20 a minute, about 13", "hold 20 s", "hold 15 s, breathe, again". */
function doseWords(use: Use, slotSeconds: number, sides: Move['sides'], swaps: boolean): string {
  const only = use.settings.side;
  const each = only ? ` ${only}, then shake out` : sides === 'one' && swaps ? ' each side' : '';
  const counted = each || (sides === 'alternating' ? ' in all' : '');
  const seconds = each ? Math.floor(slotSeconds / 2) : slotSeconds;
  if (use.holdSeconds !== null) {
    const times = Math.max(1, Math.floor(seconds / (use.holdSeconds + 3)));
    if (use.holdSeconds >= seconds) return `hold ${seconds} s${each}`;
    return times === 1
      ? `hold ${use.holdSeconds} s, then let go${each}`
      : `hold ${use.holdSeconds} s, let go, breathe; ${times} times${each}`;
  }
  const reps = Math.max(1, Math.round((use.pace! * seconds) / 60));
  return `about ${reps}${counted}`;
}

export function paceWords(use: Use): string {
  return use.pace === null ? '' : `${use.pace} a minute`;
}

const SPARES: readonly (readonly [keyof Demand, number, string])[] = [
  ['impact.class', 2, 'the jump'],
  ['posture.floor', 1, 'the floor'],
  ['knee.kneel', 1, 'kneeling'],
  ['wrist.load', 15, 'weight on the wrists'],
  ['spine.bend', 2, 'bending the back'],
  ['spine.turn', 2, 'twisting'],
  ['knee.bendDeg', 100, 'the deep knee bend'],
  ['shoulder.behind', 2, 'arms behind the body'],
];

/** What the change takes away, in words, at most three. */
export function lostWords(
  library: Library,
  from: Pick<Use, 'move' | 'settings'>,
  to: Pick<Use, 'move' | 'settings'>,
): string[] {
  const a = rungDemand(library, from);
  const b = rungDemand(library, to);
  if (!a || !b) return [];
  return SPARES.filter(([key, least]) => middle(a[key]) >= least && middle(b[key]) < least)
    .map(([, , words]) => words)
    .slice(0, 3);
}

/** What the change keeps: "same pattern, most of the same muscles". */
export function keptWords(reason: Reason): string {
  if (reason.use === null) return 'the clock';
  const { samePattern, muscles } = reason.kept;
  const share =
    muscles >= 0.95
      ? 'the same muscles'
      : muscles >= 0.6
        ? 'most of the same muscles'
        : muscles >= 0.3
          ? 'some of the same muscles'
          : 'the place in the round';
  return samePattern ? `the pattern and ${share}` : share;
}

const list = (words: readonly string[]) =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const WEIGHT = { limit: 0, impact: 1, room: 2, intensity: 3, ability: 4, fit: 5 } as const;

/** What ruled, weightiest first, at most two where something firmer than ability did. */
function becauseOf(reason: Reason): string[] {
  const sorted = [...reason.rulers].sort((a, b) => WEIGHT[a.kind] - WEIGHT[b.kind]);
  const says = [...new Set(sorted.map((r) => r.says))];
  return says.slice(0, 2);
}

/** A reason as a trainer would say it, one or two sentences. */
export function sayReason(library: Library, original: Use | null, reason: Reason): string {
  const was = original ? formName(library, original.move) : 'the station';
  const because = list(becauseOf(reason));
  if (reason.rulers.some((ruler) => ruler.id === 'unknown move')) return `As you teach it: ${because}.`;
  if (reason.use === null) return `No form of ${low(was)} is left: ${because}. Keep them moving gently.`;
  const to = formName(library, reason.use.move, reason.use.settings);
  const { own } = reason.use;
  const load = own?.loadKg ? ` ${beginsWith(own.loadKg)}.` : '';
  const count = own?.reps
    ? ` ${ownWords(library, own, reason.use.pace).replace(/^./, (c) => c.toUpperCase())}${own.keeps ? `, ${KEEPS[own.keeps]}` : ''}.`
    : own && !isOnlyLoad(own)
      ? ` ${ownWords(library, own, reason.use.pace).replace(/^./, (c) => c.toUpperCase())}.`
      : '';
  const counted = count + load;
  if (reason.what === 'dose') return `${was}: ${because}.${counted}`;
  if (reason.what === 'pace') {
    const how =
      reason.use.pace !== null ? `at ${reason.use.pace} a minute` : `in holds of ${reason.use.holdSeconds} s`;
    return `${was} ${how}: ${because}.${counted}`;
  }
  const first = reason.what === 'trim' ? `${to}: ${because}.` : `${to} for ${low(was)}: ${because}.`;
  const pace =
    reason.quickerBy > 0
      ? ` Pick up the pace to ${reason.use.pace} a minute to keep the effort${reason.kept.effort < 0.9 ? ', as far as it goes' : ''}.`
      : reason.kept.effort < 0.8
        ? ' It is lighter work; nothing here gives that back.'
        : '';
  return first + pace + counted;
}

/** What came near: "Only the kneeling keeps out the knee push-up." */
export function sayNearMiss(library: Library, reason: Reason): string {
  if (!reason.nearMiss) return '';
  const name = formName(library, reason.nearMiss.move, reason.nearMiss.settings);
  return `Nearer still: ${low(name)}, but for one thing: ${reason.nearMiss.ruler.says}.`;
}

/** "4-2-1-0" read out: "lower 4 s, pause 2, lift 1". */
export function tempoWords(tempo: string): string {
  const [lower, pause, lift, top] = tempo.split('-').map(Number) as [number, number, number, number];
  return [
    lower > 0 ? `lower ${lower} s` : '',
    pause > 0 ? `pause ${pause} s` : '',
    lift > 0 ? `lift ${lift} s` : '',
    top > 0 ? `pause ${top} s` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** What a trainer wrote of a dose: "5 + 5 each side, 3-1-1-0, 8 kg". Empty where nothing was written. */
export function writtenDose(dose: Dose | undefined, sided: boolean): string {
  if (!dose) return '';
  const each = (dose.each ?? sided) ? ' each side' : '';
  const count =
    dose.reps !== undefined
      ? `${dose.split ? dose.split.join(' + ') : repsWords(dose.reps)}${each}`
      : dose.seconds !== undefined
        ? `${dose.seconds} s${dose.each ? ' each side' : ''}`
        : dose.metres !== undefined
          ? `${dose.metres} m`
          : '';
  const sets = dose.sets !== undefined ? `${dose.sets} ${dose.sets === 1 ? 'set' : 'sets'}` : '';
  return [
    sets && count ? `${sets} of ${count}` : sets || count,
    dose.bouts ? `${dose.bouts.times} × ${dose.bouts.seconds} s` : '',
    dose.tempo ? dose.tempo : '',
    dose.loadKg !== undefined ? `${dose.loadKg} kg` : '',
    ...(dose.phases ?? []).map((phase) => `${phase.seconds} s ${phase.says}`),
    dose.calls ? `“${dose.calls.says}” ${dose.calls.times} times` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** A dose of somebody's own, said: "7 each side", "5 + 5", "2, 4, … up to 8", "8, then push-up from the knees". */
export function ownWords(library: Library, own: OwnDose, pace: number | null): string {
  const each = own.each ? ' each side' : '';
  const then = own.ending
    ? `${own.ending.after}${own.reps === null ? ' or so' : ''}, then ${low(formName(library, own.ending.move, own.ending.settings))}`
    : '';
  if (own.top !== null) return `only as far as ${own.top}`;
  if (own.bouts) return `${own.bouts.times} × ${own.bouts.seconds} s, easy between`;
  if (own.reps === null) return then;
  const count = own.split ? own.split.join(' + ') : String(own.reps);
  return `${pace !== null && !own.split ? repsWords(count) : count}${each}${then ? `: ${then}` : ''}`;
}

/** A load in place of the written one, said. */
export const beginsWith = (kg: number): string => `${kg} kg to begin with`;

/** Of the dose nothing is theirs but how heavy. */
const isOnlyLoad = (own: OwnDose): boolean =>
  own.reps === null && own.top === null && own.bouts === null && own.ending === null;

/** How a load is chosen where nobody wrote one for this form. Common practice: two repetitions in reserve. */
const OWN_LOAD = 'a weight you could do two more with';

/**
 * How much of it somebody does: what was written where that holds for them, else by pace and time. `station` is the
 * station's own dose, or that of the part of its chain that is meant.
 */
export function doseHere(
  library: Library,
  move: Move,
  use: Use,
  station: Pick<Station, 'move' | 'dose' | 'sides'>,
  seconds: number,
  counts: boolean,
): string {
  // The kilograms were written for another move: what somebody else does is loaded by what they can move.
  const loaded = station.dose?.loadKg !== undefined && use.move !== station.move;
  const { loadKg: _, ...unloaded } = station.dose ?? {};
  const dose: Dose | undefined = loaded ? unloaded : station.dose;
  const sided = move.sides === 'one';
  const swaps = station.sides !== 'two slots' && station.sides !== 'other side each round';
  const own = use.own?.loadKg ?? null;
  const load =
    own !== null
      ? `, ${beginsWith(own)}`
      : loaded
        ? move.needs.some((need) => need.what === 'hand load')
          ? `, ${OWN_LOAD}`
          : ''
        : dose?.loadKg !== undefined
          ? `, ${dose.loadKg} kg`
          : '';
  if (use.own && !isOnlyLoad(use.own)) {
    const counted = ownWords(library, use.own, use.pace);
    return (
      (use.own.ending && use.own.reps === null
        ? `${doseWords(use, seconds, move.sides, swaps)}: ${counted}`
        : counted) + load
    );
  }
  if (use.holdSeconds !== null) {
    if (dose?.bouts && use.holdSeconds >= dose.bouts.seconds)
      return `${dose.bouts.times} × ${dose.bouts.seconds} s`;
    return doseWords(use, seconds, move.sides, swaps) + load;
  }
  if (dose?.reps !== undefined || dose?.metres !== undefined || (dose?.bouts && dose.seconds === undefined))
    return own === null
      ? writtenDose(dose, sided) + (loaded ? load : '')
      : writtenDose({ ...dose, loadKg: undefined }, sided) + load;
  if (dose?.seconds !== undefined)
    return `${dose.seconds} s${dose.each ? ' each side' : sided && swaps ? ', half each side' : ''}${load}`;
  if (counts) return `10 reps${sided ? ' each side' : ''}${load}`;
  return doseWords(use, seconds, move.sides, swaps) + load;
}

const COUNTS = ['nobody', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
/** A small number as a word. */
export const countWord = (n: number): string => COUNTS[n] ?? String(n);

/** People as they are spoken of in front of a class: names, and "the two with sore knees". */
export interface Spoken {
  /** Called by name; or what is known of those who are known by number. */
  readonly name: string;
  readonly byNumber: boolean;
  readonly count: number;
}

/** How somebody is spoken of: by name, or by what is known of those who are known by number. */
export const spokenAs = (person: Person): Spoken => ({
  name: calledName(person),
  byNumber: standsFor(person) !== null,
  count: 1,
});

/** Levels, as they are said of so many people. */
const LEVEL_SAID: Readonly<Record<string, readonly [string, string]>> = {
  'new to this': ['who is new to this', 'who are new to this'],
  'finding their feet': ['finding their feet', 'finding their feet'],
  'moves well': ['who moves well', 'who move well'],
  'wants more': ['who wants more', 'who want more'],
};
const NOUNS = /^(teenager|child|older adult)(?=,|$)/i;
/** What people have, by its name in a line about them, the longest first: names have commas of their own, and one begins another. */
const SAID = Object.values(CONDITIONS)
  .flatMap(({ name, said }) =>
    said === undefined
      ? []
      : [{ name: name.toLowerCase(), said: typeof said === 'string' ? [said, said] : said }],
  )
  .sort((a, b) => b.name.length - a.name.length);

/** What is known of so many people, as it stands behind how many: "over 70 who walk with a stick", "with sore knees". */
function knownOf(known: string, one: boolean): string {
  const level = LEVEL_SAID[known.toLowerCase()];
  if (level) return level[one ? 0 : 1];
  const [first, ...more] = known.split(', ');
  const rest = more.join(', ');
  const noun = NOUNS.test(known);
  // What they are, and behind it what they have.
  if (noun || /^(over|under|women|men|\d)/i.test(known)) {
    const plural = first!.toLowerCase() === 'child' ? 'children' : `${first}s`;
    const are = noun ? (one ? first : plural) : /^\d/.test(known) ? `aged ${first}` : first;
    if (rest === '') return are!;
    return /^new to/.test(rest) ? `${are}, ${rest}` : `${are} ${knownOf(rest, one)}`;
  }
  if (/^“/.test(known)) return `said to have ${known}`;
  const has = SAID.find(({ name }) => known.toLowerCase().startsWith(name));
  if (has) return `${has.said[one ? 0 : 1]}${known.slice(has.name.length)}`;
  return `with ${known}`;
}

/** So many people of whom this is known: "two with sore knees", "one who stays off the floor", "two teenagers". */
export function knownAs(count: number, name: string): string {
  // Somebody by name among those who came without a file.
  if (count === 1 && /^\p{Lu}/u.test(name)) return name.split(',')[0]!;
  return `${countWord(count)} ${knownOf(name, count === 1)}`;
}

/** "Maud, Jory and the two with sore knees". */
export function spokenOf(people: readonly Spoken[]): string {
  const merged = new Map<string, Spoken>();
  for (const one of people) {
    const key = `${one.byNumber}/${one.name}`;
    const known = merged.get(key);
    merged.set(key, known ? { ...known, count: known.count + one.count } : one);
  }
  return list(
    [...merged.values()].map((one) => {
      if (!one.byNumber) return one.name;
      const said = knownAs(one.count, one.name);
      return /^\p{Lu}/u.test(said) ? said : `the ${said}`;
    }),
  );
}

/**
 * What to say at a station: which form is shown first, who does which, who does it a little differently. The form
 * that most will do comes first, and nobody's form is called the easy one.
 */
export function sayStation(
  library: Library,
  forms: readonly { readonly form: FormRef; readonly people: readonly Spoken[] }[],
  trims: readonly { readonly says: string; readonly people: readonly Spoken[] }[] = [],
): string {
  const [first, ...others] = forms;
  if (!first) return 'Everybody moves gently until the next.';
  const name = (form: FormRef) => low(formName(library, form.move, form.settings));
  const differently = trims.map(
    ({ says, people }) =>
      ` ${spokenOf(people).replace(/^./, (c) => c.toUpperCase())}: ${low(says).replace(/\.$/, '')}.`,
  );
  if (others.length === 0) return `Show the ${name(first.form)}: it is for everybody.${differently.join('')}`;
  const told = others.map(({ form, people }) => `${name(form)} for ${spokenOf(people)}`);
  const count = (people: readonly Spoken[]) => people.reduce((sum, one) => sum + one.count, 0);
  const most = count(first.people) * 2 > forms.reduce((sum, one) => sum + count(one.people), 0);
  return `Show the ${name(first.form)} first. Then ${list(told)}. ${most ? 'The rest do' : 'Everybody else does'} the first.${differently.join('')}`;
}
