/**
 * How documents edited here come to be what the server has: events in, effects out, nothing of a browser. One sending
 * is under way at a time; what was sent and never answered is remembered, since the server may have it all the same;
 * what somebody else saved meanwhile waits for the trainer to choose.
 */
export type Docs<T> = Readonly<Record<string, T>>;

export interface Stored<T> {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly body: T;
}

export type SaveState =
  | { readonly is: 'loading' | 'saving' }
  /** The server has all of it; `merged` where what somebody else saved meanwhile is in it since the last edit. */
  | { readonly is: 'saved'; readonly merged?: true }
  /** No answer; `full` where it was that there is no room left on the server's disk. */
  | { readonly is: 'away'; readonly full?: true }
  | { readonly is: 'refused'; readonly why: string }
  /** Saved from elsewhere meanwhile, or deleted (revision 0); nothing of ours is sent until the trainer chooses. */
  | { readonly is: 'elsewhere'; readonly id: string; readonly revision: number };

/** What a machine knows of documents besides that they are some. */
export interface Rules<T> {
  /** Whether two are written alike. */
  readonly same: (a: T, b: T) => boolean;
  /** Ours and theirs, both made from a third, as one; null where somebody has to look. */
  readonly merge: (base: T, mine: T, theirs: T) => T | null;
}

/** What was sent on a revision; null is taken away. */
interface Sending<T> {
  readonly id: string;
  readonly base: number;
  readonly doc: T | null;
}

type UnderWay<T> = { readonly n: number } & (
  | (Sending<T> & { readonly is: 'send' })
  /** What stands there is looked at: whether it is what was sent and never answered. */
  | { readonly is: 'read'; readonly id: string; readonly base: number; readonly revision: number }
);

export interface Machine<T> {
  /** What the server has, as far as is known, and at which revision; 0 where it has none. */
  readonly saved: Docs<T>;
  readonly base: Readonly<Record<string, number>>;
  readonly unanswered: readonly Sending<T>[];
  readonly underWay: UnderWay<T> | null;
  /** What was asked of the server so far: an answer to anything but the newest is nobody's. */
  readonly asked: number;
  /** Since the last edit something of somebody else's was put together with ours. */
  readonly merged: boolean;
  readonly save: SaveState;
}

export const empty = <T>(): Machine<T> => ({
  saved: {},
  base: {},
  unanswered: [],
  underWay: null,
  asked: 0,
  merged: false,
  save: { is: 'loading' },
});

/** What became of a sending or a look. `lost`: no answer, or the server fell over. */
export type Answer<T> =
  | { readonly is: 'lost'; readonly full?: true }
  | { readonly is: 'done'; readonly revision: number }
  | { readonly is: 'stale'; readonly revision: number }
  | { readonly is: 'refused'; readonly why: string }
  | { readonly is: 'stands'; readonly stored: Stored<T> }
  | { readonly is: 'nothing there' };

export type Event<T> =
  /** The server's documents, and this browser's unsaved work on top with the revisions it was made from. */
  | {
      readonly is: 'loaded';
      readonly saved: Docs<T>;
      readonly base: Machine<T>['base'];
      readonly clash: { readonly id: string; readonly revision: number } | null;
    }
  | { readonly is: 'edited' }
  /** Nothing was edited for a moment. */
  | { readonly is: 'rested' }
  | { readonly is: 'answered'; readonly n: number; readonly answer: Answer<T> }
  | { readonly is: 'try again' }
  /** Ours stands from now on; theirs is in the earlier revisions. */
  | { readonly is: 'keep mine' }
  /** Theirs stands; null where it was deleted. */
  | { readonly is: 'theirs'; readonly stored: Stored<T> | null };

export type Effect<T> =
  | ({ readonly is: 'send'; readonly n: number } & Sending<T>)
  | { readonly is: 'read'; readonly n: number; readonly id: string }
  /** What is open here becomes this: ours and theirs together. Steps of undo from before would take theirs back. */
  | { readonly is: 'take'; readonly id: string; readonly doc: T }
  /** After a moment without an edit the event `rested`. */
  | { readonly is: 'pause' }
  /** After a while the event `try again`. */
  | { readonly is: 'wait' }
  /** What isn't on the server is to be kept in the browser, and only that. */
  | { readonly is: 'keep' };

type Stepped<T> = readonly [Machine<T>, readonly Effect<T>[]];

