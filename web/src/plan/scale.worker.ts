import type { FormRef } from '@inner-rung/core/move';
import type { Room } from '@inner-rung/core/room';
import {
  createFinder,
  createScaler,
  EVERYWHERE,
  type Finder,
  type FindRequest,
  type Found,
  type LibraryIndex,
  type Ruler,
  type ScaleRequest,
  type Scaler,
  type Sums,
  sumUp,
  type Version,
} from '@inner-rung/core/scale';

/** The index comes once; after that only small questions and answers cross over. */
export type ToWorker =
  | { readonly kind: 'library'; readonly index: LibraryIndex }
  | {
      readonly kind: 'scale';
      readonly number: number;
      readonly room: Room;
      readonly subject: ScaleRequest;
      readonly lanes: readonly ScaleRequest[];
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
      readonly kind: 'find';
      readonly number: number;
      readonly room: Room | null;
      readonly requests: readonly FindRequest[];
    };

export interface FoundForms {
  readonly number: number;
  readonly found: readonly (readonly Found[])[];
}

export interface Scaled {
  readonly number: number;
  readonly version: Version;
  readonly sums: Sums;
  readonly lanes: readonly Version[];
  /** What bars each rung that was asked about; empty when it is open. */
  readonly bars: readonly (readonly Ruler[])[];
}

export interface Barred {
  readonly number: number;
  readonly bars: readonly (readonly Ruler[])[];
}

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
  if (standing?.room !== room) standing = { room, scaler: createScaler(index, data.room) };
  const { scaler } = standing;
  if (data.kind === 'bars') {
    self.postMessage({ number: data.number, bars: scaler.bars(data.rungs, data.subject) } satisfies Barred);
    return;
  }
  const version = scaler.scale(data.subject);
  self.postMessage({
    number: data.number,
    version,
    sums: sumUp(index, data.subject.block, version.uses, data.person),
    lanes: data.lanes.map((lane) => scaler.scale(lane)),
    bars: scaler.bars(data.rungs, data.subject),
  } satisfies Scaled);
};
