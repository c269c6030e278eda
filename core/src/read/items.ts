import { DOSE_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import type { Item } from './line.ts';
import { CLOCK_WORDS, TIERS } from './line-words.ts';
import { type Names, nameWords, type Reading, readName, SURE } from './names.ts';
import { plainName, type Token } from './tokens.ts';
import { isFiller } from './twins.ts';

export function covered(matches: readonly Match<Fact>[], length: number): boolean[] {
  const found = Array<boolean>(length).fill(false);
  for (const { from, to } of matches) for (let i = from; i < to; i++) found[i] = true;
  return found;
}
const SEPARATORS: ReadonlyMap<string, Item['joined']> = new Map([
  ...[',', ';', '\t', '.', '!', '|', ':'].map((sign) => [sign, 'next'] as const),
  ['+', 'with'],
  ['>', 'with'],
  ['→', 'with'],
  ['then', 'then'],
]);

/** What stands between the slashes of a line; one piece where there are none. */
function betweenSlashes(tokens: readonly Token[]): (readonly Token[])[] {
  const slashes = tokens.flatMap((token, i) => (token.word === '/' || token.word === 'or' ? [i] : []));
  return [...slashes, tokens.length].map((to, k) => tokens.slice(k === 0 ? 0 : slashes[k - 1]! + 1, to));
}

/** Which of two a movement is done with: no part of its name. */
const SIDES = new Set(['l', 'r', 'left', 'right']);

/** "Sit to stand / squat / jump squat": one movement for each level, the middle one written, of two the first. */
function abreast(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: Token[]; tiers: Token[][] } | null {
  const pieces = betweenSlashes(tokens);
  if (pieces.length < 2 || pieces.length > 3) return null;
  // Each with a count of its own they are two things to do.
  // A count before the first is of whichever it is: "8 pull-ups or pull-downs".
  const or = tokens.some((token) => token.word === 'or');
  const bare = pieces.every((piece, k) =>
    piece.every(
      (token, i) =>
        token.kind === 'word' || token.word === '-' || (or && k === 0 && i === 0 && token.kind === 'number'),
    ),
  );
  if (!bare || !pieces.every((piece) => piece.length > 0 && isMove(piece))) return null;
  const own = pieces.length === 3 ? 1 : 0;
  return {
    rest: [...pieces[own]!],
    tiers: pieces.filter((_, k) => k !== own).map((piece) => [...piece]),
  };
}

/** What leads to a surface or a part of the body: no part of the name before it. */
const ONTO = new Set(['on', 'onto', 'from', 'off', 'with', 'at', 'against', 'to', 'in']);
/** What stands behind "or" and is no movement of its own: "or just hold it", "or anything you like". */
const RATHER = new Set(
  'just only simply no without less more fewer whatever anything something any stay keep hold use as if even'.split(
    ' ',
  ),
);
/** Words of what somebody is on or holds, said as another way. */
const MOST_OF_WAY = 2;
/**
 * "Press-ups on knees or toes": one movement in two ways, where the name with either is one. "Crunch or just hold":
 * of what no movement is known by, what stands behind "or" is said of how.
 */
function inWays(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: readonly Token[]; tiers: Token[][]; remark?: readonly Token[] } | null {
  const or = tokens.findIndex((token) => token.word === 'or' || token.word === '/');
  const tail = tokens.slice(or + 1);
  if (
    or < 1 ||
    tokens[or - 1]!.kind !== 'word' ||
    tail.length === 0 ||
    !tail.every((token) => token.kind === 'word')
  )
    return null;
  const first = tokens.slice(0, or);
  if (tail.length <= MOST_OF_WAY)
    for (let from = or - 1; from >= Math.max(1, or - MOST_OF_WAY); from--) {
      const on = ONTO.has(tokens[from - 1]!.word) ? from - 1 : from;
      const head = tokens.slice(0, on);
      if (head.length > 0 && isMove(head) && isMove(first) && isMove([...tokens.slice(0, from), ...tail]))
        return { rest: head, tiers: [tokens.slice(from, or), tail] };
    }
  return isMove(first) && tokens[or]!.word === 'or' && RATHER.has(tail[0]!.word)
    ? { rest: first, tiers: [], remark: tokens.slice(or) }
    : null;
}

/** Words of a name that those before it may share. */
const MOST_SHARED = 2;
/** "Wall / knees / full push-up": what the last is called is what the others are of. */
function sharing(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: Token[]; tiers: Token[][]; called: string } | null {
  const pieces = betweenSlashes(tokens);
  const last = pieces.at(-1)!;
  const bare = pieces.every((piece) => piece.length > 0 && piece.every((token) => token.kind === 'word'));
  if (pieces.length < 2 || pieces.length > 3 || !bare || last.length < 2 || !isMove(last)) return null;
  for (let shared = 1; shared <= Math.min(MOST_SHARED, last.length - 1); shared++) {
    const head = last.slice(-shared);
    const whole = pieces.map((piece, i) =>
      i === pieces.length - 1 || isMove(piece) ? [...piece] : [...piece, ...head],
    );
    if (!whole.every(isMove)) continue;
    const own = pieces.length === 3 ? 1 : 0;
    const [from, to] = [pieces[own]![0]!.from, pieces[own]!.at(-1)!.to];
    return {
      rest: whole[own]!.map((token) => ({ ...token, from, to })),
      tiers: whole.filter((_, k) => k !== own),
      called: whole[own]!.map((token) => token.word).join(' '),
    };
  }
  return null;
}

/** What was written of tokens that may stand apart. */
const writtenOf = (text: string, tokens: readonly Token[]): string =>
  tokens
    .map((token, i) => {
      const before = tokens[i - 1];
      const gap = before ? text.slice(before.to, token.from) : '';
      return `${before && (/\//.test(gap) || token.from < before.to) ? ' ' : gap}${text.slice(token.from, token.to)}`;
    })
    .join('');

/** "Squats / press-ups / sit-ups / high knees": more than anybody has levels are things to do. */
function listed(
  tokens: readonly Token[],
  isMove: (some: readonly Token[]) => boolean,
): { rest: Token[]; tiers: Token[][] } | null {
  const pieces = betweenSlashes(tokens);
  if (pieces.length < 4 || pieces.some((piece) => piece.length === 0)) return null;
  if (pieces.filter((piece) => isMove(piece)).length * 2 < pieces.length) return null;
  return { rest: tokens.map((token) => (token.word === '/' ? { ...token, word: ',' } : token)), tiers: [] };
}

/** What a number in brackets is for some alone by. */
const FOR_SOME = new Set([
  'if',
  'when',
  'unless',
  'beginner',
  'beginners',
  'new',
  'advanced',
  'kids',
  'children',
]);
/** As sure as a way in brackets has to be of what it makes of the name. */
const LIKELY_WAY = 0.8;
const BRACKETS = new Set(['(', ')', '[', ']']);

/** "(knees / toes)": ways to do it, in brackets behind the name. */
function tiersOf(
  tokens: readonly Token[],
  isMove: (some: readonly Token[], sure?: number) => boolean,
): { rest: readonly Token[]; tiers: Token[][]; remark?: readonly Token[]; called?: string } {
  const open = tokens.findIndex((token) => token.word === '(' || token.word === '[');
  const shut = tokens.findIndex((token, i) => i > open && (token.word === ')' || token.word === ']'));
  if (open < 1 || shut < 0) {
    const rest = tokens.some((token) => BRACKETS.has(token.word))
      ? tokens.filter((token) => !BRACKETS.has(token.word))
      : tokens;
    return (
      abreast(rest, (some) => isMove(some, SURE)) ??
      sharing(rest, (some) => isMove(some, SURE)) ??
      listed(rest, (some) => isMove(some, SURE)) ??
      inWays(rest, (some) => isMove(some, SURE)) ?? { rest, tiers: [] }
    );
  }
  const inside = tokens.slice(open + 1, shut);
  const rest = [...tokens.slice(0, open), ...tokens.slice(shut + 1)];
  const ways: Token[][] = [[]];
  for (const token of inside) {
    if (['/', ',', 'or', '|'].includes(token.word)) ways.push([]);
    else ways.at(-1)!.push(token);
  }
  const named = ways.filter((way) => way.length > 0);
  // "(easier: on the wall, harder: one leg)": its words say what it is.
  const called = named.every((way) => way.length > 2 && way[1]!.word === ':' && TIERS[way[0]!.word]);
  if (called && named.length > 0) return { rest, tiers: named };
  const doses = factsIn(DOSE_GRAMMAR, inside);
  const quantities =
    inside.some((token) => token.kind !== 'word' && token.kind !== 'sign') ||
    // "(each leg)" is a dose as well.
    (doses.some(({ fact }) => fact.is === 'each') && covered(doses, inside.length).every(Boolean));
  // "8 burpees (6 if you're new)": of somebody else, beside what was said.
  const counted = tokens.slice(0, open).some((token) => token.kind !== 'word' && token.kind !== 'sign');
  if (quantities && counted && inside.some((token) => FOR_SOME.has(token.word)))
    return { rest, tiers: [], remark: inside };
  // Brackets with a number in them are a dose; others say how, or nothing of the name.
  if (quantities)
    return { rest: [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)], tiers: [] };
  // One way alone is one where both it and what stands before it are movements: "star jumps (step jacks)".
  const or = named.length === 1 && inside[0]?.word === 'or';
  const another =
    named.length === 1 &&
    isMove(named[0]!, or ? SURE : undefined) &&
    isMove(tokens.slice(0, open), or ? SURE : undefined);
  // "Push-ups (or knees)": with it the name is another movement.
  if (or && !another && isMove([...tokens.slice(0, open), ...inside.slice(1)], LIKELY_WAY))
    return { rest, tiers: [inside.slice(1)] };
  const inlined = [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)];
  // A remark in brackets ("use hands if needed") is no part of the name.
  // "Side plank (knees down)": what it is with the bracket's words is another movement than without.
  if (named.length === 1 && !another && isMove(inlined, SURE)) return { rest: inlined, tiers: [] };
  if (named.length === 1 && !another && isMove(rest)) return { rest, tiers: [], remark: inside };
  return named.length > 1 || another
    ? { rest, tiers: named }
    : { rest: [...tokens.slice(0, open), ...inside, ...tokens.slice(shut + 1)], tiers: [] };
}

