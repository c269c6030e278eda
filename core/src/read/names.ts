import type { Ladder, Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { type Demand, type Move, middle } from '../move/index.ts';
import { DIFFER } from './differ.ts';
import { singular, type Token, tokensOf } from './tokens.ts';
import { isFiller, isHead, twinWords, untwinned, weightOf } from './twins.ts';

/** One way to read a name: a move, or several done as one movement. */
export interface Reading {
  readonly moves: readonly string[];
  /** What the library calls them. */
  readonly names: readonly string[];
  /** How it was come by. */
  readonly why: string;
  /** 0 to 1. */
  readonly sure: number;
}

/** A trainer's own words: what a name means here, as ids with + between; nothing for what is no move of the library. */
export type Vocabulary = Readonly<Record<string, string>>;

interface Entry {
  readonly move: string;
  readonly words: readonly string[];
  readonly weight: number;
  /** The name it was listed by, for the explanation. */
  readonly said: string;
  /** The library's own name rather than a twin of it. */
  readonly own: boolean;
  readonly heads: number;
}

export interface Names {
  readonly library: Library;
  /** Moves by the words of a name in their order; several where trainers differ, likeliest first. */
  readonly exact: ReadonlyMap<string, readonly string[]>;
  /** Every name of every move, and by each word which of them have it. */
  readonly entries: readonly Entry[];
  readonly byWord: ReadonlyMap<string, readonly number[]>;
  /** What each name weighs, beside its neighbours in memory: most names are left at this figure alone. */
  readonly weights: Float64Array;
  /** Room to count in, nothing between two questions: how much of each name is among the words. */
  readonly agrees: Float64Array;
  /** Words of the language by what is left when a letter goes: typing errors are found in one step. */
  readonly near: ReadonlyMap<string, readonly string[]>;
  readonly vocabulary: ReadonlySet<string>;
  /** Names that are written with a word between their parts: "squat and press". */
  readonly linked: ReadonlySet<string>;
  /** By move, found when they are first asked for. */
  readonly ladders: ReadonlyMap<string, Stands>;
  readonly nearby: Map<string, readonly string[]>;
  readonly demands: Map<string, Demand>;
  /** By move, the words of everything it goes by. */
  readonly called: ReadonlyMap<string, readonly (readonly string[])[]>;
  readonly remembered: Map<string, readonly Reading[]>;
}

/** Words of every day that are no names of movements, and no typing errors of one. */
const EVERYDAY = new Set(
  (
    'left right then each every lower upper slow fast next last first second third with without from into onto over under after before until while when main part block level levels ' +
    'light heavy hard easy soft loud time times team partner pair group free best like love hate keep take make this that these those there here have has does done down high back side ' +
    'both only also just very much more less most least many some none still even long short tall wide deep warm cool cold water drink rest stop start finish end ready music mats mat cone cones bring tell show ' +
    'beat clock about again always around away back because before being best better big bit body break bring call can come could daily did does even ever everyone everything far feel few find first fun get give good great group had half hard hope idea inside keep kind know large last late learn least leave let life little look lot loud main mean might mind minute moment morning much must name near need never new night nothing number often once open other outside own past person pick place play point put quite really right room round same say second see seem sense several should show side simple since small soft some sort speak stay still such talk than thank them thing think though thought three through today together tomorrow too try turn two upon use usual usually very want way week well went were what where which while who whole why will work would year yes yet ' +
    // and what the library has none of
    'legpress hacksquat legextensionmachine smithmachine rower sledge battlerope pump pumps scrunch scrunches rollout rollouts frogger tyreflip crosstrainer exercisebike skimachine treadmill elliptical'
  ).split(' '),
);

/** Words between movements done as one. */
const CONNECTS = new Set(['+', '&', 'and', 'to', 'into', 'with', 'then', 'w', ',']);
/** Joined as two things that are both done; "with" may only say how. */
const LINKS = new Set(['+', '&', 'and', 'to', 'into', 'then']);
const isLinked = (tokens: readonly Token[]): boolean =>
  tokens.some((token, i) => i > 0 && LINKS.has(token.word));

const HELD = new Set(['dumbbell', 'dumbell', 'db', 'kettlebell', 'kb', 'barbell', 'bb']);

/** Numbers that are part of a name: fractions of a rep, degrees. */
const NAMED_NUMBERS = new Set(['1.5', '1.25', '180', '90', '360']);
function wordsOfTokens(tokens: readonly Token[]): string[] {
  return tokens.flatMap((token) => {
    if (token.kind === 'word' || token.spelt) return [token.word];
    if (token.kind === 'number') return [String(Math.round(token.value * 100) / 100)];
    return [];
  });
}

/** A name as compared: twins set in, fillers gone. */
export function nameWords(tokens: readonly Token[]): string[] {
  // What is held may stand anywhere: "overhead dumbbell press".
  const all = wordsOfTokens(tokens);
  const held = all.filter((word) => HELD.has(word));
  const words = untwinned(held.length > 0 ? [...all.filter((word) => !HELD.has(word)), ...held] : all);
  const kept = words.filter((word) => !isFiller(word) && (!/^\d/.test(word) || NAMED_NUMBERS.has(word)));
  return kept.length > 0 ? kept : words;
}
const keyOf = (words: readonly string[]) => words.join(' ');
const sortedKey = (words: readonly string[]) => [...words].sort().join(' ');

function deletesOf(word: string): string[] {
  const found = [word];
  for (let i = 0; i < word.length; i++) found.push(word.slice(0, i) + word.slice(i + 1));
  return found;
}

const made = new WeakMap<Library, Names>();

/** Everything that moves go by, ready for reading. Made once for a library. */
export function namesOf(library: Library): Names {
  const known = made.get(library);
  if (known) return known;
  const exact = new Map<string, string[]>();
  const entries: Entry[] = [];
  const byWord = new Map<string, number[]>();
  const vocabulary = new Set<string>([...twinWords(), ...MANNER, ...Object.keys(changes)]);
  const linked = new Set<string>();
  const called = new Map<string, (readonly string[])[]>();
  const add = (name: string, move: string, own: boolean) => {
    const tokens = tokensOf(name);
    const words = nameWords(tokens);
    if (isLinked(tokens)) linked.add(`${sortedKey(words)} ${move}`);
    if (words.length === 0) return;
    called.set(move, [...(called.get(move) ?? []), words]);
    for (const key of new Set([keyOf(words), `=${sortedKey(words)}`])) {
      const list = exact.get(key) ?? [];
      if (!list.includes(move)) own ? list.unshift(move) : list.push(move);
      exact.set(key, list);
    }
    const entry: Entry = {
      move,
      words,
      weight: words.reduce((sum, word) => sum + weightOf(word), 0),
      said: name,
      own,
      heads: words.filter(isHead).length,
    };
    entries.push(entry);
    for (const word of new Set(words)) {
      vocabulary.add(word);
      const list = byWord.get(word) ?? [];
      list.push(entries.length - 1);
      byWord.set(word, list);
    }
  };
  for (const move of library.moves) {
    add(move.name, move.id, true);
    for (const twin of move.twins) add(twin, move.id, false);
  }
  for (const [name, moves] of Object.entries(DIFFER)) {
    const there = moves.filter((id) => library.move(id));
    if (there.length === 0) continue;
    for (const id of there) add(name, id, false);
    const words = nameWords(tokensOf(name));
    for (const key of [keyOf(words), `=${sortedKey(words)}`]) {
      const others = (exact.get(key) ?? []).filter((id) => !there.includes(id));
      exact.set(key, [...there, ...others]);
    }
  }
  // "Weight shift" where the library has a standing one and a seated one: standing, where nothing goes by less.
  for (const move of library.moves) {
    const words = nameWords(tokensOf(move.name));
    const bare = words.filter((word) => word !== 'standing');
    if (bare.length === words.length || bare.length < 2 || exact.has(keyOf(bare))) continue;
    if (exact.has(`=${sortedKey(bare)}`)) continue;
    add(bare.join(' '), move.id, false);
  }
  const near = new Map<string, string[]>();
  for (const word of vocabulary)
    if (word.length >= 4)
      for (const less of deletesOf(word)) {
        const list = near.get(less);
        if (list) list.push(word);
        else near.set(less, [word]);
      }
  const names: Names = {
    library,
    exact,
    entries,
    byWord,
    weights: Float64Array.from(entries, (entry) => entry.weight),
    agrees: new Float64Array(entries.length),
    near,
    vocabulary,
    linked,
    remembered: new Map(),
    ladders: laddersOf(library),
    nearby: new Map(),
    demands: new Map(),
    called,
  };
  made.set(library, names);
  return names;
}

/** Letters changed, missing, too many or changed over, at most two. */
function apart(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 2) return 3;
  const rows = Array.from({ length: a.length + 1 }, (_, i) => [i, ...Array<number>(b.length).fill(0)]);
  for (let j = 0; j <= b.length; j++) rows[0]![j] = j;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]![j] = least;
    }
  return rows[a.length]![b.length]!;
}

