import { type Base, type Ladder, type Library, libraryOf } from '../ladder/index.ts';
import { DEMAND_KEYS, type Demand, type DemandKey, type Figure, type Move } from '../move/index.ts';
import { compileLibrary, heightsAt, type LibraryIndex, ROW_SIZE, withIndex } from './library-index.ts';

// In every engine that runs JavaScript, though not among the types of the language itself.
declare const TextEncoder: new () => { encode(text: string): Uint8Array };
declare const TextDecoder: new () => { decode(bytes: Uint8Array): string };

/** "IRLB" as the first four bytes. */
const MAGIC = 0x424c5249;
/** Of the file's own shape; a file of another one isn't read. */
const VERSION = 3;
const HEAD_BYTES = 16;

const COLUMN_TYPES = {
  f64: Float64Array,
  i32: Int32Array,
  i16: Int16Array,
  u16: Uint16Array,
  i8: Int8Array,
  u8: Uint8Array,
} as const;
type ColumnType = keyof typeof COLUMN_TYPES;

interface Column {
  readonly name: string;
  readonly type: ColumnType;
  /** Bytes from where columns begin. */
  readonly at: number;
  readonly length: number;
}

/** What authors wrote of each move's demand, what is drawn of it and the postures they began from: only who edits a move looks at them. */
interface Written {
  readonly demands: readonly Move['demand'][];
  readonly drawn: readonly (Move['drawn'] | null)[];
  readonly bases: readonly (readonly [string, Base])[];
}

interface Head {
  readonly moves: readonly Omit<Move, 'demand' | 'drawn'>[];
  readonly ladders: readonly Ladder[];
  readonly count: number;
  readonly ids: readonly string[];
  readonly trimIds: readonly string[];
  /** Different origins of figures; `origin` says which by its place. */
  readonly origins: readonly Pick<Figure, 'from' | 'source'>[];
  readonly columns: readonly Column[];
}

const typeOf = (column: ArrayBufferView): ColumnType =>
  (Object.keys(COLUMN_TYPES) as ColumnType[]).find((type) => column instanceof COLUMN_TYPES[type])!;