/** Documents whose state here isn't known to be the server's: edited, on their way, or sent without an answer. */
export function unsaved<T>(machine: Machine<T>, docs: Docs<T>): string[] {
  const { saved, unanswered, underWay } = machine;
  const changed = [...new Set([...Object.keys(docs), ...Object.keys(saved)])].filter(
    (id) => docs[id] !== saved[id],
  );
  const sent = underWay?.is === 'send' ? [...unanswered, underWay] : unanswered;
  const unsure = [...new Set(sent.map((one) => one.id))].filter((id) => !changed.includes(id));
  return [...changed, ...unsure];
}

const settled = <T>(machine: Machine<T>, id: string): Machine<T> => ({
  ...machine,
  unanswered: machine.unanswered.filter((one) => one.id !== id),
});

/** The server has this now; null: it has none. */
function has<T>(machine: Machine<T>, id: string, doc: T | null, revision: number): Machine<T> {
  const { [id]: _, ...saved } = machine.saved;
  const { [id]: __, ...base } = machine.base;
  return doc === null
    ? { ...machine, saved, base }
    : { ...machine, saved: { ...saved, [id]: doc }, base: { ...base, [id]: revision } };
}

const savedNow = <T>({ merged }: Machine<T>): SaveState =>
  merged ? { is: 'saved', merged } : { is: 'saved' };

/** What is to be done next, if anything. */
function next<T>(machine: Machine<T>, docs: Docs<T>): Stepped<T> {
  const { save, underWay, base } = machine;
  if (underWay || save.is === 'elsewhere' || save.is === 'loading') return [machine, [{ is: 'keep' }]];
  const [id] = unsaved(machine, docs);
  if (id === undefined) return [{ ...machine, save: savedNow(machine) }, [{ is: 'keep' }]];
  const doc = docs[id] ?? null;
  const revision = base[id] ?? 0;
  const saving: SaveState = save.is === 'away' ? save : { is: 'saving' };
  // Taken away again before anybody knows whether it came to be: it is looked at, not taken from whoever has it.
  if (doc === null && revision === 0) return reads({ ...machine, save: saving }, id, 0, 0);
  const n = machine.asked + 1;
  const sending = { is: 'send' as const, n, id, base: revision, doc };
  return [{ ...machine, asked: n, save: saving, underWay: sending }, [{ is: 'keep' }, sending]];
}

/** Looks at what stands there. */
function reads<T>(machine: Machine<T>, id: string, base: number, revision: number): Stepped<T> {
  const n = machine.asked + 1;
  return [
    { ...machine, asked: n, underWay: { is: 'read', n, id, base, revision } },
    [{ is: 'keep' }, { is: 'read', n, id }],
  ];
}

/** No answer: it waits, and is asked again. */
const waits = <T>(machine: Machine<T>, full?: true): Stepped<T> => [
  { ...machine, underWay: null, save: full ? { is: 'away', full } : { is: 'away' } },
  [{ is: 'keep' }, { is: 'wait' }],
];

function sentAnswered<T>(
  machine: Machine<T>,
  { id, base, doc }: Sending<T>,
  answer: Answer<T>,
  docs: Docs<T>,
): Stepped<T> {
  const free: Machine<T> = { ...machine, underWay: null };
  switch (answer.is) {
    case 'lost':
      return waits({ ...free, unanswered: [...free.unanswered, { id, base, doc }] }, answer.full);
    case 'done':
      return next({ ...has(settled(free, id), id, doc, answer.revision), save: { is: 'saving' } }, docs);
    case 'stale': {
      const open = free.unanswered.filter((one) => one.id === id && one.base === base);
      if (answer.revision === 0 && open.some((one) => one.doc === null))
        return next({ ...has(settled(free, id), id, null, 0), save: { is: 'saving' } }, docs);
      // Nobody else need have been there: it may be what was sent from here.
      if (open.length > 0 && answer.revision === base + 1) return reads(free, id, base, answer.revision);
      // Somebody else saved theirs: it is looked at, and both are put together where they can be.
      if (answer.revision > 0 && doc !== null && machine.saved[id] !== undefined)
        return reads(free, id, base, answer.revision);
      return [
        { ...settled(free, id), save: { is: 'elsewhere', id, revision: answer.revision } },
        [{ is: 'keep' }],
      ];
    }
    case 'refused':
      return [{ ...settled(free, id), save: { is: 'refused', why: answer.why } }, [{ is: 'keep' }]];
    default:
      return [free, []];
  }
}