/** "sidestep", "kneelifts": two words of the language written as one, of which one says what is done. */
function apartIn(names: Names, word: string): readonly string[] | null {
  if (word.length < 7 || names.vocabulary.has(word) || EVERYDAY.has(word)) return null;
  for (let i = 3; i <= word.length - 3; i++) {
    const two = [word.slice(0, i), singular(word.slice(i))];
    if (two.every((part) => names.vocabulary.has(part)) && two.some(isHead)) return two;
  }
  return null;
}

/** "Bridging", "lunging": the movement by its doing. */
function doing(names: Names, word: string): string | null {
  if (!word.endsWith('ing') || word.length < 6 || names.vocabulary.has(word)) return null;
  const stem = word.slice(0, -3);
  const found = [stem, `${stem}e`, stem.replace(/(.)\1$/, '$1')].find((one) => isHead(one));
  return found ?? null;
}

/** A word of the language that was meant by a word that isn't one; null where none is near enough. */
function meantBy(names: Names, word: string): string | null {
  if (word.length < 4 || names.vocabulary.has(word) || EVERYDAY.has(word) || /\d/.test(word)) return null;
  const candidates = new Set(deletesOf(word).flatMap((less) => names.near.get(less) ?? []));
  let best: string | null = null;
  let least = word.length >= 8 ? 3 : 2;
  for (const candidate of candidates) {
    const steps = apart(word, candidate);
    // A first letter is seldom the wrong one.
    if (steps + (candidate[0] === word[0] ? 0 : 0.5) < least) {
      least = steps + (candidate[0] === word[0] ? 0 : 0.5);
      best = candidate;
    }
  }
  return best;
}