/** "and" begins another movement where a count or a time follows: "press-ups and finish with a 30 second plank". */
function andThen(
  tokens: readonly Token[],
  taken: readonly boolean[],
  at: number,
): Item['joined'] | undefined {
  if (tokens[at]!.word !== 'and') return undefined;
  for (let i = at + 1; i < tokens.length && i <= at + 5; i++) {
    if (taken[i] && tokens[i]!.kind !== 'word' && tokens[i]!.kind !== 'sign') return 'next';
    if (!taken[i] && tokens[i]!.kind === 'word' && !isFiller(tokens[i]!.word)) return undefined;
  }
  return undefined;
}

type Piece = { from: number; to: number; joined: Item['joined'] };

/** So many movements with commas between are a list, and "and" before the last parts it as they do. */
const FEWEST_LISTED = 3;
/** "Squats, rows, climbers and burpees": the last two, where no one movement is called so. */
function lastOfList(
  pieces: readonly Piece[],
  tokens: readonly Token[],
  read: (from: number, to: number) => Reading | undefined,
): Piece[] {
  const last = pieces.at(-1);
  if (!last || pieces.length < FEWEST_LISTED || last.joined !== 'next') return [...pieces];
  const and = tokens.findIndex(
    (token, i) => i > last.from && i < last.to - 1 && (token.word === 'and' || token.word === '&'),
  );
  const lists = pieces.slice(0, -1).every(({ from, to }) => read(from, to)?.moves.length === 1);
  if (and < 0 || !lists || (read(last.from, last.to)?.moves.length ?? 0) < 2) return [...pieces];
  return [...pieces.slice(0, -1), { ...last, to: and }, { from: and + 1, to: last.to, joined: 'next' }];
}

