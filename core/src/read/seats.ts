import type { Item, LineRead } from './line.ts';
import { type Names, type OwnWords, type Reading, readName, SURE } from './names.ts';
import { tokensOf } from './tokens.ts';

/** Titles of classes in which nobody stands. */
const SEATED =
  /\b(?:seated|sitting|wheelchair|chair[- ](?:based|yoga|class|exercises?|fitness|workout|aerobics)|armchair)\b/i;
const ALL_SEATED = /\b(?:all|everything|everyone|everybody)\b.{0,20}\b(?:seated|sitting)\b/i;
const ON_FEET = /\b(?:stand|standing|sit to stand|seated|sitting|chair|step|walk|squat|lunge|supported)/i;
/** Which way it goes: what is raised to the front is no raise to the side. */
const WAYS = /\b(?:front|side|back|forward|backward|overhead)/giu;
const otherWay = (said: string, name: string): boolean => {
  const [one, other] = [said, name].map((text) => new Set(text.toLowerCase().match(WAYS) ?? []));
  return one!.size > 0 && other!.size > 0 && ![...one!].some((way) => other!.has(way));
};
/** Called so, or nearly. */
const NAMED = 0.9;
/** As sure as what may be meant and isn't taken for it. */
const UNSURE = 0.3;

/** Whether a note says that all of it is seated. */
export const saysAllSeated = (text: string): boolean => ALL_SEATED.test(text);

/** What a class in which nobody stands means by the names of what is done standing elsewhere. */
export class Seats {
  readonly #names: Names;
  readonly #own: OwnWords;
  /** Somebody who names what is done standing doesn't sit for all of it. */
  readonly #standsToo: boolean;
  /** It was said of all of it. */
  all = false;
  constructor(names: Names, own: OwnWords, reads: readonly LineRead[]) {
    this.#names = names;
    this.#own = own;
    this.#standsToo = reads.some(({ text }) => /\bstanding\b/i.test(text));
  }

  /**
   * In a seated class "overhead press" is the seated one, where there is one by that name; where all of it is
   * seated and there is none, what is done on the feet is not what was meant, and stays as it is taught.
   */
  itemIn(item: Item, called: string): Item {
    const seated = this.all || (SEATED.test(called) && !this.#standsToo);
    if (!seated || ON_FEET.test(item.text)) return item;
    const [plain] = item.readings;
    const itsName = plain?.moves.length === 1 ? this.#names.library.move(plain.moves[0]!)?.name : undefined;
    for (const text of [item.text, ...(itsName ? [itsName] : [])]) {
      const readings = readName(this.#names, tokensOf(`seated ${text}`), this.#own);
      const [best] = readings;
      const elsewhere = best !== undefined && otherWay(item.text, [...best.names, ...best.moves].join(' '));
      if (!elsewhere && ((best?.sure ?? 0) >= NAMED || ((best?.sure ?? 0) >= SURE && !this.#onFeet(best))))
        return { ...item, readings };
    }
    return this.all && this.#onFeet(plain)
      ? { ...item, readings: item.readings.map((one) => ({ ...one, sure: Math.min(one.sure, UNSURE) })) }
      : item;
  }

  /** Is any of what it names done standing? */
  #onFeet(reading: Reading | undefined): boolean {
    return reading?.moves.some((id) => this.#names.library.move(id)?.base === 'standing') ?? false;
  }
}
