import { type Avoid, breaksPromise, type Library, rungDemand } from '@inner-rung/core/ladder';
import { CAPABILITIES, CAPABILITY_IDS, type Capability, type Move } from '@inner-rung/core/move';
import { isName, namesOf, plainName } from '@inner-rung/core/read';
import { EQUIPMENT, type Equipment } from '@inner-rung/core/room';
import MiniSearch from 'minisearch';

export interface MoveHit {
  readonly id: string;
  readonly name: string;
  readonly twins: string;
  readonly pattern: string;
}

const made = new WeakMap<Library, MiniSearch>();

/** What people call the things that give a capability: "firm surface" is a chair, a bench, a worktop. */
const THINGS: ReadonlyMap<Capability, string> = new Map(
  CAPABILITY_IDS.map((what) => [
    what,
    [
      CAPABILITIES[what],
      ...Object.values<Equipment>(EQUIPMENT)
        .filter((kind) => kind.provides.some((gives) => gives.what === what))
        .map((kind) => kind.name),
    ].join(' '),
  ]),
);

const FIELDS = ['name', 'twins', 'pattern', 'muscles', 'needs'] as const;

function entry(move: Move) {
  return {
    id: move.id,
    name: move.name,
    twins: move.twins.join(', '),
    pattern: `${move.pattern} ${move.posture.work} ${move.serves?.as ?? ''}`,
    muscles: [...Object.keys(move.muscles), ...(move.serves?.joints ?? [])].join(' '),
    needs: move.needs.map((need) => THINGS.get(need.what) ?? '').join(' '),
  };
}

function searchFor(library: Library): MiniSearch {
  const known = made.get(library);
  if (known) return known;
  const search = new MiniSearch({
    fields: [...FIELDS],
    storeFields: ['name', 'twins', 'pattern'],
    processTerm: (term) => plainName(term) || null,
    searchOptions: {
      boost: { name: 3, twins: 2, needs: 0.5 },
      prefix: true,
      fuzzy: (term) => (term.length > 3 ? 0.25 : false),
    },
  });
  search.addAll(library.moves.map(entry));
  made.set(library, search);
  return search;
}

/** Limits as they are typed: "no floor", "without wrists". */
const LIMITS: readonly (readonly [RegExp, Avoid])[] = [
  [/jump|jumping|jumps|impact|flight|hops?/, 'leaving the floor'],
  [/floor|mat/, 'getting down to the floor'],
  [/wrists?|hands/, 'weight through the wrists'],
  [/kneel|kneeling|knees?/, 'kneeling'],
  [/overhead/, 'arms overhead'],
  [/twist|twisting|turn|turning/, 'twisting'],
  [/grip|gripping/, 'gripping'],
  [/bend|bending|rounding/, 'bending the back'],
  [/balance|one leg/, 'standing on one leg'],
  [/standing/, 'standing and the floor'],
];
const WITHOUT = /\b(?:no|without|not)\s+([a-z]+(?: leg)?)/g;

/** Splits what was typed into words to look for and limits to keep. */
export function readQuery(text: string): { words: string; without: Avoid[] } {
  const without: Avoid[] = [];
  const words = text.toLowerCase().replace(WITHOUT, (whole, what: string) => {
    const limit = LIMITS.find(([pattern]) => new RegExp(`^(?:${pattern.source})$`).test(what));
    if (!limit) return whole;
    without.push(limit[1]);
    return ' ';
  });
  return { words: words.trim(), without };
}

/** Moves by name, everyday twin, pattern, muscle, thing or limit ("no floor"), typos forgiven; best first. */
export function findMoves(library: Library, text: string, most: number): MoveHit[] {
  if (!text.trim()) return [];
  // A name may hold a “no” of its own: “side leg lift, no hands”.
  const named = isName(namesOf(library), text);
  const { words, without } = named ? { words: text, without: [] } : readQuery(text);
  const keeps = (id: string) => {
    const demand = rungDemand(library, { move: id });
    return demand !== undefined && without.every((avoid) => !breaksPromise(avoid, demand));
  };
  if (!words)
    return library.moves
      .filter((move) => keeps(move.id))
      .slice(0, most)
      .map(entry);
  const search = searchFor(library);
  const all = search.search(words, { combineWith: 'AND' });
  const loose = all.length > 0 ? all : search.search(words, { combineWith: 'OR' });
  // What goes by exactly these words comes before what only contains them.
  const plain = plainName(words);
  const exact = (hit: (typeof loose)[number]) =>
    plainName(hit['name'] as string) === plain ||
    library.move(hit.id as string)!.twins.some((twin) => plainName(twin) === plain);
  const hits = [...loose.filter(exact), ...loose.filter((hit) => !exact(hit))];
  const found: MoveHit[] = [];
  for (const hit of hits) {
    if (without.length > 0 && !keeps(hit.id as string)) continue;
    found.push({
      id: hit.id as string,
      name: hit['name'] as string,
      twins: hit['twins'] as string,
      pattern: hit['pattern'] as string,
    });
    if (found.length === most) break;
  }
  return found;
}