/** What a word that changes a movement asks of the form: how the rung is found where no name says it. */
interface Change {
  readonly says: string;
  readonly suits: (demand: Demand, move: Move) => boolean;
}
const changes: Readonly<Record<string, Change>> = {
  onknees: { says: 'from the knees', suits: (d) => middle(d['knee.kneel']) > 0 },
  wall: { says: 'at the wall', suits: (_, m) => m.needs.some((need) => need.what === 'wall') },
  seated: { says: 'seated', suits: (_, m) => m.posture.work === 'seated' },
  chair: {
    says: 'with a chair',
    suits: (_, m) =>
      m.needs.some((need) => ['seat', 'firm surface', 'hand hold'].includes(need.what)) ||
      m.surface?.for === 'seat',
  },
  raised: {
    says: 'hands raised',
    suits: (_, m) => m.surface?.for === 'hands' || m.surface?.for === 'elbows',
  },
  sofa: { says: 'on a sofa', suits: (_, m) => ['hands', 'elbows', 'seat'].includes(m.surface?.for ?? '') },
  feetraised: { says: 'feet raised', suits: (_, m) => m.surface?.for === 'feet' },
  lowimpact: { says: 'without leaving the floor', suits: (d) => middle(d['impact.class']) <= 1 },
  offbench: {
    says: 'with a bench',
    suits: (_, m) => m.surface !== undefined || m.needs.some((need) => need.what === 'firm surface'),
  },
  nojump: { says: 'without the jump', suits: (d) => middle(d['impact.class']) <= 1 },
  supported: { says: 'holding on', suits: (_, m) => m.needs.some((need) => need.what === 'hand hold') },
  oneleg: { says: 'on one leg', suits: (d) => middle(d['balance.singleLeg']) >= 1 },
  jump: { says: 'with a jump', suits: (d) => middle(d['impact.class']) >= 2 },
  weighted: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  dumbbell: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  kettlebell: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  barbell: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  goblet: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  zercher: { says: 'with a weight', suits: (_, m) => m.needs.some((need) => need.what === 'hand load') },
  band: {
    says: 'with a band',
    suits: (_, m) => m.needs.some((need) => need.what === 'band' || need.what === 'pull anchor'),
  },
  standing: { says: 'standing', suits: (_, m) => m.posture.work === 'standing' },
  slow: { says: 'slowly', suits: (_, m) => /slow/i.test(m.name) },
};
/** Said of the manner alone: the move stays what it is. */
const MANNER = new Set([
  'prisoner',
  'slow',
  'fast',
  'bodyweight',
  'alternating',
  'full',
  'deep',
  'standing',
  'dumbbell',
  'kettlebell',
  'barbell',
  'ontoes',
  'onspot',
  'left',
  'right',
  'modified',
  'abs',
  'glute',
  'biceps',
]);

