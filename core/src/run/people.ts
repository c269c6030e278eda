import type { StopSign } from '../person/index.ts';
import { type Cast, type Does, inOrder, type MidSetWay, type Run, type RunEvent } from './run.ts';
import { entryFor } from './turns.ts';

/** What somebody does at an entry, since when, and why it isn't what was planned. */
interface Doing {
  readonly does: Does;
  /** Milliseconds of the run's clock; 0 for what was planned. */
  readonly since: number;
  readonly why: string | null;
}

/** Rounds and reps somebody has done of a block, and when they were last counted, on the run's clock. */
export interface Count {
  readonly rounds: number;
  readonly reps: number;
  readonly at: number;
}

export interface Present {
  readonly id: string;
  readonly name: string;
  readonly byNumber: boolean;
  readonly cautions: readonly string[];
  readonly cast: Cast;
  /** Here, gone before the end, or out with a stop sign that nobody has written down yet. */
  readonly is: 'here' | 'gone' | 'out';
  readonly joinedAt: number;
  readonly leftAt: number | null;
  /** When they had gone and were in again, on the run's clock. */
  readonly away: readonly { readonly from: number; readonly to: number }[];
  readonly sign: {
    readonly at: number;
    readonly sign: StopSign;
    readonly note: string | null;
  } | null;
  /** By entry, everything they were given to do there, the last one now. */
  readonly doing: readonly (readonly Doing[])[];
  /** Rounds and reps counted, by block. */
  readonly counts: ReadonlyMap<number, Count>;
}

/** Why somebody does what was put in the place of what was planned. */
const SWAPPED = 'swapped';
const WAY_SAYS = {
  down: 'easier',
  up: 'harder',
  hold: 'held instead',
  wrist: 'wrist',
  knee: 'knee',
  back: 'back',
} as const;

const sameDoes = (a: Does, b: Does): boolean =>
  a?.move === b?.move && JSON.stringify(a?.settings ?? {}) === JSON.stringify(b?.settings ?? {});

/**
 * Where a way leads somebody from what they do now; undefined where it leads nowhere. From an easier form harder is
 * what was planned, and the other way round: nobody goes two steps in a set.
 */
export function switchTo(
  person: Pick<Present, 'cast' | 'doing'>,
  entry: number,
  way: MidSetWay,
): Does | undefined {
  const switches = person.cast.switches[entry];
  const list = person.doing[entry];
  if (!switches || !list || list.length === 0) return undefined;
  const planned = (list.findLast((one) => one.why === SWAPPED) ?? list[0]!).does;
  const now = list.at(-1)!.does;
  if (way === 'up' || way === 'down') {
    const to = switches[way];
    const other = switches[way === 'up' ? 'down' : 'up'];
    if (!sameDoes(now, planned) && other !== null && sameDoes(now, other)) return planned;
    return to === null || sameDoes(now, to) ? undefined : to;
  }
  if (way === 'hold') {
    // Pressed again they move on, as was planned.
    const { hold = null } = switches;
    return hold === null ? undefined : sameDoes(now, hold) ? planned : hold;
  }
  const to = switches[way];
  return to === 'same' || sameDoes(now, to) ? undefined : to;
}

