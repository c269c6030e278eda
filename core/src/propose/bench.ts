import {
  DEMAND_KEYS,
  type Demand,
  type DemandKey,
  type Figure,
  type Move,
  type Need,
  type Settings,
} from '../move/index.ts';

/** A form that may not stand in the library: a whole move with what it asks. */
export interface Draft {
  readonly move: Move;
  readonly demand: Demand;
  readonly settings?: Settings | undefined;
}

type Open<T> = { -readonly [K in keyof T]: T[K] };

const STRENGTHS = DEMAND_KEYS.filter((key) => key.startsWith('strength.') && key !== 'strength.grip');
const EFFORTS = DEMAND_KEYS.filter((key) => key.startsWith('effort.'));
const round = (value: number) => Math.round(value * 10) / 10;
/** Figures that stay whole levels, and where each ends. */
const TOP: Partial<Record<DemandKey, number>> = {
  'impact.class': 3,
  'balance.level': 6.5,
  'balance.singleLeg': 2,
  'balance.headTurn': 2,
  'balance.fall': 3,
  'hands.busy': 2,
  'hands.bearing': 2,
  'coordination.level': 6,
  'knee.load': 4,
  'knee.forward': 3,
  'ankle.load': 4,
  'elbow.load': 4,
  'shoulder.load': 4,
  'shoulder.raisedDeg': 180,
  'spine.turn': 4,
  'spine.bend': 4,
  'spine.arch': 4,
  'strain.breath': 3,
  'strain.belly': 3,
  'teach.skill': 4,
  'space.noise': 3,
};

/** A working copy of a form while a lever is pulled. What isn't known stays not known. */
export class Bench {
  readonly move: Open<Move>;
  readonly #figures: Map<DemandKey, Figure>;
  readonly #source: string;

  constructor(from: Draft, lever: string) {
    // Another move than the one that is drawn.
    const { drawn: _, ...move } = from.move;
    this.move = move;
    this.#figures = new Map(
      DEMAND_KEYS.map((key) => {
        const { heights, ...figure } = from.demand[key];
        if (figure.from === 'drawing') return [key, { ...figure, from: 'estimate' }];
        return [key, heights ? figure : from.demand[key]];
      }),
    );
    this.#source = `${from.move.name}, ${lever}`;
  }

  hi(key: DemandKey): number {
    return this.#figures.get(key)!.hi ?? Number.NaN;
  }

  #write(key: DemandKey, change: (value: number) => number): this {
    const { lo, hi } = this.#figures.get(key)!;
    if (lo === null || hi === null) return this;
    const bound = (value: number) =>
      Math.min(TOP[key] ?? Number.POSITIVE_INFINITY, Math.max(0, round(change(value))));
    const now = { lo: bound(lo), hi: bound(hi) };
    if (now.lo !== lo || now.hi !== hi)
      this.#figures.set(key, { ...now, from: 'estimate', source: this.#source });
    return this;
  }

  set(key: DemandKey, value: number): this {
    this.#figures.set(key, { lo: value, hi: value, from: 'estimate', source: this.#source });
    return this;
  }
  scale(key: DemandKey, factor: number): this {
    return this.#write(key, (v) => v * factor);
  }
  add(key: DemandKey, by: number): this {
    return this.#write(key, (v) => v + by);
  }
  atLeast(key: DemandKey, least: number): this {
    return this.#write(key, (v) => Math.max(v, least));
  }
  atMost(key: DemandKey, most: number): this {
    return this.#write(key, (v) => Math.min(v, most));
  }
  /** Every strength but the grip. */
  strength(factor: number): this {
    for (const key of STRENGTHS) this.scale(key, factor);
    return this;
  }
  effort(factor: number): this {
    for (const key of EFFORTS) this.#write(key, (v) => 1.2 + (v - 1.2) * factor);
    return this;
  }
  /** Reps a minute, kept whole and in order; a hold has none. */
  pace(factor: number): this {
    const { pace } = this.move;
    if (pace)
      this.move.pace = pace.map((p) => Math.max(1, Math.round(p * factor))) as [number, number, number];
    return this;
  }
  name(make: (name: string) => string): this {
    this.move.name = make(this.move.name);
    this.move.twins = [];
    return this;
  }
  /** "Push-up" becomes "Push-up, hands raised". */
  also(words: string): this {
    return this.name((name) => `${name}, ${words}`);
  }
  /** "Squat" becomes "Slow squat". */
  first(word: string): this {
    return this.name((name) => `${word} ${name.charAt(0).toLowerCase()}${name.slice(1)}`);
  }
  /** A cue of the lever's own comes first; three are as many as anybody hears. */
  cue(words: string): this {
    this.move.cues = [words, ...this.move.cues].slice(0, 3);
    return this;
  }
  needs(need: Need): this {
    this.move.needs = [...this.move.needs.filter((n) => n.what !== need.what), need];
    return this;
  }
  without(what: Need['what']): this {
    if (this.move.needs.some((n) => n.what === what && n.sets)) this.#dropSurface();
    this.move.needs = this.move.needs.filter((n) => n.what !== what);
    return this;
  }
  posture(at: Move['posture']['work']): this {
    this.move.posture = { start: at, work: at, end: at };
    return this;
  }
  stopIf(words: string): this {
    if (!this.move.stopIf.includes(words)) this.move.stopIf = [...this.move.stopIf, words].slice(-3);
    return this;
  }
  #dropSurface(): void {
    delete (this.move as { surface?: unknown }).surface;
  }
  /** The move keeps one height, so that no law overwrites what the lever did; within five centimetres. */
  fixedAt(cm: number): this {
    if (!this.move.surface) return this;
    this.#dropSurface();
    this.move.needs = this.move.needs.map(({ sets, ...need }) =>
      sets ? { ...need, min: Math.max(0, cm - 5), max: cm + 5 } : need,
    );
    return this;
  }

  done(): Draft {
    // The law's and the trims' figures belong to the move it came from.
    this.move.trims = [];
    return {
      move: this.move,
      demand: Object.fromEntries(this.#figures) as unknown as Demand,
    };
  }
}