/** What is held, which changes how heavy a movement is and not what it is. */
const HELD_THINGS = new Set([
  'band',
  'weighted',
  'dumbbell',
  'kettlebell',
  'barbell',
  'goblet',
  'zercher',
  'offbench',
]);

/** Words of where the body is, and the postures that each is said of. */
const POSTURES: Readonly<Record<string, RegExp>> = {
  lying: /^lying/u,
  prone: /^lying on the front$/u,
  allfours: /^all fours$/u,
  seated: /^(?:seated|sitting)/u,
};

/** Both a manner and a rung: taken for the rung only where a name says so. */
const OF_MANNER = new Set(['slow', 'standing']);

const readingOf = (names: Names, moves: readonly string[], why: string, sure: number): Reading => ({
  moves,
  names: moves.map((id) => names.library.move(id)?.name ?? id),
  why,
  sure: Math.round(Math.min(1, Math.max(0, sure)) * 100) / 100,
});

interface Scored {
  readonly entry: Entry;
  readonly score: number;
  readonly left: readonly string[];
}

const OF_BODY = new Set([
  'head',
  'neck',
  'eye',
  'ankle',
  'wrist',
  'finger',
  'lumbar',
  'spine',
  'spinal',
  'pelvic',
  'pelvis',
  'toe',
  'hip',
]);
const ELSEWHERE = 0.2;
/** Where on the body: said of one and named of another, it is another movement. */
const LIMBS = new Set([
  ...OF_BODY,
  ...'arm leg onearm oneleg forearm shoulder elbow hand foot heel calf thigh hamstring chest'.split(' '),
]);
const OTHER_LIMB = 0.4;
/** What a name does besides what was written. */
const NEW_HEAD = 0.18;
/** Readings are told apart, at most so many. */
const MOST = 5;

const LIKELIEST = 8;
/** A word says enough by itself that names are looked up by it. */
const TELLING = 0.55;
const HAS_HEAD = 0.02;
const OWN_NAME = 0.004;

/** On one limb where nobody said so: another, harder movement. */
const ONE_LIMB = new Set(['oneleg', 'onearm']);
const UNSAID = 0.15;

/** How much of a name and of what was written agree. */
function scoreOf(entry: Entry, words: readonly string[], total: number): Scored {
  const left = [...words];
  let shared = 0;
  let heads = 0;
  for (const own of entry.words) {
    const at = left.indexOf(own);
    if (at < 0) continue;
    left.splice(at, 1);
    shared += weightOf(own);
    if (isHead(own)) heads++;
  }
  const lostHeads = left.filter(isHead).length;
  // Said of another part of the body it is another movement: a turn of the head is none of the trunk.
  const elsewhere = left.some((word) => OF_BODY.has(word) && !entry.words.includes(word));
  // "Single leg circles" are none of the arms.
  const otherLimb =
    left.some((word) => LIMBS.has(word)) && entry.words.some((own) => LIMBS.has(own) && !words.includes(own));
  const newHeads =
    entry.heads === 0 ? 0 : entry.words.filter((own) => isHead(own) && !words.includes(own)).length;
  const score =
    (2 * shared) / (total + entry.weight) -
    lostHeads * 0.12 -
    (otherLimb ? OTHER_LIMB : elsewhere ? ELSEWHERE : 0) -
    newHeads * NEW_HEAD -
    (entry.words.some((own) => ONE_LIMB.has(own) && !words.includes(own)) ? UNSAID : 0) +
    (heads > 0 ? HAS_HEAD : 0) +
    (entry.own ? OWN_NAME : 0);
  return { entry, score, left };
}

