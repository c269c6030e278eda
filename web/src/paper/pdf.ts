import { frameOf, shapesOf } from '@inner-rung/core/figure';
import { type Measure, MM, type Page } from '@inner-rung/core/paper';
import { PDFDocument, type PDFFont, rgb, StandardFonts } from 'pdf-lib';

/** Letters the standard fonts of PDF don't have, and what is written for them. */
const INSTEAD: Readonly<Record<string, string>> = {
  '→': '>',
  '≥': 'at least ',
  '≤': 'at most ',
  '−': '-',
  '✓': 'x',
};
/** A text with only letters that a standard font has. */
export const plain = (text: string): string =>
  text
    .replace(/[→≥≤−✓]/g, (letter) => INSTEAD[letter]!)
    // What WinAnsi has: Latin-1 and the usual quotes, dashes and dots.
    .replace(/[^\u0020-\u007e\u00a0-\u00ff‘’“”–—…•€]/g, '?');

interface Fonts {
  readonly body: PDFFont;
  readonly bold: PDFFont;
}
const fontsIn = async (doc: PDFDocument): Promise<Fonts> => ({
  body: await doc.embedFont(StandardFonts.Helvetica),
  bold: await doc.embedFont(StandardFonts.HelveticaBold),
});

/** How wide texts are, in millimetres, by the metrics they are printed with. */
export async function metrics(): Promise<Measure> {
  const fonts = await fontsIn(await PDFDocument.create());
  return (text, pt, bold) => (bold ? fonts.bold : fonts.body).widthOfTextAtSize(plain(text), pt) * MM;
}

const BLACK = rgb(0, 0, 0);
const GREY = rgb(0.35, 0.35, 0.35);
const TONE = { near: BLACK, far: rgb(0.6, 0.6, 0.6), thing: rgb(0.85, 0.85, 0.85) } as const;
const WHITE = rgb(1, 1, 1);

/** Pages as one PDF, in black and white. `onPage` is told after each. */
export async function toPdf(
  pages: readonly Page[],
  title: string,
  onPage: (done: number) => void = () => undefined,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle(plain(title));
  doc.setProducer('Inner Rung');
  const fonts = await fontsIn(doc);
  for (const [n, page] of pages.entries()) {
    const sheet = doc.addPage([page.width / MM, page.height / MM]);
    const top = page.height / MM;
    for (const item of page.items) {
      const x = item.x / MM;
      const y = top - item.y / MM;
      if (item.is === 'text')
        sheet.drawText(plain(item.text), {
          x,
          y,
          size: item.pt,
          font: item.bold ? fonts.bold : fonts.body,
          color: item.grey ? GREY : BLACK,
        });
      else if (item.is === 'rule')
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
        const [fx, fy, fw] = frameOf(item.figure);
        const scale = item.width / MM / fw;
        const at = { x: x - fx * scale, y: y + fy * scale, scale };
        sheet.drawSvgPath(`M${fx} 0h${fw}`, { ...at, borderColor: BLACK, borderWidth: 2 });
        for (const { d, tone, edged } of shapesOf(item.figure, item.t)) {
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
