import type { FormTable } from '../forms/index.ts';

const BLOCK_BYTES = 1 << 20;

/**
 * Lists of numbers that are needed while something is reckoned and by nobody afterwards, cut from blocks that are kept.
 * A class of thousands of forms fills some twenty megabytes of them: left to be collected, every sixth plan waits for
 * the whole heap to be gone through.
 *
 * What is cut is as whoever had it before left it, and is theirs again after {@link Scratch.clear}.
 */
export class Scratch {
  readonly #blocks: ArrayBuffer[] = [];
  #block = 0;
  #at = 0;

  #cut(bytes: number): { buffer: ArrayBuffer; at: number } {
    const size = Math.ceil(bytes / 8) * 8;
    while (this.#block < this.#blocks.length && this.#at + size > this.#blocks[this.#block]!.byteLength) {
      this.#block++;
      this.#at = 0;
    }
    if (this.#block === this.#blocks.length) {
      this.#blocks.push(new ArrayBuffer(Math.max(BLOCK_BYTES, size)));
      this.#at = 0;
    }
    const at = this.#at;
    this.#at += size;
    return { buffer: this.#blocks[this.#block]!, at };
  }
  floats(length: number): Float64Array {
    const { buffer, at } = this.#cut(length * Float64Array.BYTES_PER_ELEMENT);
    return new Float64Array(buffer, at, length);
  }
  ints(length: number): Int32Array {
    const { buffer, at } = this.#cut(length * Int32Array.BYTES_PER_ELEMENT);
    return new Int32Array(buffer, at, length);
  }
  /** How far it is used: what is cut after this is given back by {@link Scratch.release}, and nothing before it. */
  mark(): readonly [block: number, at: number] {
    return [this.#block, this.#at];
  }
  release([block, at]: readonly [block: number, at: number]): void {
    this.#block = block;
    this.#at = at;
  }
  clear(): void {
    this.release([0, 0]);
  }
}

const ofTable = new WeakMap<FormTable, Scratch>();
/** What is kept for the forms of one room, cleared. For one reckoning at a time, which no other interrupts. */
export function scratchOf(table: FormTable): Scratch {
  const scratch = ofTable.get(table) ?? new Scratch();
  ofTable.set(table, scratch);
  scratch.clear();
  return scratch;
}