const before = (a: Scored, b: Scored) => b.score - a.score || (a.entry.move < b.entry.move ? -1 : 1);

/**
 * The moves whose names agree best with what was written, best first. Words that both have are summed over the lists
 * of names by word; only a name that could still come among the best is compared in full.
 */
function scored(names: Names, words: readonly string[]): Scored[] {
  const total = words.reduce((sum, word) => sum + weightOf(word), 0);
  const { agrees, weights } = names;
  const met: number[] = [];
  let light = 0;
  for (const word of new Set(words)) {
    const often = words.filter((other) => other === word).length;
    const weight = weightOf(word) * often;
    if (weightOf(word) < TELLING) light += weight;
    else
      for (const at of names.byWord.get(word) ?? []) {
        if (agrees[at] === 0) met.push(at);
        agrees[at]! += weight;
      }
  }
  const best: Scored[] = [];
  const compare = (at: number) => {
    const entry = names.entries[at]!;
    const one = scoreOf(entry, words, total);
    const same = best.findIndex((other) => other.entry.move === entry.move);
    if (same >= 0 && best[same]!.score >= one.score) return;
    if (same >= 0) best.splice(same, 1);
    best.push(one);
    best.sort(before);
    best.length = Math.min(best.length, MOST);
  };
  // Those that may be best are compared first, so that few of the others need be.
  const most = (at: number) => (2 * (agrees[at]! + light)) / (total + weights[at]!) + HAS_HEAD + OWN_NAME;
  const likeliest: number[] = [];
  let least = 0;
  for (const at of met) {
    if (likeliest.length === LIKELIEST && most(at) <= least) continue;
    likeliest.push(at);
    likeliest.sort((a, b) => most(b) - most(a));
    likeliest.length = Math.min(likeliest.length, LIKELIEST);
    least = most(likeliest.at(-1)!);
  }
  for (const at of likeliest) compare(at);
  for (const at of met) {
    const may = best.length < MOST || most(at) >= best[MOST - 1]!.score;
    agrees[at] = 0;
    if (may && !likeliest.includes(at)) compare(at);
  }
  return best;
}

/** Moves of the ladders a move stands on, nearest rung first; found once a move. */
function neighbours(names: Names, id: string): readonly string[] {
  const known = names.nearby.get(id) ?? nearby(names, id);
  names.nearby.set(id, known);
  return known;
}
function nearby({ ladders }: Names, id: string): readonly string[] {
  const found = new Set<string>();
  const { on, branches } = ladders.get(id) ?? { on: [], branches: [] };
  for (const ladder of on) {
    const at = ladder.rungs.findIndex((rung) => rung.move === id);
    const near = ladder.rungs.map((rung, i) => ({ move: rung.move, far: Math.abs(i - at) }));
    for (const { move } of near.sort((a, b) => a.far - b.far)) if (move !== id) found.add(move);
  }
  for (const ladder of branches) for (const rung of ladder.rungs) found.add(rung.move);
  return [...found];
}
/** Ladders that a move stands on, and branches of those. */
interface Stands {
  readonly on: Ladder[];
  readonly branches: Ladder[];
}
function laddersOf({ ladders }: Library): ReadonlyMap<string, Stands> {
  const found = new Map<string, Stands>();
  const of = (id: string): Stands => {
    const known = found.get(id) ?? { on: [], branches: [] };
    found.set(id, known);
    return known;
  };
  const trunks = new Map(
    ladders.map((ladder) => [ladder.id, new Set(ladder.rungs.map((rung) => rung.move))]),
  );
  for (const ladder of ladders) for (const id of trunks.get(ladder.id)!) of(id).on.push(ladder);
  for (const ladder of ladders)
    for (const id of new Set(ladder.branchOf.flatMap((trunk) => [...(trunks.get(trunk) ?? [])])))
      of(id).branches.push(ladder);
  return found;
}

