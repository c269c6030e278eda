import {
  type ClassPlan,
  type ClassRequest,
  fixesOf,
  type Given,
  HOW,
  type How,
  type LanesMade,
  type LanesRequest,
  makeLanes,
  needsInIndex,
  planClass,
  putOut,
  type Seat,
  type Sharing,
  type SharingFix,
  share,
} from '@inner-rung/core/class';
import {
  createScaler,
  factsInIndex,
  goesOf,
  type ScaleRequest,
  type Scaler,
  type Switches,
  switchesOf,
  type Use,
  type Version,
} from '@inner-rung/core/engine';
import type { LibraryIndex } from '@inner-rung/core/forms';
import type { Ruler, Subject } from '@inner-rung/core/limits';
import type { FormRef } from '@inner-rung/core/move';
import { type Sums, sumUp } from '@inner-rung/core/review';
import type { Room } from '@inner-rung/core/room';
import { EVERYWHERE } from '@inner-rung/core/room';
import { entriesOf, timelineOf } from '@inner-rung/core/session';
import {
  createFinder,
  type Finder,
  type FindRequest,
  type Found,
  WAYS_TO_LOOK_FOR,
} from '@inner-rung/core/ways';

/** The index comes once; after that only small questions and answers cross over. */
export type ToWorker =
  | { readonly kind: 'library'; readonly index: LibraryIndex }
  | {
      readonly kind: 'scale';
      readonly number: number;
      readonly room: Room;
      readonly subject: ScaleRequest;
      readonly lanes: LanesRequest;
      /** Who else is looked at, for their lines on the floor. */
      readonly others: readonly { readonly id: string; readonly request: ScaleRequest }[];
      readonly rungs: readonly FormRef[];
      readonly person: Parameters<typeof sumUp>[3];
    }
  | {
      readonly kind: 'bars';
      readonly number: number;
      readonly room: Room;
      readonly subject: Pick<ScaleRequest, 'subject' | 'dials'>;
      readonly rungs: readonly FormRef[];
    }
  | {
      readonly kind: 'open to';
      readonly number: number;
      readonly room: Room;
      readonly people: readonly {
        readonly id: string;
        readonly subject: Pick<ScaleRequest, 'subject' | 'dials'>;
        readonly forms: readonly FormRef[];
      }[];
    }
  | {
      readonly kind: 'share';
      readonly number: number;
      readonly room: Room;
      readonly how: How;
      /** Stations that the second half starts ahead. */
      readonly ahead: number | undefined;
      readonly people: readonly { readonly id: string; readonly request: ScaleRequest }[];
    }
  | {
      readonly kind: 'class';
      readonly number: number;
      readonly room: Room;
      readonly request: ClassRequest;
    }
  | {
      readonly kind: 'find';
      readonly number: number;
      readonly room: Room | null;
      readonly requests: readonly FindRequest[];
    };

export interface SharedOut {
  readonly number: number;
  readonly sharing: Sharing;
  readonly putOut: readonly Given[];
  /** Changes that each way through the circuit would take. */
  readonly changes: Readonly<Record<How, number>>;
  /** What else would leave fewer changes; null while that is being worked out. */
  readonly fixes: readonly SharingFix[] | null;
  /** What everybody would do were there enough of everything. */
  readonly uses: Readonly<Record<string, readonly (Use | null)[]>>;
}

export interface ClassPlanned {
  readonly number: number;
  readonly plan: ClassPlan;
  /** Where each can go mid-set, entry by entry, once that is worked out. */
  readonly switches?: Readonly<Record<string, readonly Switches[]>>;
}

export interface FoundForms {
  readonly number: number;
  readonly found: readonly (readonly Found[])[];
}

export interface Scaled {
  readonly number: number;
  readonly version: Version;
  readonly sums: Sums;
  /** Every entry's longest single go, in seconds. */
  readonly longest: readonly number[];
  /** What bars each rung that was asked about; empty when it is open. */
  readonly bars: readonly (readonly Ruler[])[];
}

/** What is worked out once the dials rest. */
export interface Settled {
  readonly number: number;
  readonly lanes: LanesMade;
  readonly others: readonly { readonly id: string; readonly uses: Version['uses'] }[];
  /** Where somebody can go in the middle of a set, entry by entry. */
  readonly switches: readonly Switches[];
}

export interface Barred {
  readonly number: number;
  readonly bars: readonly (readonly Ruler[])[];
}

/** What bars each form for each person, in words; null where it is open to them. */
export interface OpenTo {
  readonly number: number;
  readonly bars: Readonly<Record<string, readonly (string | null)[]>>;
}

/** A dial that hasn't been turned for so long rests. */
const SETTLED_MS = 250;
let later: ReturnType<typeof setTimeout> | undefined;
let index: LibraryIndex | undefined;
let standing: { room: string; scaler: Scaler } | undefined;
let looking: { room: string; finder: Finder } | undefined;

