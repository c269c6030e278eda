import type { Library } from '@inner-rung/core/ladder';
import { CONDITION_IDS, CONDITIONS, type Group, headcountOf, type Person } from '@inner-rung/core/person';
import { CONDITION_NAMES, moveMeant, plainName } from '@inner-rung/core/read';
import { EQUIPMENT, EQUIPMENT_IDS, type Room } from '@inner-rung/core/room';
import { KINDS, type Plan, READY_SESSIONS } from '@inner-rung/core/session';
import MiniSearch from 'minisearch';
import type { Commands } from '../ui/commands.tsx';
import { findMoves } from './move-search.ts';

/** What something found is, in the order in which kinds are told apart where words fit several alike. */
export const KINDS_FOUND = [
  'command',
  'page',
  'session',
  'person',
  'group',
  'room',
  'ladder',
  'move',
  'condition',
  'thing',
] as const;
export type KindFound = (typeof KINDS_FOUND)[number];

/** Something that was found: where it leads, or what it does. */
export interface Found {
  readonly kind: KindFound;
  readonly id: string;
  readonly name: string;
  /** What it is, where its name doesn't say. */
  readonly says: string;
  readonly to?: string;
  readonly run?: () => void;
}

/** Pages by their names and by what else trainers call them. */
const PAGES: readonly {
  readonly to: string;
  readonly name: string;
  readonly says: string;
  readonly words: string;
}[] = [
  {
    to: '/circuits',
    name: 'Sessions',
    says: 'all of them, and where to paste one',
    words: 'home today circuits plans workouts paste new session start week timetable calendar',
  },
  {
    to: '/people',
    name: 'People',
    says: 'clients, groups, somebody new, from a table',
    words: 'clients members participants groups classes import add register attendance',
  },
  {
    to: '/rooms',
    name: 'Rooms',
    says: 'places and the equipment in them',
    words: 'places halls equipment list kit gym venue',
  },
  {
    to: '/log',
    name: 'Log',
    says: 'what was done, as a table and a file',
    words: 'diary results records history export import csv incidents bests progress',
  },
  {
    to: '/ladders',
    name: 'Ladders',
    says: 'progressions and regressions',
    words: 'library exercises tiers levels',
  },
  {
    to: '/find',
    name: 'Find a form',
    says: 'an alternative with what is here',
    words: 'substitute swap replacement instead alternative',
  },
  {
    to: '/yours',
    name: 'Yours',
    says: 'own moves, own words, English of your names',
    words: 'own custom exercises vocabulary press-up push-up language preferences',
  },
  {
    to: '/may',
    name: 'Who may do what',
    says: 'a condition or a person by ladder, to sign',
    words: 'contraindications clinic safety restrictions review sign medical',
  },
  {
    to: '/settings',
    name: 'Settings',
    says: 'light and dark, size of type, English, units, keys',
    words: 'preferences options theme font large text kg lb pounds inches language press-up push-up',
  },
  {
    to: '/team',
    name: 'Team',
    says: 'who shares this machine, what each may see, signing out',
    words: 'accounts users roles colleagues assistants login password passphrase permissions sign out logout',
  },
  {
    to: '/trail',
    name: 'Who did what',
    says: 'who saw, changed, printed or erased whose file',
    words: 'audit trail access log history privacy who looked',
  },
  {
    to: '/copies',
    name: 'Copies',
    says: 'backup, restore, move to another machine',
    words: 'backup restore export everything data safe passphrase',
  },
  {
    to: '/figures',
    name: 'All figures',
    says: 'every drawing on one sheet',
    words: 'pictures drawings images contact sheet',
  },
  {
    to: '/ladders/new',
    name: 'A ladder or a move of your own',
    says: 'made from one that is there',
    words: 'new exercise create make add move',
  },
];

export interface Shelf {
  readonly library: Library;
  readonly plans: readonly Plan[];
  readonly people: readonly Person[];
  readonly groups: readonly Group[];
  readonly rooms: readonly Room[];
  /** What can be done on the page that is open. */
  readonly commands: Commands;
}

type Entry = Found & { readonly key: string; readonly words: string };

const countOf = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