/** What a move asks for as it is written; found once a move. */
function demandOf(names: Names, move: string): Demand | undefined {
  const known = names.demands.get(move) ?? rungDemand(names.library, { move });
  if (known) names.demands.set(move, known);
  return known;
}

const same = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((x, i) => x === b[i]);
const DOUBT = 0.34;
/** Sure enough to stand as that move; below it a station goes by its own words. */
export const STANDS = 0.5;
/** Sure enough to stand without a question. */
export const SURE = 0.8;
/** Under what stands as a move. */
const NO_MORE = 0.4;

/** Names remembered of what was read last: a text is read anew at every letter, and all but a line of it is as before. */
const REMEMBERED = 4000;
/** Readings of words that are one movement, best first. */
function readWhole(names: Names, written: readonly string[], linked = false): readonly Reading[] {
  const key = `${linked ? '+' : ''}${keyOf(written)}`;
  const known = names.remembered.get(key);
  if (known) return known;
  const read = readAnew(names, written, linked);
  if (names.remembered.size >= REMEMBERED) names.remembered.clear();
  names.remembered.set(key, read);
  return read;
}

function readAnew(names: Names, written: readonly string[], linked: boolean): Reading[] {
  const { library } = names;
  const mended: string[] = [];
  let changed = false;
  const words = written.flatMap((word) => {
    const same = apartIn(names, word) ?? doing(names, word);
    if (same !== null) {
      changed = true;
      return same;
    }
    const meant = meantBy(names, word);
    if (meant === null) return [word];
    mended.push(`“${word}” read as “${meant}”`);
    return [meant];
  });
  const plain = changed || mended.length > 0 ? untwinned(words).filter((word) => !isFiller(word)) : words;
  if (plain.length === 0) return [];
  const typo = mended.length > 0 ? `; ${mended.join(', ')}` : '';
  const cost = mended.length * 0.06;
  const exact = names.exact.get(keyOf(plain)) ?? names.exact.get(`=${sortedKey(plain)}`);
  const found: Reading[] = [];
  const take = (moves: readonly string[], why: string, sure: number) => {
    if (!found.some((one) => same(one.moves, moves)))
      found.push(readingOf(names, moves, why + typo, sure - cost));
  };
  for (const [i, move] of (exact ?? []).entries()) {
    // Two movements with an "and" between them are no name that has none.
    if (linked && !names.linked.has(`${sortedKey(plain)} ${move}`)) take([move], 'nearly by name', 0.8);
    else if (exact!.length === 1) take([move], 'by name', 1);
    else take([move], i === 0 ? 'the likeliest of its meanings' : 'also called so', 0.9 - i * 0.12);
  }
  // What goes by exactly this name needs no look at what resembles it.
  if (found.length === 1 && found[0]!.sure === 1) return found;
  const candidates = scored(names, plain);
  // A word that asks for another rung or setting of the same family.
  if (found.length === 0) {
    const changing = plain.filter((word) => changes[word] && !OF_MANNER.has(word));
    const whole = plain.filter((word) => !changing.includes(word));
    const rest = whole.filter((word) => !MANNER.has(word));
    if (changing.length > 0 && rest.length > 0) {
      // "Fast feet": the manner may be part of the name.
      const base =
        names.exact.get(keyOf(whole)) ??
        names.exact.get(keyOf(rest)) ??
        names.exact.get(`=${sortedKey(rest)}`);
      // With a thing that no form of it has, it is still that movement.
      const bareOf = changing.every((word) => HELD_THINGS.has(word)) ? (base ?? [])[0] : undefined;
      for (const id of base ?? []) {
        const ofHeads = rest.filter(isHead);
        const suits = (move: string) => {
          const it = library.move(move);
          // What is held makes no other movement of it: a clam with a band is no side step.
          if (move !== id && changing.some((word) => HELD_THINGS.has(word))) {
            const same = (names.called.get(move) ?? []).some((said) =>
              ofHeads.every((head) => said.includes(head)),
            );
            if (!same) return false;
          }
          const demand = demandOf(names, move);
          return (
            it !== undefined &&
            demand !== undefined &&
            changing.every((word) => changes[word]!.suits(demand, it))
          );
        };
        const fit = [id, ...neighbours(names, id)].find(suits);
        if (fit)
          take(
            [fit],
            `${library.move(id)!.name.toLowerCase()}, ${changing.map((word) => changes[word]!.says).join(', ')}`,
            0.86,
          );
      }
      if (bareOf !== undefined && found.length === 0)
        take([bareOf], `by name; ${changing.map((word) => changes[word]!.says).join(', ')}`, SURE);
    }
  }
  // What is only a manner leaves the move as it is.
  const bare = plain.filter((word) => !MANNER.has(word));
  if (found.length === 0 && bare.length > 0 && bare.length < plain.length) {
    const left = plain.filter((word) => MANNER.has(word));
    const close = candidates[0];
    const known = names.exact.get(keyOf(bare)) ?? names.exact.get(`=${sortedKey(bare)}`);
    // A name that says the manner too is nearer than one that doesn't.
    if (close && close.score >= 0.97 && close.left.length === 0)
      take([close.entry.move], `as “${close.entry.said}”`, 0.92);
    for (const [i, move] of (known ?? []).entries())
      take([move], `by name; ${left.join(', ')} is the manner`, 0.9 - i * 0.12);
  }
  const settled = found.length > 0;
  for (const { entry, score, left } of candidates) {
    if (score < DOUBT) break;
    const posture = library.move(entry.move)?.posture.work ?? '';
    // "Lying" is said of what is done lying, and of nothing that is done on the feet.
    const elsewhere = left.some((word) => POSTURES[word]?.test(posture) === false);
    const over = left.filter((word) => !MANNER.has(word) && (elsewhere || !POSTURES[word]));
    take(
      [entry.move],
      over.length > 0 ? `nearest is “${entry.said}”; left over: ${over.join(', ')}` : `as “${entry.said}”`,
      // What goes by exactly these words comes before what only resembles it; a word that no name has is of
      // something else, which is shown and doesn't stand.
      Math.min(
        score * (over.length > 0 ? 0.8 : 0.95),
        exact ? 0.6 : settled ? 0.75 : 1,
        elsewhere || over.some((word) => !names.vocabulary.has(word)) ? NO_MORE : 1,
        // "Seated", "chest": how or where, and no word of what is done.
        score < 0.95 && !plain.some(isHead) ? NO_MORE : 1,
        // "Stretch" says no more than which kind of thing.
        plain.length === 1 && plain[0] === 'stretch' ? NO_MORE : 1,
      ),
    );
  }
  return found.sort((a, b) => b.sure - a.sure).slice(0, MOST);
}