const AMOUNTS = new Set<Fact['is']>(['reps', 'seconds', 'metres']);

/** "10 squats 10 press-ups 10 sit-ups": a count after a name begins another, where each of them is known. */
function countsApart(
  piece: Piece,
  facts: readonly Match<Fact>[],
  isMove: (from: number, to: number) => boolean,
): Piece[] {
  const counts = facts.filter(
    (match) => match.from >= piece.from && match.to <= piece.to && AMOUNTS.has(match.fact.is),
  );
  if (counts.length < 2 || counts[0]!.from !== piece.from) return [piece];
  const cuts = counts.map((match) => match.from);
  const apart = cuts.map((from, i) => ({
    from,
    to: cuts[i + 1] ?? piece.to,
    joined: i === 0 ? piece.joined : ('next' as const),
  }));
  return apart.every(({ from, to }) => isMove(from, to)) ? apart : [piece];
}

/** "Start them with squats", "then finish by doing a plank": what leads to a name is none of it. */
const LEADS = new Set(['start', 'begin', 'finish', 'end', 'open', 'follow', 'move', 'go']);
const LEADS_ON = new Set(['in', 'for', 'of', 'at', 'with', 'over', 'then']);
const TO = new Set(['with', 'by', 'into', 'onto']);
function withoutLead(tokens: readonly Token[]): readonly Token[] {
  const lead = tokens.findIndex((token) => LEADS.has(token.word));
  if (lead < 0) return tokens;
  const to = tokens.findIndex((token, i) => i > lead && i <= lead + 2 && TO.has(token.word));
  return to > 0 && to < tokens.length - 1 ? tokens.slice(to + 1) : tokens;
}

