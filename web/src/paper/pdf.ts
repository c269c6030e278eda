import { shapesOf } from '@inner-rung/core/figure';
import { ARROW_HEAD, type Measure, MM, type Page } from '@inner-rung/core/paper';
import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, type PDFFont, rgb } from 'pdf-lib';
import { cellsPath } from '../ui/qr-cells.ts';

/** Both cuts of the typeface that paper is set in, as they lie in their files. */
export interface FontFiles {
  readonly body: Uint8Array;
  readonly bold: Uint8Array;
}

interface Cut {
  readonly has: (code: number) => boolean;
  /** Shares of the type's size. */
  readonly advance: (code: number) => number;
}
const cutOf = (bytes: Uint8Array): Cut => {
  const font = fontkit.create(bytes);
  const known = new Map<number, number>();
  return {
    has: (code) => font.hasGlyphForCodePoint(code),
    advance: (code) => {
      const found = known.get(code);
      if (found !== undefined) return found;
      const made = font.glyphForCodePoint(code).advanceWidth / font.unitsPerEm;
      known.set(code, made);
      return made;
    },
  };
};

/** Signs that the typeface doesn't have, and what is written for them. */
const INSTEAD: Readonly<Record<string, string>> = {
  '→': '>',
  '≥': 'at least ',
  '≤': 'at most ',
  '−': '-',
  '✓': 'x',
};

/** A text with only letters that a cut has: a bare letter for one with a mark it lacks, else a question mark. */
export function written(text: string, has: (code: number) => boolean): string {
  let out = '';
  for (const letter of text) {
    if (has(letter.codePointAt(0)!)) out += letter;
    else if (INSTEAD[letter] !== undefined) out += INSTEAD[letter];
    else {
      const bare = [...letter.normalize('NFD')].filter((part) => has(part.codePointAt(0)!)).join('');
      out += bare || '?';
    }
  }
  return out;
}

/** What paper is measured and checked with. */
export interface Type {
  readonly measure: Measure;
  /** Letters of a text that the typeface can't print, each once. */
  readonly lacks: (text: string) => readonly string[];
}

/** How wide texts are, in millimetres, by the advances they are printed with. */
export function typeOf(files: FontFiles): Type {
  const [body, bold] = [cutOf(files.body), cutOf(files.bold)];
  return {
    measure: (text, pt, isBold) => {
      const cut = isBold ? bold : body;
      let width = 0;
      for (const letter of written(text, cut.has)) width += cut.advance(letter.codePointAt(0)!);
      return width * pt * MM;
    },
    lacks: (text) => [
      ...new Set([...text].filter((letter) => written(letter, body.has) === '?' && letter !== '?')),
    ],
  };
}

const BLACK = rgb(0, 0, 0);
const GREY = rgb(0.35, 0.35, 0.35);
const TONE = { near: BLACK, far: rgb(0.6, 0.6, 0.6), thing: rgb(0.76, 0.76, 0.76) } as const;
const WHITE = rgb(1, 1, 1);

/** Pages as one PDF, in black and white. `onPage` is told after each. */
export async function toPdf(
  pages: readonly Page[],
  title: string,
  files: FontFiles,
  onPage: (done: number) => void = () => undefined,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle(title);
  doc.setProducer('Inner Rung');
  doc.registerFontkit(fontkit);
  // Letter by letter, as they are measured: no two of them run into one.
  const set = { subset: true, features: { liga: false, kern: false } };
  const fonts: Record<'body' | 'bold', PDFFont> = {
    body: await doc.embedFont(files.body, set),
    bold: await doc.embedFont(files.bold, set),
  };
  const cuts = { body: cutOf(files.body), bold: cutOf(files.bold) };
  for (const [n, page] of pages.entries()) {
    const sheet = doc.addPage([page.width / MM, page.height / MM]);
    const top = page.height / MM;
    for (const item of page.items) {
      const x = item.x / MM;
      const y = top - item.y / MM;
      if (item.is === 'text') {
        const cut = item.bold ? 'bold' : 'body';
        sheet.drawText(written(item.text, cuts[cut].has), {
          x,
          y,
          size: item.pt,
          font: fonts[cut],
          color: item.grey ? GREY : BLACK,
        });
      } else if (item.is === 'code') {
        // One path for all of it: a phone reads no seams.
        const unit = item.size / MM / item.cells.length;
        sheet.drawSvgPath(cellsPath(item.cells), { x, y, scale: unit, color: BLACK });
      } else if (item.is === 'arrow') {
        const head = ARROW_HEAD / MM;
        const end = { x: x + item.width / MM, y };
        for (const start of [
          { x, y },
          { x: end.x - head, y: y + head },
          { x: end.x - head, y: y - head },
        ])
          sheet.drawLine({ start, end, thickness: 1, color: BLACK });
      } else if (item.is === 'rule')
        sheet.drawLine({
          start: { x, y },
          end: { x: x + item.width / MM, y },
          thickness: item.thick / MM,
          color: BLACK,
        });
      else if (item.is === 'box')
        sheet.drawRectangle({
          x,
          y: y - item.height / MM,
          width: item.width / MM,
          height: item.height / MM,
          borderColor: BLACK,
          borderWidth: 1,
        });
      else {
        const { figure, frame, t } = item.still;
        const [fx, fy, fw] = frame;
        const scale = item.width / MM / fw;
        const at = { x: x - fx * scale, y: y + fy * scale, scale };
        if (!figure.above) sheet.drawSvgPath(`M${fx} 0h${fw}`, { ...at, borderColor: BLACK, borderWidth: 2 });
        for (const { d, tone, edged } of shapesOf(figure, t)) {
          if (tone === 'line') sheet.drawSvgPath(d, { ...at, borderColor: BLACK, borderWidth: 2.5 });
          else {
            if (edged) sheet.drawSvgPath(d, { ...at, borderColor: WHITE, borderWidth: 3 });
            sheet.drawSvgPath(d, { ...at, color: TONE[tone] });
          }
        }
      }
    }
    onPage(n + 1);
  }
  return doc.save();
}