/** How many parts a movement may have. */
const MOST_PARTS = 4;

/** Tokens between the words that join movements. */
function partsOf(tokens: readonly Token[]): Token[][] {
  const parts: Token[][] = [[]];
  for (const token of tokens) {
    if (CONNECTS.has(token.word) && parts.at(-1)!.length > 0) parts.push([]);
    else if (!CONNECTS.has(token.word)) parts.at(-1)!.push(token);
  }
  const named = parts.filter((part) => nameWords(part).length > 0);
  // "front and side raises": what they are stands behind the last.
  const heads = (named.at(-1) ?? []).filter((token) => isHead(token.word));
  return named.map((part) =>
    heads.length > 0 && !nameWords(part).some(isHead) ? [...part, ...heads] : part,
  );
}

/** "Side plank with rotation": what is done in the middle of a hold is done where that is, and on no feet. */
function goTogether(
  { library }: Names,
  tokens: readonly Token[],
  read: readonly (Reading | undefined)[],
): boolean {
  if (!tokens.some(({ word }) => word === 'with')) return true;
  const [first, ...others] = read.map((one) => library.move(one!.moves[0]!));
  const held = first?.unit === 'hold' && first.posture.work !== 'standing';
  return !held || others.every((move) => move?.posture.work !== 'standing');
}

