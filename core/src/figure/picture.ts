import type { Library } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import { stripOf, svgOf } from './draw.ts';
import { shownFor } from './shown.ts';

/** Sizes of the picture, its own units: a centimetre of what is drawn is one. */
const LINE = 26;
const GAP = 18;
const BESIDE = 30;

const safe = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** Forms below each other as one picture, each by its name and the stills of its rep; one without a drawing by its name. */
export function pictureOf(library: Library, title: string, forms: readonly FormRef[]): string {
  let y = 0;
  let width = 0;
  const rows = forms.map((form, i) => {
    const name = library.move(form.move)?.name ?? form.move;
    const shown = shownFor(library, form);
    const strip = shown ? stripOf(shown.figure) : [];
    const text = `<text x="0" y="${y + LINE - 8}" font-family="sans-serif" font-size="16">${i + 1} ${safe(name)}${shown?.like ? ` (as ${safe(shown.like.name)})` : ''}</text>`;
    y += LINE;
    let x = 0;
    const stills = strip.map((still) => {
      const [, , w, h] = still.frame;
      const drawn = svgOf(still, name).replace('<svg ', `<svg x="${Math.round(x)}" y="${Math.round(y)}" `);
      x += w + BESIDE;
      width = Math.max(width, x);
      return { drawn, h };
    });
    y += Math.max(0, ...stills.map(({ h }) => h)) + GAP;
    return [text, ...stills.map(({ drawn }) => drawn)].join('\n');
  });
  const [w, h] = [Math.round(Math.max(width, 400)), Math.round(y)];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}" role="img"><title>${safe(title)}</title><rect width="${w}" height="${h}" fill="#fff"/>${rows.join('\n')}</svg>\n`;
}