/** "Quads, hamstrings, chest - 30 s each": said behind the last it is of all of them. */
function shared(items: readonly Item[], last: readonly Match<Fact>[]): readonly Item[] {
  const tail = items.at(-1)!;
  const each = last.findIndex(({ fact }) => fact.is === 'each' && fact.one);
  const amount = each > 0 ? last[each - 1]! : undefined;
  const apart =
    items.length > 1 &&
    amount !== undefined &&
    AMOUNTS.has(amount.fact.is) &&
    amount.to === last[each]!.from &&
    items.slice(0, -1).every((item) => !item.facts.some((fact) => AMOUNTS.has(fact.is)));
  if (!apart) return items;
  const facts = tail.facts.filter((fact) => fact !== last[each]!.fact);
  return items.map((item) =>
    item === tail ? { ...item, facts } : { ...item, facts: [...item.facts, amount.fact] },
  );
}

/** "At the bench", "by the wall": where it is done, and nothing that is. */
const PLACE =
  /^(?:then |now |next |and |all |everything |everyone |done )*(?:at|by|beside|near|next to|in|on|around|over at|back at|to) (?:the|a|your|our) (?:kitchen )?[\p{L}-]+$/iu;

/** As little sure nothing is meant by it. */
const DOUBTED = 0.3;
const sureOfFirst = (readings: readonly Reading[]) => readings[0]?.sure ?? 0;

/** Nobody gets anywhere by a pull: "200 m row" is a machine, of which nothing is known. */
const isPull = (names: Names, id: string) => names.library.move(id)?.pattern.startsWith('pull') ?? false;

