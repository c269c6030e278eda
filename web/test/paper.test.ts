import { FIGURES } from '@inner-rung/core/figure';
import {
  type CardLine,
  LEAST_PT,
  ladderPoster,
  MM,
  type Page,
  type PersonCard,
  personCards,
  SIZE_IDS,
  SIZES,
  type StationCard,
  stationCards,
  WALL_PT,
  wrapText,
} from '@inner-rung/core/paper';
import fc from 'fast-check';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { toPdf, typeOf, written } from '../src/paper/pdf.ts';
import { FONTS } from './type-on-disk.ts';

const { measure, lacks } = typeOf(FONTS);

const line = (n: number, more: Partial<CardLine> = {}): CardLine => ({
  number: String(n),
  form: `Push-up, hands raised, ${20 + n} cm`,
  dose: 'about 12 each side',
  cues: ['Hands just wider than the chest'],
  easier: 'wall push-up',
  harder: 'push-up',
  figure: FIGURES['push-up']!(0),
  ...more,
});
const card = (name: string, lines: number): PersonCard => ({
  name,
  session: 'Tuesday ten',
  whole: '20:20',
  effort: 'How hard: up to 6 of 10. You can still chat.',
  lines: Array.from({ length: lines }, (_, i) => line(i + 1)),
  care: ['Stop at sharp knee pain; a little warmth that settles by morning is fine.'],
  ready: ['chair', 'wall'],
  stop: 'Stop and tell your trainer at chest pain. Your doctor’s word comes first.',
});
const texts = (page: Page) => page.items.flatMap((item) => (item.is === 'text' ? [item] : []));

/** A PDF read back by another library: the text of each page and its size in points. */
async function readBack(bytes: Uint8Array) {
  const doc = await getDocument({ data: bytes, useSystemFonts: false, verbosity: 0 }).promise;
  const pages = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const page = await doc.getPage(n);
    const { items } = await page.getTextContent();
    pages.push({
      text: items.map((i) => ('str' in i ? i.str : '')).join(' '),
      heights: items.flatMap((i) => ('height' in i && i.str.trim() ? [i.height] : [])),
      view: page.view,
    });
  }
  return pages;
}

describe('cards', () => {
  test('a page each: ten stations on one A4, everything on the paper, no text under its size', () => {
    const pages = personCards([card('Maud', 10), card('Tomas', 10)], 'A4', measure);
    expect(pages).toHaveLength(2);
    expect(texts(pages[0]!)[1]!.text).toBe('Maud');
    for (const page of pages) for (const { pt } of texts(page)) expect(pt).toBeGreaterThanOrEqual(LEAST_PT);
  });
  test('nothing is cut: every item of every page lies on it, whatever the size and however many stations', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SIZE_IDS),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 3 }),
        (size, lines, people) => {
          const pages = personCards(
            Array.from({ length: people }, (_, i) => card(`Person ${i}`, lines)),
            size,
            measure,
          );
          const { width, height } = SIZES[size];
          for (const page of pages)
            for (const item of page.items) {
              expect(item.x).toBeGreaterThanOrEqual(0);
              expect(item.y).toBeGreaterThanOrEqual(0);
              const right =
                item.is === 'text' ? item.x + measure(item.text, item.pt, item.bold) : item.x + item.width;
              expect(right).toBeLessThanOrEqual(width + 0.01);
              const bottom = item.is === 'figure' || item.is === 'box' ? item.y + item.height : item.y;
              expect(bottom).toBeLessThanOrEqual(height);
            }
          // Every station of everybody is there once, with its figure on the same page.
          const numbers = pages.flatMap((page) => texts(page).filter((t) => t.text.startsWith('Push-up,')));
          expect(numbers).toHaveLength(lines * people);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('no widow: what stands at the foot is never alone on a page', () => {
    for (let lines = 1; lines <= 30; lines++) {
      const pages = personCards([card('Maud', lines)], 'A4', measure);
      const last = texts(pages.at(-1)!).map((t) => t.text);
      expect(last.some((t) => t.startsWith('Push-up,'))).toBe(true);
    }
  });
});

describe('station cards', () => {
  const station = (names: string[]): StationCard => ({
    number: '3',
    session: 'Tuesday ten',
    clock: '40 on, 20 off, twice',
    forms: names.map((name) => ({ name, dose: 'about 12', figure: FIGURES['squat']!(0) })),
  });
  test('lie, and names are as large as four metres ask: capitals of ten millimetres', () => {
    const [page] = stationCards([station(['Squat', 'Sit to stand, 43 cm', 'Wall push-up'])], 'A4', measure);
    expect([page!.width, page!.height]).toEqual([297, 210]);
    const names = texts(page!).filter((t) => /^(Squat|Sit|Wall)/.test(t.text));
    expect(names).toHaveLength(3);
    for (const { pt } of names) {
      expect(pt).toBeGreaterThanOrEqual(WALL_PT);
      // Capitals of the typeface are 0.668 of its size (its own metrics).
      expect(pt * MM * 0.668).toBeGreaterThan(10);
    }
  });
  test('nobody’s name is on a wall', () => {
    const [page] = stationCards([station(['Squat'])], 'Letter', measure);
    expect(
      texts(page!)
        .map((t) => t.text)
        .join(' '),
    ).not.toMatch(/Maud|knee/);
    expect(page!.width).toBeCloseTo(279.4);
  });
});

