import { conditionOf, type LevelIndex } from '../person/index.ts';
import { type ClauseReading, COUNTS, flush, isAt, ofWhatFollows } from './clause-reading.ts';
import type { Token } from './tokens.ts';
import type { Meaning } from './who-words.ts';

const IS = new Set(['is', 'are']);
/** Meanings that may be a part of what isn't understood, together with the words around them. */
const STAYS = new Set(['has', 'sore', 'no', 'side']);
/** Grown up, whoever they come with. */
const PARENTS = new Set([
  'mum',
  'mom',
  'mother',
  'dad',
  'father',
  'grandma',
  'granny',
  'nan',
  'grandad',
  'grandpa',
]);

const OF_CHILDREN: Readonly<Record<string, 'female' | 'male'>> = { girl: 'female', boy: 'male' };

/** A word of a clause, by what it means; what means nothing here is a name, or kept as it was written. */
export function takeWord(r: ClauseReading, i: number): void {
  const { meaning, token } = r.pieces[i]!;
  const original = r.text.slice(token.from, token.to);
  if (meaning === null) takeUnknown(r, i, token, original);
  else takeMeaning(r, i, meaning, token, original);
}

function takeUnknown(r: ClauseReading, i: number, token: Token, original: string): void {
  const { word, kind } = token;
  if (original === 'ME' || original === 'M.E') {
    r.clause.conditions.push({ id: 'fatigue-after-effort' });
    return;
  }
  if (kind === 'sign' || ['x', '×', 's', 'to'].includes(word)) return;
  // "Couples’ night": of what kind it is.
  if (word === 'couple' && /s$/i.test(original) && r.clause.count === null) return;
  if (COUNTS[word] !== undefined && (r.clause.count === null || !r.has)) {
    r.clause.count = (r.clause.count ?? 1) === 1 ? COUNTS[word]! : r.clause.count! * COUNTS[word]!;
    return;
  }
  const capital = /^\p{Lu}/u.test(original) && !/^\p{Lu}{2,}$/u.test(original);
  // "No planks for Dave": what was said before is of him.
  if (capital && r.clause.name === null && r.clause.count === null && r.pieces[i - 1]?.token.word === 'for') {
    flush(r);
    r.clause.name = original;
    return;
  }
  if (
    capital &&
    r.clause.name === null &&
    r.stray.length === 0 &&
    r.clause.conditions.length === 0 &&
    (r.clause.count === null || isAt(r, i - 1) === 'relative')
  ) {
    r.clause.name = original.replace(/['’]s$/, '');
    return;
  }
  r.stray.push(token);
}

function takeMeaning(
  r: ClauseReading,
  i: number,
  meaning: NonNullable<Meaning>,
  token: Token,
  original: string,
): void {
  if (meaning.is === 'filler') {
    if (COUNTS[token.word] !== undefined && r.clause.count === null && r.clause.share === null && !r.has)
      r.clause.count = COUNTS[token.word]!;
    else if (r.stray.length > 0) r.stray.push(token);
    return;
  }
  // What is denied by name is denied, and nothing of it is left to be understood.
  if (r.deniedFrom === i - 1 && (meaning.is === 'condition' || meaning.is === 'level')) r.stray.pop();
  if (!STAYS.has(meaning.is)) flush(r);
  switch (meaning.is) {
    case 'condition': {
      const id = meaning.id;
      if (meaning.all) r.clause.share = 'all';
      if (meaning.event) r.event = true;
      // "Three girls": children, and of which sex.
      if (id === 'child') r.clause.sex ??= OF_CHILDREN[token.word] ?? null;
      if (r.nobody || r.deniedFrom === i - 1) {
        r.clause.fine = true;
        break;
      }
      r.clause.conditions.push({ id, ...(r.side === 'left' || r.side === 'right' ? { side: r.side } : {}) });
      break;
    }
    case 'level':
      if (r.nobody || r.deniedFrom === i - 1) r.clause.level = 0;
      // Behind "with", or before what they have, it says something of that ("active arthritis") and makes nobody fit.
      else if (
        meaning.level > 0 &&
        ((r.has && !IS.has(r.pieces[i - 1]?.token.word ?? '')) || ofWhatFollows(r, i))
      )
        r.stray.push(token);
      else
        r.clause.level =
          r.clause.level === null ? meaning.level : (Math.min(r.clause.level, meaning.level) as LevelIndex);
      break;
    case 'sex':
      r.clause.sex = meaning.sex;
      r.clause.people = true;
      break;
    case 'ago':
      r.weeks ??= {
        least: meaning.weeks,
        most: meaning.weeks,
        begun: token.from,
        says: r.text.slice(token.from, r.pieces[i]!.to),
      };
      break;
    case 'total':
      r.clause.total = true;
      r.clause.people = true;
      break;
    case 'ages':
      r.clause.ages = [meaning.from, meaning.to];
      r.clause.people = true;
      break;
    case 'relative':
      r.clause.count ??= 1;
      r.clause.relative = true;
      r.clause.beside = ['their', 'her', 'his'].includes(r.pieces[i - 1]?.token.word ?? '');
      r.clause.adult ||= PARENTS.has(token.word);
      // "Their partners": so many nobody said.
      if (
        r.clause.count === 1 &&
        /s$/i.test(original) &&
        !['his', 'hers', 'he', 'she'].includes(token.word)
      ) {
        r.clause.count = null;
        r.clause.share = 'some';
      }
      r.clause.sex = meaning.sex ?? r.clause.sex;
      break;
    case 'people':
      r.clause.people = true;
      break;
    case 'alone':
      r.alone = true;
      r.clause.people = true;
      break;
    case 'adult':
      r.clause.adult = true;
      r.clause.people = true;
      break;
    case 'share':
      if (meaning.of === 'none') r.nobody = true;
      // "Seven mums, all of them": so many are said.
      if (meaning.of !== 'all' || r.clause.count === null) r.clause.share = meaning.of;
      break;
    case 'rest':
      r.clause.rest = true;
      break;
    case 'of them':
      r.clause.ofThem = true;
      break;
    case 'also':
      r.clause.also = true;
      break;
    case 'side': {
      // "Both beginners", and no knee of theirs.
      const behind = r.pieces[i + 1]?.meaning;
      const limb =
        behind?.is === 'sore' || (behind?.is === 'condition' && conditionOf(behind.id).sided === true);
      if (i === 0 && meaning.side === 'both' && !limb) {
        r.clause.share = 'all';
        break;
      }
      if (r.side !== null && r.side !== meaning.side) r.sides = true;
      if (meaning.side === 'both') r.sides = true;
      r.side = meaning.side;
      r.stray.push(token);
      // "new knee, left", "a stroke (left side weak)": the side comes after.
      const last = r.clause.conditions.at(-1);
      const followed = r.pieces.slice(i + 1).some((piece) => piece.meaning?.is === 'condition');
      if (last && !followed && r.side !== 'both')
        r.clause.conditions[r.clause.conditions.length - 1] = { ...last, side: r.side };
      break;
    }
    case 'no':
      r.deniedFrom = i;
      // What it denies isn't known: kept as written.
      r.stray.push(token);
      break;
    case 'fine':
      r.clause.fine = true;
      break;
    case 'has':
      if (r.stray.length > 0) r.stray.push(token);
      r.has = true;
      break;
    case 'sore':
      // Nothing sore was named: "a bad toe".
      r.stray.push(token);
      break;
  }
}