/** What parts a list. */
const COMMAS = new Set([',', ';']);
/**
 * "Squats (hold a weight if you like), plank": in a list what stands in brackets behind a known movement, words alone,
 * is said of how; with the words of its bracket it may be another movement, and then it is that.
 */
function withoutRemarks(
  all: readonly Token[],
  isMove: (some: readonly Token[], sure?: number) => boolean,
): { tokens: readonly Token[]; remarks: readonly (readonly Token[])[] } {
  const none = { tokens: all, remarks: [] };
  const outside = (at: number) => {
    const before = all.slice(0, at).map((token) => token.word);
    return before.lastIndexOf('(') <= before.lastIndexOf(')');
  };
  if (!all.some((token, i) => COMMAS.has(token.word) && outside(i))) return none;
  const remarks: Token[][] = [];
  const tokens: Token[] = [];
  for (let i = 0; i < all.length; i++) {
    const shut = all[i]!.word === '(' ? all.findIndex((token, k) => k > i && token.word === ')') : -1;
    const inside = all.slice(i + 1, shut);
    const said = shut > i + 2 && inside.every((token) => token.kind === 'word' && token.word !== 'or');
    const begun = tokens.findLastIndex((token) => COMMAS.has(token.word) || token.word === ':') + 1;
    const head = tokens.slice(begun).filter((token) => token.kind === 'word');
    const doses = factsIn(DOSE_GRAMMAR, inside).some(({ fact }) => fact.is !== 'aside');
    if (said && !doses && head.length > 0 && isMove(head) && !isMove([...head, ...inside], SURE)) {
      remarks.push([...inside]);
      i = shut;
    } else tokens.push(all[i]!);
  }
  return remarks.length > 0 ? { tokens, remarks } : none;
}

