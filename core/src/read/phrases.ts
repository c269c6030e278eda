/** Phrases of one or more words, each with what it means: the longest that begins at a word is found in one walk. */
export class Phrases<T> {
  readonly #root: Branch<T> = { next: new Map(), means: undefined };
  #fill: ((phrases: Phrases<T>) => void) | null;

  /** `fill` lists them, and isn't called before one is looked for: most pages read nothing. */
  constructor(fill: (phrases: Phrases<T>) => void) {
    this.#fill = fill;
  }

  /** What was listed first stands: a phrase means one thing. */
  add(words: readonly string[], means: T): void {
    let at = this.#root;
    for (const word of words) {
      const next = at.next.get(word) ?? { next: new Map(), means: undefined };
      at.next.set(word, next);
      at = next;
    }
    at.means ??= means;
  }

  /** The longest phrase from a word on, and the index behind it; words for which `skips` holds are passed over inside. */
  longest(
    words: readonly string[],
    from: number,
    skips: (index: number) => boolean = () => false,
  ): { readonly means: T; readonly to: number } | null {
    const fill = this.#fill;
    this.#fill = null;
    fill?.(this);
    let at: Branch<T> | undefined = this.#root;
    let found: { means: T; to: number } | null = null;
    for (let k = from; k < words.length; k++) {
      if (k > from && skips(k)) continue;
      at = at.next.get(words[k]!);
      if (!at) break;
      if (at.means !== undefined) found = { means: at.means, to: k + 1 };
    }
    return found;
  }
}

interface Branch<T> {
  readonly next: Map<string, Branch<T>>;
  means: T | undefined;
}