function entriesOf(shelf: Shelf): Entry[] {
  const { library } = shelf;
  const entry = (found: Found, words = ''): Entry => ({ ...found, words, key: `${found.kind}/${found.id}` });
  return [
    ...Object.entries(shelf.commands).flatMap(([id, { says, shown, run, off }]) =>
      off
        ? []
        : [
            entry({
              kind: 'command',
              id,
              name: says.replace(/^./u, (c) => c.toUpperCase()),
              says: `here, ${shown}`,
              run,
            }),
          ],
    ),
    ...PAGES.map(({ to, name, says, words }) =>
      entry({ kind: 'page', id: to, name, says, to }, `${says} ${words}`),
    ),
    ...shelf.plans.map((plan) =>
      entry(
        {
          kind: 'session',
          id: plan.id,
          name: plan.title,
          says: `yours, ${KINDS[plan.forWhom].name.toLowerCase()}`,
          to: `/plan/${plan.id}`,
        },
        [
          ...(plan.tags ?? []),
          ...plan.blocks.flatMap(({ stations }) =>
            stations.map(({ move }) => library.move(move)?.name ?? ''),
          ),
        ].join(' '),
      ),
    ),
    ...READY_SESSIONS.map((plan) =>
      entry(
        {
          kind: 'session',
          id: `ready/${plan.id}`,
          name: plan.title,
          says: 'ready-made, among your sessions',
          to: '/circuits',
        },
        (plan.tags ?? []).join(' '),
      ),
    ),
    ...shelf.people.map((person) =>
      entry({
        kind: 'person',
        id: person.id,
        name: person.name,
        says: 'their file',
        to: `/people/${person.id}`,
      }),
    ),
    ...shelf.groups.map((group) =>
      entry({
        kind: 'group',
        id: group.id,
        name: group.name,
        says: countOf(headcountOf(group), 'person', 'people'),
        to: `/groups/${group.id}`,
      }),
    ),
    ...shelf.rooms.map((room) =>
      entry({
        kind: 'room',
        id: room.id,
        name: room.name,
        says: countOf(room.items.length, 'kind of thing', 'kinds of things'),
        to: `/rooms/${room.id}`,
      }),
    ),
    ...library.ladders.map((ladder) =>
      entry({
        kind: 'ladder',
        id: ladder.id,
        name: ladder.name,
        says: countOf(ladder.rungs.length, 'rung'),
        to: `/ladders/${ladder.id}`,
      }),
    ),
    ...CONDITION_IDS.map((id) =>
      entry(
        {
          kind: 'condition',
          id,
          name: CONDITIONS[id].name,
          says: 'who may do what with it',
          to: `/may/${id}`,
        },
        CONDITION_NAMES[id].join(' '),
      ),
    ),
    ...EQUIPMENT_IDS.map((id) =>
      entry({
        kind: 'thing',
        id,
        name: EQUIPMENT[id].name,
        says: 'what can be done with it',
        to: `/ladders?q=${encodeURIComponent(EQUIPMENT[id].name)}`,
      }),
    ),
  ];
}

const plain = (text: string) => plainName(text);
/** Found, at most so many of a kind. */
const MOST_OF_A_KIND = 5;
/** A name that is all that was written comes before everything, one that begins so before the others. */
const EXACTLY = 1000;
const BEGINS = 20;
/** Said so in other words. */
const CALLED = 40;
/** A move that has something of what was written. */
const OTHERS = 10;

/** Everything that can be found, ready for searching. */
export function everything(shelf: Shelf): (text: string, most?: number) => Found[] {
  const entries = entriesOf(shelf);
  const byKey = new Map(entries.map((one) => [one.key, one]));
  const search = new MiniSearch<Entry>({
    idField: 'key',
    fields: ['name', 'words'],
    processTerm: (term) => plain(term) || null,
    searchOptions: {
      boost: { name: 4 },
      prefix: true,
      fuzzy: (term) => (term.length > 4 ? 0.2 : false),
      combineWith: 'AND',
    },
  });
  search.addAll(entries);
  return (text, most = 12) => {
    const asked = plain(text);
    if (!asked) return [];
    const near = (name: string) => {
      const here = plain(name);
      return here === asked ? EXACTLY : here.startsWith(asked) ? BEGINS : 0;
    };
    const found = search.search(text).flatMap((hit) => {
      const one = byKey.get(hit.id as string);
      if (!one) return [];
      const called = ` ${plain(one.words)} `.includes(` ${asked} `) ? CALLED : 0;
      return [{ found: one as Found, score: hit.score + near(one.name) + called }];
    });
    const hits = findMoves(shelf.library, text, MOST_OF_A_KIND);
    // What a trainer would be understood to mean by it, whatever the library calls it: "RDL".
    const meant = moveMeant(shelf.library, text);
    const move = meant && !hits.some(({ id }) => id === meant) ? shelf.library.move(meant) : undefined;
    const known = move
      ? [{ id: move.id, name: move.name, twins: move.twins.join(', '), pattern: move.pattern }]
      : [];
    const moves = [...known, ...hits].map((move, i) => ({
      found: {
        kind: 'move',
        id: move.id,
        name: move.name,
        says: move.twins || move.pattern,
        to: `/moves/${move.id}`,
      } as const,
      // Every twin of a move's counts as its name.
      score:
        OTHERS -
        i +
        (move.id === meant ? CALLED : 0) +
        Math.max(near(move.name), ...move.twins.split(', ').map(near)),
    }));
    const all: { readonly found: Found; readonly score: number }[] = [...found, ...moves];
    const rank = (kind: KindFound) => KINDS_FOUND.indexOf(kind);
    all.sort((a, b) => b.score - a.score || rank(a.found.kind) - rank(b.found.kind));
    const seen = new Map<KindFound, number>();
    return all
      .map((one) => one.found)
      .filter(({ kind }) => {
        const n = seen.get(kind) ?? 0;
        seen.set(kind, n + 1);
        return n < MOST_OF_A_KIND;
      })
      .slice(0, most);
  };
}