/** Movements of a line, with how much of each. */
export function itemsOf(
  names: Names,
  text: string,
  all: readonly Token[],
  own: ReadonlyMap<string, string>,
): Item[] {
  const isOne = (some: readonly Token[], sure = 0.9) => {
    const best = readName(names, some, own)[0];
    return best !== undefined && best.sure >= sure && best.moves.length === 1;
  };
  const { tokens: bare, remarks } = withoutRemarks(all, isOne);
  const { rest: tokens, tiers, remark, called } = tiersOf(bare, isOne);
  const facts = factsIn(DOSE_GRAMMAR, tokens);
  const taken = covered(facts, tokens.length);
  const pieces: Piece[] = [];
  let begun = 0;
  let joined: Item['joined'] = null;
  for (let i = 0; i <= tokens.length; i++) {
    const separator =
      i < tokens.length && !taken[i]
        ? (SEPARATORS.get(tokens[i]!.word) ?? andThen(tokens, taken, i))
        : undefined;
    if (i < tokens.length && separator === undefined) continue;
    if (i > begun) pieces.push({ from: begun, to: i, joined });
    // Of several separators in a row the one that says most.
    if (i > begun || joined === null || (separator && separator !== 'next')) joined = separator ?? null;
    begun = i + 1;
  }
  const namesIn = (from: number, to: number) => tokens.slice(from, to).filter((_, i) => !taken[from + i]);
  // A name may have commas of its own, as the library writes it: "Stand, feet together".
  for (let k = 0; k < pieces.length; k++)
    for (let to = Math.min(pieces.length, k + 4); to > k + 1; to--) {
      const last = pieces[to - 1]!;
      if (
        pieces
          .slice(k + 1, to)
          .some(({ joined, from }) => joined !== 'next' || tokens[from - 1]!.word !== ',')
      )
        continue;
      const said = namesIn(pieces[k]!.from, last.to).filter((token) => token.word !== ',');
      const [best] = readName(names, said, own);
      const name = best?.moves.length === 1 ? names.library.move(best.moves[0]!)?.name : undefined;
      if (name === undefined || plainName(name) !== plainName(text.slice(said[0]!.from, said.at(-1)!.to)))
        continue;
      pieces.splice(k, to - k, { ...pieces[k]!, to: last.to });
      break;
    }
  const reading = (from: number, to: number) => readName(names, namesIn(from, to), own)[0];
  const isMove = (from: number, to: number) => (reading(from, to)?.sure ?? 0) >= SURE;
  const cut = lastOfList(pieces, tokens, reading).flatMap((piece) => countsApart(piece, facts, isMove));
  const items: Item[] = [];
  for (const piece of cut) {
    const all = facts.filter((match) => match.from >= piece.from && match.to <= piece.to);
    const plain = withoutLead(namesIn(piece.from, piece.to));
    const numbered = plain.length > 0 ? nthOf(all, tokens, plain.at(-1)!) : null;
    const inside = numbered?.inside ?? all;
    const written = numbered ? [...plain, numbered.nth] : plain;
    // "hearts = squats": the trainer's own label before the sign.
    const sign = written.findIndex((token, i) => i > 0 && i <= 4 && token.word === '=');
    const nameTokens = sign > 0 && sign < written.length - 1 ? written.slice(sign + 1) : written;
    const words = nameTokens.filter((token) => token.kind === 'word' || token.kind === 'number');
    const last = items.at(-1);
    if (nameWords(words).length === 0 || words.every((token) => token.kind === 'number')) {
      // Only a dose: it belongs to what stands before it.
      if (last)
        items[items.length - 1] = {
          ...last,
          facts: ofTwoKinds([...last.facts, ...inside.map((match) => match.fact)]),
        };
      else if (inside.length > 0 && cut.length > 1) cut[1] = { ...cut[1]!, from: piece.from };
      continue;
    }
    // Behind a dash stands a word about how, unless the name goes on.
    const dash = nameTokens.findIndex(
      (token, i) => i > 0 && ['-', '–', '—'].includes(token.word) && token.from > nameTokens[i - 1]!.to,
    );
    const isPlace = PLACE.test(text.slice(nameTokens[0]!.from, nameTokens.at(-1)!.to));
    const whole = isPlace ? [] : readName(names, nameTokens, own);
    const before = dash > 0 ? readName(names, nameTokens.slice(0, dash), own) : [];
    // "Hearts - squats": or of a label that names nothing.
    const after =
      dash > 0 && sureOfFirst(before) < DOUBTED ? readName(names, nameTokens.slice(dash + 1), own) : [];
    const labelledBy = sureOfFirst(after) >= SURE && sureOfFirst(whole) < SURE;
    const best = labelledBy ? after : sureOfFirst(before) > sureOfFirst(whole) ? before : whole;
    const readings = inside.some(({ fact }) => fact.is === 'metres')
      ? best.filter(({ moves }) => !moves.every((id) => isPull(names, id)))
      : best;
    const named = nameTokens.filter((token) => token.kind !== 'sign');
    // "Press-ups in a minute": what leads on to how much is none of the name.
    while (inside.length > 0 && named.length > 1 && LEADS_ON.has(named.at(-1)!.word)) named.pop();
    const from = nameTokens === written ? named[0]!.from : written[0]!.from;
    // "(bodyweight)": a bracket that was opened is shut.
    const shut = text.slice(from, named.at(-1)!.to).includes('(') && text[named.at(-1)!.to] === ')' ? 1 : 0;
    const to = named.at(-1)!.to + shut;
    items.push({
      text: (items.length === 0 ? called : undefined) ?? text.slice(from, to),
      readings,
      facts: ofTwoKinds(
        inside.map((match) => match.fact),
        /\(\s*\d+\s*\/\s*\d+\s*\)/u.test(text.slice(from)),
      ),
      from,
      to,
      joined: items.length === 0 ? null : piece.joined,
      tiers: items.length === 0 ? tiers.map((way) => writtenOf(text, way)) : [],
    });
  }
  for (const one of remark ? [remark, ...remarks] : remarks) {
    const says = text.slice(one[0]!.from, one.at(-1)!.to);
    const saidOf = items.findLastIndex((item) => item.from < one[0]!.from);
    if (saidOf >= 0)
      items[saidOf] = { ...items[saidOf]!, facts: [...items[saidOf]!.facts, { is: 'remark', says }] };
  }
  const last = pieces.at(-1);
  return last && items.length > 1
    ? [
        ...shared(
          items,
          facts.filter((match) => match.from >= last.from),
        ),
      ]
    : items;
}