/** JSON of ASCII alone: a string of one byte a letter is decoded and parsed in half the time of one that holds a single dash. */
const asciiJson = (value: unknown) =>
  JSON.stringify(value).replace(
    /[\u0080-\uffff]/g,
    (letter) => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
const upTo8 = (n: number) => Math.ceil(n / 8) * 8;

/**
 * A checked library as one file: its moves and ladders as JSON, its figures and its index as columns of numbers in
 * the machine's own order (little-endian everywhere it runs). It is made once, when the product is built.
 */
export function encodeLibrary(library: Library): Uint8Array<ArrayBuffer> {
  const index = compileLibrary(library);
  const origins: Pick<Figure, 'from' | 'source'>[] = [];
  const numbers = new Map<string, number>();
  const origin = new Uint8Array(index.count * ROW_SIZE);
  index.ids.forEach((id, row) => {
    const demand = library.demand.get(id)!;
    DEMAND_KEYS.forEach((key, k) => {
      const { from, source } = demand[key];
      const name = `${from} ${source ?? ''}`;
      if (!numbers.has(name)) {
        numbers.set(name, origins.length);
        origins.push(source === undefined ? { from } : { from, source });
      }
      origin[row * ROW_SIZE + k] = numbers.get(name)!;
    });
  });
  if (origins.length > 256)
    throw new Error('More than 256 different origins of figures: a byte is too small.');
  const { count, ids, trimIds, ...rest } = index;
  const views: [string, ArrayBufferView & { length: number }][] = [
    ...Object.entries(rest as unknown as Record<string, Float64Array>),
    ['origin', origin],
  ];
  let at = 0;
  const columns = views.map(([name, column]): Column => {
    const here = at;
    at = upTo8(at + column.byteLength);
    return { name, type: typeOf(column), at: here, length: column.length };
  });
  const head: Head = {
    moves: library.moves.map(({ demand: _, drawn: __, ...move }) => move),
    ladders: library.ladders,
    count,
    ids,
    trimIds,
    origins,
    columns,
  };
  const written: Written = {
    demands: library.moves.map((move) => move.demand),
    drawn: library.moves.map((move) => move.drawn ?? null),
    bases: [...library.bases],
  };
  const text = new TextEncoder().encode(asciiJson(head));
  const later = new TextEncoder().encode(asciiJson(written));
  const begins = upTo8(HEAD_BYTES + text.length + later.length);
  const file = new Uint8Array(begins + at);
  const view = new DataView(file.buffer);
  view.setUint32(0, MAGIC, true);
  view.setUint32(4, VERSION, true);
  view.setUint32(8, text.length, true);
  view.setUint32(12, later.length, true);
  file.set(text, HEAD_BYTES);
  file.set(later, HEAD_BYTES + text.length);
  views.forEach(([, column], i) => {
    file.set(new Uint8Array(column.buffer, column.byteOffset, column.byteLength), begins + columns[i]!.at);
  });
  return file;
}

/** What stands in a file under a name, read when it is asked for: most pages look at a few moves, and few at postures. */
class ReadWhenAsked<T> implements ReadonlyMap<string, T> {
  readonly #find: () => ReadonlyMap<string, number>;
  readonly #read: (row: number) => T;
  readonly #made = new Map<string, T>();
  #found: ReadonlyMap<string, number> | undefined;
  constructor(rows: () => ReadonlyMap<string, number>, read: (row: number) => T) {
    this.#find = rows;
    this.#read = read;
  }
  get #rows() {
    this.#found ??= this.#find();
    return this.#found;
  }
  get size() {
    return this.#rows.size;
  }
  has(id: string) {
    return this.#rows.has(id);
  }
  get(id: string): T | undefined {
    const row = this.#rows.get(id);
    if (row === undefined) return undefined;
    const made = this.#made.get(id) ?? this.#read(row);
    this.#made.set(id, made);
    return made;
  }
  keys() {
    return this.#rows.keys();
  }
  *values(): MapIterator<T> {
    for (const id of this.#rows.keys()) yield this.get(id)!;
  }
  *entries(): MapIterator<[string, T]> {
    for (const id of this.#rows.keys()) yield [id, this.get(id)!];
  }
  [Symbol.iterator]() {
    return this.entries();
  }
  forEach(each: (value: T, id: string, map: ReadonlyMap<string, T>) => void) {
    for (const [id, value] of this.entries()) each(value, id, this);
  }
}
const placesOf = (ids: readonly string[]) => new Map(ids.map((id, i) => [id, i]));

/** Of the move with this id, what only who edits a move looks at. */
type Later = (id: string) => Pick<Move, 'demand' | 'drawn'>;
const LATER = Symbol('later');
/**
 * The same functions on the moves of every library: with functions of its own every move would be a table of names of
 * its own, and what they close over would be kept until old space is collected.
 */
const READ_LATER: PropertyDescriptorMap & ThisType<{ readonly id: string; readonly [LATER]: Later }> = {
  demand: {
    enumerable: true,
    get() {
      return this[LATER](this.id).demand;
    },
  },
  drawn: {
    enumerable: true,
    get() {
      return this[LATER](this.id).drawn;
    },
  },
};
function readLater(move: Omit<Move, 'demand' | 'drawn'>, later: Later): Move {
  Object.defineProperty(move, LATER, { value: later });
  return Object.defineProperties(move, READ_LATER) as Move;
}

/**
 * A library out of its file, with its index: nothing is validated again, nothing is copied. Throws one sentence where
 * the file is none, or of another shape than this program reads.
 */
export function decodeLibrary(buffer: ArrayBuffer): Library {
  const view = new DataView(buffer);
  if (buffer.byteLength < HEAD_BYTES || view.getUint32(0, true) !== MAGIC)
    throw new Error('This isn’t a movement library: load the page again, or build it with npm run build.');
  const version = view.getUint32(4, true);
  if (version !== VERSION)
    throw new Error(
      `This movement library is of version ${version}, and this page reads ${VERSION}: load the page again.`,
    );
  const [length, later] = [view.getUint32(8, true), view.getUint32(12, true)];
  const json = (at: number, bytes: number) =>
    JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, at, bytes))) as unknown;
  const head = json(HEAD_BYTES, length) as Head;
  let read: Written | undefined;
  const written = () => {
    read ??= json(HEAD_BYTES + length, later) as Written;
    return read;
  };
  let places: ReadonlyMap<string, number> | undefined;
  const writtenOf: Later = (id) => {
    places ??= placesOf(head.moves.map((move) => move.id));
    const i = places.get(id)!;
    return { demand: written().demands[i]!, drawn: written().drawn[i] ?? undefined };
  };
  const moves = head.moves.map((move) => readLater(move, writtenOf));
  const bases = new ReadWhenAsked(
    () => placesOf(written().bases.map(([id]) => id)),
    (i) => written().bases[i]![1],
  );
  const begins = upTo8(HEAD_BYTES + length + later);
  const columns = Object.fromEntries(
    head.columns.map(({ name, type, at, length: n }) => [
      name,
      new COLUMN_TYPES[type](buffer, begins + at, n),
    ]),
  );
  const { origin, ...rest } = columns as Record<string, Float64Array> & { origin: Uint8Array };
  const index = {
    count: head.count,
    ids: head.ids,
    trimIds: head.trimIds,
    ...rest,
  } as unknown as LibraryIndex;
  const figure = (at: number): Figure => {
    const lo = index.lo[at]!;
    const hi = index.hi[at]!;
    const { from, source } = head.origins[origin[at]!]!;
    return { lo: Number.isNaN(lo) ? null : lo, hi: Number.isNaN(hi) ? null : hi, from, source };
  };
  const demand = new ReadWhenAsked(
    () => placesOf(head.ids),
    (row): Demand => {
      // Made for every move of a page of ladders: no lists on the way.
      const made = {} as Record<DemandKey, Figure>;
      for (let k = 0; k < DEMAND_KEYS.length; k++) made[DEMAND_KEYS[k]!] = figure(row * ROW_SIZE + k);
      for (const [k, heights] of heightsAt(index, row)) {
        const key = DEMAND_KEYS[k]!;
        made[key] = { ...made[key], heights };
      }
      return made;
    },
  );
  return withIndex(libraryOf({ moves, ladders: head.ladders, demand, bases }), index);
}