describe('a poster', () => {
  test('has the top rung at the top, and all of them', () => {
    const rungs = ['Wall push-up', 'Push-up, hands raised', 'Push-up'].map((name) => ({
      name,
      step: 'lower surface',
      figure: null,
    }));
    const [page] = ladderPoster(
      { name: 'Push-ups', intent: 'From the wall to the floor', rungs },
      'A4',
      measure,
    );
    const names = texts(page!).filter((t) => t.text.includes('ush-up') && t.pt < 28);
    expect(names.map((t) => t.text)).toEqual(['Push-up', 'Push-up, hands raised', 'Wall push-up']);
  });
});

describe('as a PDF, read back by another library', () => {
  test('pages, their sizes, the words, and the promised letter size', async () => {
    const pages = personCards([card('Maud', 10), card('Tomas', 12), card('Ines', 6)], 'A4', measure);
    const told: number[] = [];
    const read = await readBack(await toPdf(pages, 'Tuesday ten', FONTS, (n) => told.push(n)));
    expect(read).toHaveLength(pages.length);
    expect(told).toEqual(pages.map((_, i) => i + 1));
    expect(read[0]!.text).toContain('Maud');
    expect(read[0]!.text).toContain('Push-up, hands raised, 21 cm');
    expect(read[0]!.text).toContain('Your doctor’s word comes first');
    expect(read[0]!.view[2]).toBeCloseTo(210 / MM, 1);
    expect(read[0]!.view[3]).toBeCloseTo(297 / MM, 1);
    for (const page of read)
      for (const height of page.heights) expect(height).toBeGreaterThanOrEqual(LEAST_PT - 0.01);
  });
  test('names are printed with their own letters: Polish, Czech, Turkish, Nordic, Vietnamese', async () => {
    const names = 'Łucja Żółć, Přemysl Dvořák, Çağla Şimşek, Åsa Þórsdóttir';
    expect(lacks(names)).toEqual([]);
    const bytes = await toPdf(
      [{ width: 200, height: 60, items: [{ is: 'text', x: 5, y: 20, pt: 12, bold: false, text: names }] }],
      'Thursday, Łucja’s',
      FONTS,
    );
    expect((await readBack(bytes))[0]!.text).toContain(names);
  });
  test('letters that the typeface hasn’t got are told, and written otherwise: never an error', async () => {
    expect(written('5 → “ok” – ½ 漢', (code) => code < 0x2000 || code === 0x201c || code === 0x201d)).toBe(
      '5 > “ok” ? ½ ?',
    );
    expect(written('Žofie', (code) => code < 128)).toBe('Zofie');
    expect(lacks('Žofie 漢字 ok')).toEqual(['漢', '字']);
    const bytes = await toPdf(
      [{ width: 100, height: 100, items: [{ is: 'text', x: 5, y: 20, pt: 12, bold: false, text: '漢 ok' }] }],
      'Tuesday 漢',
      FONTS,
    );
    expect((await readBack(bytes))[0]!.text).toContain('? ok');
  });
  test('a line is as long in the file as it was measured', async () => {
    const text = 'Affine fields: first floor, 12 reps at 45 cm';
    const doc = await getDocument({
      data: await toPdf(
        [{ width: 200, height: 60, items: [{ is: 'text', x: 5, y: 20, pt: 14, bold: true, text }] }],
        'w',
        FONTS,
      ),
      useSystemFonts: false,
      verbosity: 0,
    }).promise;
    const { items } = await (await doc.getPage(1)).getTextContent();
    const width = items.reduce((sum, item) => sum + ('width' in item ? item.width : 0), 0);
    expect(width * MM).toBeCloseTo(measure(text, 14, true), 1);
  });
});

test('a text is wrapped at spaces, no line wider than it may be unless it is one word', () => {
  fc.assert(
    fc.property(fc.array(fc.stringMatching(/^[a-z]{1,14}$/), { maxLength: 30 }), (words) => {
      const lines = wrapText(words.join(' '), 40, 12, false, measure);
      expect(lines.join(' ')).toBe(words.join(' '));
      for (const one of lines) expect(measure(one, 12, false) <= 40 || !one.includes(' ')).toBe(true);
    }),
  );
});