self.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  if (data.kind === 'library') {
    index = data.index;
    standing = undefined;
    looking = undefined;
    return;
  }
  if (!index) return;
  if (data.kind === 'find') {
    const where = data.room ?? EVERYWHERE;
    const place = JSON.stringify(where);
    if (looking?.room !== place) looking = { room: place, finder: createFinder(index, where) };
    const { finder } = looking;
    self.postMessage({
      number: data.number,
      found: data.requests.map((request) => finder.find(request)),
    } satisfies FoundForms);
    return;
  }
  const room = JSON.stringify(data.room);
  if (data.kind === 'share') {
    const out = shareOut(index, data);
    self.postMessage(out);
    const fixes =
      out.sharing.changes > 0
        ? fixesOf(
            needsInIndex(index),
            data.room,
            new Map(Object.entries(out.uses)),
            stationsIn(data),
            data.how,
            data.ahead,
          )
        : [];
    self.postMessage({ ...out, fixes } satisfies SharedOut);
    return;
  }
  if (standing?.room !== room) standing = { room, scaler: createScaler(index, data.room) };
  const { scaler } = standing;
  if (data.kind === 'class') {
    const plan = planClass(scaler, data.room, data.request);
    self.postMessage({ number: data.number, plan } satisfies ClassPlanned);
    if (later !== undefined) clearTimeout(later);
    later = setTimeout(() => {
      const alike = new Map<string, readonly Switches[]>();
      const switches = Object.fromEntries(
        data.request.people.map(({ id, request }) => {
          const uses = plan.uses[id]!;
          const key = JSON.stringify([request.subject, request.dials, uses]);
          const known =
            alike.get(key) ?? switchesOf(scaler, request, { original: [], uses, reasons: [], cost: 0 });
          alike.set(key, known);
          return [id, known];
        }),
      );
      self.postMessage({ number: data.number, plan, switches } satisfies ClassPlanned);
    }, SETTLED_MS);
    return;
  }
  if (data.kind === 'bars') {
    self.postMessage({ number: data.number, bars: scaler.bars(data.rungs, data.subject) } satisfies Barred);
    return;
  }
  if (data.kind === 'open to') {
    self.postMessage({
      number: data.number,
      bars: Object.fromEntries(
        data.people.map(({ id, subject, forms }) => [
          id,
          scaler.bars(forms, subject).map((rulers) => rulers[0]?.says ?? null),
        ]),
      ),
    } satisfies OpenTo);
    return;
  }
  const version = scaler.scale(data.subject);
  const { session } = data.subject;
  if (later !== undefined) clearTimeout(later);
  const asked = data;
  later = setTimeout(() => {
    // Only once the dials rest: it is ten times the work.
    self.postMessage({
      number: asked.number,
      lanes: makeLanes(scaler, asked.lanes),
      others: asked.others.map(({ id, request }) => ({ id, uses: scaler.scale(request).uses })),
      switches: switchesOf(scaler, asked.subject, version),
    } satisfies Settled);
  }, SETTLED_MS);
  const goes = goesOf(timelineOf(session, factsInIndex(index)).segments, entriesOf(session.blocks).length);
  self.postMessage({
    number: data.number,
    version,
    sums: sumUp(index, session, version.uses, data.person),
    longest: goes.map((go) => go.longest),
    bars: scaler.bars(data.rungs, data.subject),
  } satisfies Scaled);
};

const stationsIn = (asked: ToWorker & { kind: 'share' }): number =>
  asked.people[0]?.request.session.blocks.reduce((sum, block) => sum + block.stations.length, 0) ?? 0;

/** What somebody does first at each station: what else they need there they have with them. */
function firstUses(request: ScaleRequest, uses: Version['uses']): (Use | null)[] {
  const first: (Use | null)[] = [];
  entriesOf(request.session.blocks).forEach((entry, i) => {
    if (entry.part === 0 && (entry.round ?? 0) === 0) first[entry.station] = uses[i] ?? null;
  });
  return first;
}

/** Everybody scaled as if there were enough of everything, then the room's pieces given out. */
function shareOut(index: LibraryIndex, asked: ToWorker & { kind: 'share' }): SharedOut {
  const scaler = createScaler(index, asked.room);
  const finder = createFinder(index, asked.room);
  const uses: Record<string, readonly (Use | null)[]> = {};
  const subjects = new Map<string, Subject>();
  const alike = new Map<string, readonly (Use | null)[]>();
  for (const { id, request } of asked.people) {
    const key = JSON.stringify(request);
    const scaled = alike.get(key) ?? firstUses(request, scaler.scale(request).uses);
    alike.set(key, scaled);
    uses[id] = scaled;
    subjects.set(id, request.subject);
  }
  const forms = new Map(Object.entries(uses));
  const count = stationsIn(asked);
  const momentsOf = (how: How) => HOW[how](forms, count, asked.ahead);
  const moments = momentsOf(asked.how);
  const looked = new Map<string, { move: string; settings: Use['settings'] }[]>();
  const othersOf = (seat: Seat) => {
    const subject = subjects.get(seat.person)!;
    const key = JSON.stringify([seat.form, subject]);
    const known =
      looked.get(key) ??
      finder
        .find({
          from: seat.form,
          without: [],
          withoutItems: [],
          by: 0,
          most: WAYS_TO_LOOK_FOR,
          subject,
          everyHeight: true,
        })
        .map(({ move, settings }) => ({ move, settings }));
    looked.set(key, known);
    return known;
  };
  const shared = (how: How) => share(needsInIndex(index), asked.room, momentsOf(how), othersOf);
  const sharing = shared(asked.how);
  const changes = Object.fromEntries(
    (Object.keys(HOW) as How[]).map((how) => [
      how,
      how === asked.how ? sharing.changes : shared(how).changes,
    ]),
  ) as Record<How, number>;
  return {
    number: asked.number,
    sharing,
    putOut: putOut(asked.room, sharing, moments),
    changes,
    fixes: null,
    uses,
  };
}