/** Everybody of a run after its events. The order of people is the run's, those who joined after them. */
export function peopleOf(run: Pick<Run, 'cast'>, events: readonly RunEvent[]): Present[] {
  interface Draft extends Omit<Present, 'doing' | 'counts'> {
    doing: Doing[][];
    counts: Map<number, Count>;
  }
  const people = new Map<string, Draft>();
  const add = (cast: Cast, joinedAt: number) => {
    if (people.has(cast.id)) return;
    people.set(cast.id, {
      id: cast.id,
      name: cast.name,
      byNumber: cast.byNumber,
      cautions: cast.cautions,
      cast,
      is: 'here',
      joinedAt,
      leftAt: null,
      away: [],
      sign: null,
      doing: cast.does.map((does) => [{ does, since: 0, why: null }]),
      counts: new Map(),
    });
  };
  for (const cast of run.cast) add(cast, 0);
  const change = (id: string, patch: Partial<Draft>) => {
    const now = people.get(id);
    if (now) people.set(id, { ...now, ...patch });
  };
  const put = (id: string, entry: number, does: Does, at: number, why: string) => {
    const list = people.get(id)?.doing[entry];
    list?.push({ does, since: at, why });
  };
  for (const event of inOrder(events)) {
    switch (event.kind) {
      case 'join':
        add(event.who, event.at);
        break;
      case 'leave':
        if (people.get(event.person)?.is === 'here') change(event.person, { is: 'gone', leftAt: event.at });
        break;
      case 'back': {
        // Who was stopped stays out until somebody has cleared them: that no press in a run does.
        const { is, leftAt, away = [] } = people.get(event.person) ?? {};
        if (is !== 'gone' || leftAt == null) break;
        const out = { from: leftAt, to: event.at };
        change(event.person, { is: 'here', leftAt: null, away: [...away, out] });
        break;
      }
      case 'switch': {
        const person = people.get(event.person);
        const to = person && switchTo(person, event.entry, event.way);
        // What they do spares it already, or there is nowhere to go: nothing changes, and it stays written down.
        if (to === undefined) break;
        put(event.person, event.entry, to, event.at, WAY_SAYS[event.way]);
        break;
      }
      case 'swap':
        for (const id of event.person === null ? people.keys() : [event.person]) {
          put(id, event.entry, event.does, event.at, SWAPPED);
          const cast = people.get(id)?.cast;
          const { switches, entry } = event;
          if (cast && switches)
            change(id, {
              cast: { ...cast, switches: cast.switches.map((old, i) => (i === entry ? switches : old)) },
            });
        }
        break;
      case 'count':
        people
          .get(event.person)
          ?.counts.set(event.block, { rounds: event.rounds, reps: event.reps, at: event.at });
        break;
      case 'sign':
        change(event.person, {
          is: 'out',
          leftAt: event.at,
          sign: { at: event.at, sign: event.sign, note: null },
        });
        break;
      case 'sign recorded': {
        const { sign } = people.get(event.person) ?? {};
        if (sign) change(event.person, { sign: { ...sign, note: event.note } });
        break;
      }
      default:
    }
  }
  return [...people.values()];
}

/** Whether something that happened in a run is somebody's own: what goes when they are erased. */
export const isAbout = (event: RunEvent, person: string): boolean =>
  ('person' in event && event.person === person) || ('who' in event && event.who.id === person);

/** What somebody does at an entry now. */
export const doesNow = (person: Present, entry: number): Does => person.doing[entry]?.at(-1)?.does ?? null;

/** What somebody does while the clock is at an entry: their own station's, where groups go round. */
export function doingOf(
  run: Pick<Run, 'plan' | 'how'>,
  person: Pick<Present, 'cast' | 'doing'>,
  entry: number,
): { readonly entry: number; readonly does: Does } {
  const own = entryFor(run, person.cast.group, entry);
  return { entry: own, does: person.doing[own]?.at(-1)?.does ?? null };
}

/** A form as it is done at an entry, and by whom. */
export interface FormDone {
  /** Null is easy movement. */
  readonly does: Does;
  readonly people: readonly Present[];
  /** Lanes it is done in, 0 innermost. */
  readonly lanes: ReadonlySet<number>;
}

/** What is done while the clock is at an entry by those who are here, form by form, the innermost lane first. */
export function formsAt(
  run: Pick<Run, 'plan' | 'how'>,
  people: readonly Present[],
  entry: number,
): FormDone[] {
  const forms = new Map<string, { does: Does; people: Present[]; lanes: Set<number> }>();
  for (const person of people) {
    if (person.is !== 'here') continue;
    const { does } = doingOf(run, person, entry);
    const known = forms.get(does?.name ?? '') ?? { does, people: [], lanes: new Set<number>() };
    known.people.push(person);
    if (does) known.lanes.add(does.lane);
    forms.set(does?.name ?? '', known);
  }
  const innermost = (form: { lanes: Set<number> }) => Math.min(Number.POSITIVE_INFINITY, ...form.lanes);
  return [...forms.values()].sort((a, b) => innermost(a) - innermost(b));
}

/**
 * The one easier form that all of them can go to from where each is, so that it may be shown to them together; null where
 * they can't all go to the same.
 */
export function easierForAll(
  people: readonly { readonly one: Present; readonly entry: number }[],
  does: Does,
): Does {
  const ways = people.map(({ one, entry }) => one.cast.switches[entry]?.down ?? null);
  const [first] = ways;
  return first && first.name !== does?.name && ways.every((way) => way?.name === first.name) ? first : null;
}