/** "burpees (no push-up)": the name without what isn't done, and nothing that has it. Null where nothing is denied. */
function withoutDenied(
  names: Names,
  tokens: readonly Token[],
  own: ReadonlyMap<string, string>,
): Reading[] | null {
  const at = tokens.findIndex((token, i) => i > 0 && ['no', 'without', 'minus'].includes(token.word));
  if (at < 0 || names.exact.has(keyOf(nameWords(tokens)))) return null;
  const name = tokens.slice(0, at).filter((token) => token.word !== '(' && token.word !== '-');
  const not = nameWords(tokens.slice(at + 1));
  if (
    not.length === 0 ||
    nameWords(name).length === 0 ||
    untwinned([tokens[at]!.word, ...not]).length <= not.length
  )
    return null;
  const has = (id: string) =>
    (names.library.move(id) ? [names.library.move(id)!.name, ...names.library.move(id)!.twins] : []).some(
      (said) => {
        const words = nameWords(tokensOf(said));
        return not.every((word) => words.includes(word)) && !/\b(?:no|without)\b/i.test(said);
      },
    );
  const left = readName(names, name, own).filter((one) => !one.moves.some(has));
  return left.length > 0
    ? left.map((one) => ({ ...one, why: `${one.why}; without ${not.join(' ')}` }))
    : null;
}

/**
 * What a name may mean, best first: the trainer's own word, a move by name, a rung of its family by what changes it, or
 * several movements done as one. Empty where nothing is near.
 */
export function readName(
  names: Names,
  tokens: readonly Token[],
  own: ReadonlyMap<string, string> = new Map(),
): Reading[] {
  const words = nameWords(tokens);
  if (words.length === 0) return [];
  const denied = withoutDenied(names, tokens, own);
  if (denied) return denied;
  const mine = own.get(keyOf(words));
  const whole = readWhole(names, words, isLinked(tokens));
  const first: Reading[] = mine ? [readingOf(names, mine.split('+'), 'as you have said', 1)] : [];
  // Said to be something of their own: what it is near is shown, and none of it stands.
  if (mine === '') return whole.map((one) => ({ ...one, sure: Math.min(one.sure, NO_MORE) }));
  const parts = partsOf(tokens);
  const joined: Reading[] = [];
  if (parts.length > 1 && parts.length <= MOST_PARTS && (whole[0]?.sure ?? 0) < 0.9) {
    const read = parts.map((part) => readWhole(names, nameWords(part))[0]);
    if (read.every((one) => one && one.sure >= 0.62) && goTogether(names, tokens, read)) {
      const least = Math.min(...read.map((one) => one!.sure));
      joined.push(
        readingOf(
          names,
          [...new Set(read.map((one) => one!.moves[0]!))],
          'as one movement of several parts',
          Math.min(0.95, least * 0.96),
        ),
      );
    }
  }
  const all = [...first, ...[...whole, ...joined].sort((a, b) => b.sure - a.sure)];
  return all.filter((one, i) => all.findIndex((other) => same(other.moves, one.moves)) === i).slice(0, MOST);
}

/** A trainer's own names, as they are compared, and what each means. */
export type OwnWords = ReadonlyMap<string, string>;

/** The trainer's own words, ready for {@link readName}. */
export const ownWords = (vocabulary: Vocabulary): OwnWords =>
  new Map(Object.entries(vocabulary).map(([said, means]) => [keyOf(nameWords(tokensOf(said))), means]));

/** The one move that a name is surely understood as; null where it isn't sure, or means several. */
export function moveMeant(library: Library, text: string): string | null {
  const [best] = readName(namesOf(library), tokensOf(text));
  return best && best.sure >= SURE && best.moves.length === 1 ? best.moves[0]! : null;
}

/** Is this, word for word, what some move is called? */
export const isName = (names: Names, text: string): boolean => {
  const words = nameWords(tokensOf(text));
  return names.exact.has(keyOf(words)) || names.exact.has(`=${sortedKey(words)}`);
};