/** Nobody swings more, kg. Estimate. */
const MOST_KG = 50;
/** What two numbers with a stroke between are of: how heavy beside a count, a time or a distance; else how many. */
function ofTwoKinds(facts: readonly Fact[], bracketed = false): readonly Fact[] {
  if (!facts.some(({ is }) => is === 'two kinds')) return facts;
  const counted = bracketed || facts.some(({ is }) => AMOUNTS.has(is) || is === 'sets of');
  return facts.flatMap((fact): Fact[] => {
    if (fact.is !== 'two kinds') return [fact];
    const { first, second } = fact;
    // Heavier is rather in pounds, or of something else: kept as it was written.
    if (counted && first > MOST_KG) return [{ is: 'remark', says: `${first} / ${second}` }];
    return counted
      ? [{ is: 'load', kg: first, other: second }]
      : [
          { is: 'reps', n: first },
          { is: 'remark', says: `${first} or ${second}` },
        ];
  });
}

/** A number that high is of no name: "warrior 2". */
const MOST_NTH = 4;
/**
 * "Warrior 2 30 s": a small number between a name and how long is of the name. The facts without it, and where the name
 * ends; null where there is none.
 */
function nthOf(
  inside: readonly Match<Fact>[],
  tokens: readonly Token[],
  last: Token,
): { inside: readonly Match<Fact>[]; nth: Token } | null {
  const [first, second] = inside;
  const nth = first && tokens[first.from];
  const is =
    first?.fact.is === 'reps' &&
    first.to === first.from + 1 &&
    nth!.kind === 'number' &&
    nth!.value <= MOST_NTH &&
    second !== undefined &&
    second.from === first.to &&
    (second.fact.is === 'seconds' || second.fact.is === 'metres') &&
    tokens[first.from - 1] === last;
  return is ? { inside: inside.slice(1), nth: nth! } : null;
}

/** How sure a piece is a movement at all. */
export const sureOf = (item: Item) => sureOfFirst(item.readings);

/** "Hearts = squats": what stands before the sign is the trainer's own label. */
export function labelled(
  names: Names,
  text: string,
  tokens: readonly Token[],
  own: ReadonlyMap<string, string>,
): Item[] | null {
  const sign = tokens.findIndex((token) => token.word === '=');
  if (sign < 1 || sign > 4 || !tokens.slice(0, sign).every((token) => token.kind === 'word')) return null;
  const [first, ...others] = itemsOf(names, text, tokens.slice(sign + 1), own);
  if (!first || sureOf(first) < 0.6) return null;
  const { from } = tokens[0]!;
  return [{ ...first, from, text: text.slice(from, first.to) }, ...others];
}

/** "Squat jumps / mountain climbers" under one clock: two movements, where each of them is one. */
export function apart(
  tokens: readonly Token[],
  names: Names,
  own: ReadonlyMap<string, string>,
): readonly Token[] {
  const pieces = betweenSlashes(tokens);
  if (pieces.length === 1) return tokens;
  const named = (piece: readonly Token[]) =>
    piece.filter((token) => !CLOCK_WORDS.has(token.word) && !SIDES.has(token.word));
  return pieces.every((piece) => (readName(names, named(piece), own)[0]?.sure ?? 0) >= 0.6)
    ? tokens.map((token) => (token.word === '/' ? { ...token, word: ',' } : token))
    : tokens;
}