function readAnswered<T>(
  machine: Machine<T>,
  { id, base, revision }: Extract<UnderWay<T>, { is: 'read' }>,
  answer: Answer<T>,
  docs: Docs<T>,
  { same, merge }: Rules<T>,
): Stepped<T> {
  const free: Machine<T> = { ...machine, underWay: null };
  if (answer.is !== 'stands' && answer.is !== 'nothing there') return waits(free);
  const stored = answer.is === 'stands' ? answer.stored : null;
  const ours =
    stored !== null &&
    (revision === 0 || stored.revision === revision) &&
    free.unanswered.some(
      (one) =>
        one.id === id &&
        (revision === 0 || one.base === base) &&
        one.doc !== null &&
        same(one.doc, stored.body),
    );
  const quiet = settled(free, id);
  // Ours is saved, or is taken away as anything else is; what isn't was never ours to take.
  if (ours) return next({ ...has(quiet, id, stored.body, stored.revision), save: { is: 'saving' } }, docs);
  if (revision === 0) return next({ ...quiet, save: { is: 'saving' } }, docs);
  const clash: Stepped<T> = [
    { ...quiet, save: { is: 'elsewhere', id, revision: stored?.revision ?? 0 } },
    [{ is: 'keep' }],
  ];
  const [was, mine] = [machine.saved[id], docs[id]];
  if (stored && was !== undefined && mine !== undefined) {
    // One of what was sent and never answered may have arrived, all being on one revision: the one of which all that
    // it changed is there, and that says most of what is. One that changed nothing, or back, is always there.
    const holds = (one: T, inThat: T) => {
      const both = merge(was, one, inThat);
      return both !== null && same(both, inThat);
    };
    const there = free.unanswered.flatMap((one) =>
      one.id === id && one.doc !== null && holds(one.doc, stored.body) ? [one.doc] : [],
    );
    const arrived = there.reduce<T>((most, one) => (holds(most, one) ? one : most), was);
    const both = merge(arrived, mine, stored.body);
    if (both === null) return clash;
    const whole = same(both, stored.body) ? stored.body : both;
    const standing = { ...has(quiet, id, stored.body, stored.revision), merged: true };
    const [then, effects] = next({ ...standing, save: { is: 'saving' } }, { ...docs, [id]: whole });
    return [then, [{ is: 'take', id, doc: whole }, ...effects]];
  }
  return clash;
}

/**
 * One event. `docs` is what is open here after it. Pure: the same machine, event and documents give the same.
 */
export function step<T>(machine: Machine<T>, event: Event<T>, docs: Docs<T>, rules: Rules<T>): Stepped<T> {
  switch (event.is) {
    case 'loaded': {
      const { saved, base, clash } = event;
      const loaded: Machine<T> = {
        ...machine,
        saved,
        base,
        unanswered: [],
        underWay: null,
        save: clash ? { is: 'elsewhere', ...clash } : { is: 'saved' },
      };
      return next(loaded, docs);
    }
    case 'edited': {
      const edited: Machine<T> = { ...machine, merged: false };
      const { save, underWay } = edited;
      if (save.is === 'elsewhere' || save.is === 'loading' || save.is === 'away')
        return [edited, [{ is: 'keep' }]];
      if (!underWay && unsaved(edited, docs).length === 0)
        return [{ ...edited, save: { is: 'saved' } }, [{ is: 'keep' }]];
      return [{ ...edited, save: { is: 'saving' } }, [{ is: 'keep' }, { is: 'pause' }]];
    }
    case 'rested':
      return machine.save.is === 'away' ? [machine, []] : next(machine, docs);
    case 'try again':
      return next(machine, docs);
    case 'answered': {
      const { underWay } = machine;
      if (underWay?.n !== event.n) return [machine, []];
      if (underWay?.is === 'send') return sentAnswered(machine, underWay, event.answer, docs);
      if (underWay?.is === 'read') return readAnswered(machine, underWay, event.answer, docs, rules);
      return [machine, []];
    }
    case 'keep mine': {
      const { save, base } = machine;
      if (save.is !== 'elsewhere') return [machine, []];
      return next({ ...machine, base: { ...base, [save.id]: save.revision }, save: { is: 'saving' } }, docs);
    }
    case 'theirs': {
      const { save } = machine;
      if (save.is !== 'elsewhere') return [machine, []];
      const { stored } = event;
      return next(
        { ...has(machine, save.id, stored?.body ?? null, stored?.revision ?? 0), save: { is: 'saving' } },
        docs,
      );
    }
  }
}
