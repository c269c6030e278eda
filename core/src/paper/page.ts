import type { Still } from '../figure/index.ts';

/** Paper in millimetres, upright. */
export const SIZES = {
  A4: { width: 210, height: 297 },
  A5: { width: 148, height: 210 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type SizeId = keyof typeof SIZES;
export const SIZE_IDS = Object.keys(SIZES) as SizeId[];

/** Something on a page; millimetres from its top left corner, text sizes in points. */
export type Item =
  | {
      readonly is: 'text';
      readonly x: number;
      /** Of the line the letters stand on. */
      readonly y: number;
      readonly pt: number;
      readonly bold: boolean;
      readonly text: string;
      readonly grey?: boolean;
    }
  | {
      readonly is: 'rule';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly thick: number;
    }
  | {
      readonly is: 'box';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }
  | {
      /** From one pose to the next: a line with a head at its right end. */
      readonly is: 'arrow';
      readonly x: number;
      readonly y: number;
      readonly width: number;
    }
  | {
      /** A code for a phone's camera: rows of 0 and 1, its quiet edge with it. */
      readonly is: 'code';
      readonly x: number;
      readonly y: number;
      readonly size: number;
      readonly cells: readonly string[];
    }
  | {
      readonly is: 'figure';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly still: Still;
    };

/** A part of a text, bold or not. */
export interface Rich {
  readonly text: string;
  readonly bold?: boolean;
}

export interface Page {
  readonly width: number;
  readonly height: number;
  readonly items: readonly Item[];
}

/** How far an arrow's head reaches back and to either side, mm. */
export const ARROW_HEAD = 1.3;

/** Width of a text in millimetres. */
export type Measure = (text: string, pt: number, bold: boolean) => number;

/** Millimetres of a point, and of a line set in so many of them. */
export const MM = 25.4 / 72;
export const lineHeight = (pt: number): number => pt * MM * 1.22;

/** A text in lines that are no wider than so many millimetres, broken at spaces; a word that is wider stands alone. */
export function wrapText(text: string, width: number, pt: number, bold: boolean, measure: Measure): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && measure(`${last} ${word}`, pt, bold) <= width)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A page that is written from top to bottom; what doesn't fit begins another. */
export class Sheet {
  readonly pages: Page[] = [];
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  #items: Item[] = [];
  y: number;
  readonly #measure: Measure;

  constructor(size: { width: number; height: number }, margin: number, measure: Measure) {
    this.width = size.width;
    this.height = size.height;
    this.margin = margin;
    this.y = margin;
    this.#measure = measure;
  }

  get inner(): number {
    return this.width - 2 * this.margin;
  }
  /** Millimetres left on this page. */
  get left(): number {
    return this.height - this.margin - this.y;
  }
  get isFresh(): boolean {
    return this.#items.length === 0;
  }

  put(item: Item): void {
    this.#items.push(item);
  }

  /** Lines of a text at a place; gives back where the next line goes. */
  text(
    text: string,
    of: {
      x: number;
      y: number;
      width: number;
      pt: number;
      bold?: boolean;
      grey?: boolean;
      most?: number;
      right?: boolean;
    },
  ): number {
    const { pt, bold = false } = of;
    let { y } = of;
    const all = wrapText(text, of.width, pt, bold, this.#measure);
    const lines = of.most !== undefined && all.length > of.most ? all.slice(0, of.most) : all;
    for (const line of lines) {
      y += lineHeight(pt);
      const x = of.right ? of.x + of.width - this.#measure(line, pt, bold) : of.x;
      this.put({
        is: 'text',
        x,
        y: y - pt * MM * 0.24,
        pt,
        bold,
        text: line,
        ...(of.grey ? { grey: true } : {}),
      });
    }
    return y;
  }

  /**
   * Parts of one text, some of them bold, in lines no wider than so many millimetres; gives back where the next line
   * goes. With `dry` nothing is written.
   */
  rich(
    parts: readonly Rich[],
    of: { x: number; y: number; width: number; pt: number; grey?: boolean; dry?: boolean },
  ): number {
    const { pt } = of;
    type Word = { readonly text: string; readonly bold: boolean };
    const lines: Word[][] = [];
    let used = 0;
    const space = this.#measure(' ', pt, false);
    for (const { text, bold = false } of parts)
      for (const word of text.split(/\s+/).filter(Boolean)) {
        const width = this.#measure(word, pt, bold);
        // Punctuation clings to what stands before it.
        const clings = /^[,.;:)]/.test(word) && lines.length > 0;
        const gap = lines.length === 0 || clings ? 0 : space;
        if (lines.length === 0 || (used + gap + width > of.width && !clings)) {
          lines.push([{ text: word, bold }]);
          used = width;
        } else {
          lines.at(-1)!.push({ text: clings ? word : ` ${word}`, bold });
          used += gap + width;
        }
      }
    let { y } = of;
    for (const line of lines) {
      y += lineHeight(pt);
      if (of.dry) continue;
      let { x } = of;
      // Words of one weight are one item: a reader, and a search, finds them whole.
      for (let i = 0; i < line.length; ) {
        let { text } = line[i]!;
        const { bold } = line[i]!;
        let next = i + 1;
        while (next < line.length && line[next]!.bold === bold) text += line[next++]!.text;
        const lead = text.startsWith(' ') ? space : 0;
        this.put({
          is: 'text',
          x: x + lead,
          y: y - pt * MM * 0.24,
          pt,
          bold,
          text: text.trimStart(),
          ...(of.grey ? { grey: true } : {}),
        });
        x += lead + this.#measure(text.trimStart(), pt, bold);
        i = next;
      }
    }
    return y;
  }

  /** Height of a text in so many points and so much width. */
  heightOf(text: string, width: number, pt: number, bold = false): number {
    return wrapText(text, width, pt, bold, this.#measure).length * lineHeight(pt);
  }

  /** Ends this page where it has anything on it. */
  next(): void {
    if (!this.isFresh) this.pages.push({ width: this.width, height: this.height, items: this.#items });
    this.#items = [];
    this.y = this.margin;
  }

  done(): Page[] {
    this.next();
    return this.pages;
  }
}
