import { FIGURES } from '@inner-rung/core/figure';
import {
  type CardLine,
  type ClassSheet,
  COACH_ONLY,
  cardSchema,
  classSheetPages,
  type Item,
  LEAST_PT,
  ladderPoster,
  MM,
  type Page,
  type PersonCard,
  personCards,
  type RunRow,
  type RunSheet,
  runSheetPages,
  type SetupSheet,
  SIZE_IDS,
  SIZES,
  type SizeId,
  type StationCard,
  setupPages,
  stationCards,
  type Times,
  WALL_PT,
  wrapText,
} from '@inner-rung/core/paper';
import fc from 'fast-check';
import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { toPdf, typeOf, written } from '../src/paper/pdf.ts';
import { qrCells } from '../src/ui/qr-cells.ts';
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
/** What of a page lies off it. */
const off = (page: Page, width: number, height: number) =>
  page.items.filter((item) => {
    const right =
      item.is === 'text'
        ? item.x + measure(item.text, item.pt, item.bold)
        : item.x + (item.is === 'code' ? item.size : item.width);
    const bottom =
      item.is === 'code'
        ? item.y + item.size
        : item.is === 'figure' || item.is === 'box'
          ? item.y + item.height
          : item.y;
    return item.x < 0 || item.y < 0 || right > width + 0.01 || bottom > height;
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
          for (const page of pages) expect(off(page, width, height)).toEqual([]);
          // Every station of everybody is there once, with its figure on the same page.
          const numbers = pages.flatMap((page) => texts(page).filter((t) => t.text.startsWith('Push-up,')));
          expect(numbers).toHaveLength(lines * people);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('a second cue is there where the row has room, and never at the cost of a page', () => {
    const two = (lines: number): PersonCard => ({
      ...card('Maud', lines),
      lines: card('Maud', lines).lines.map((one) => ({
        ...one,
        cues: [...one.cues, 'One line from head to heel'],
      })),
    });
    const seen = (lines: number) =>
      personCards([two(lines)], 'A4', measure)
        .flatMap(texts)
        .filter((t) => t.text.startsWith('One line')).length;
    expect(seen(6)).toBe(6);
    for (let lines = 1; lines <= 24; lines++)
      expect(personCards([two(lines)], 'A4', measure)).toHaveLength(
        personCards([card('Maud', lines)], 'A4', measure).length,
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

describe('a card for home, and one with a code', () => {
  test('as many boxes to tick as times to do it, on every line; one where nothing is said', () => {
    const boxes = (times?: Times, size: SizeId = 'A4') =>
      personCards([{ ...card('Maud', 6), ...(times ? { times } : {}) }], size, measure).flatMap((page) =>
        page.items.filter((item) => item.is === 'box'),
      );
    expect(boxes()).toHaveLength(6);
    expect(boxes({ weeks: 4, each: 2 })).toHaveLength(48);
    expect(boxes({ weeks: 8, each: 7 }, 'A5')).toHaveLength(6 * 56);
    // More than there is room for under the dose stand beneath the line, a gap between weeks.
    const line = boxes({ weeks: 4, each: 4 }).slice(0, 16);
    expect(new Set(line.map(({ y }) => y)).size).toBe(1);
    const gaps = line.slice(1).map(({ x }, i) => x - line[i]!.x);
    const wide = gaps.flatMap((gap, i) => (gap > gaps[0]! + 1 ? [i] : []));
    expect(wide).toEqual([3, 7, 11]);
    for (const size of SIZE_IDS)
      for (const [weeks, each] of [
        [4, 3],
        [4, 4],
        [8, 7],
      ] as const)
        for (const page of personCards([{ ...card('Maud', 14), times: { weeks, each } }], size, measure)) {
          expect(off(page, SIZES[size].width, SIZES[size].height)).toEqual([]);
          // Nothing is written, drawn or ticked over a box.
          const put = page.items.filter((item) => item.is === 'box' || item.is === 'figure');
          const over = put.flatMap((a, i) =>
            put
              .slice(i + 1)
              .filter(
                (b) =>
                  a.x + a.width > b.x + 0.01 &&
                  b.x + b.width > a.x + 0.01 &&
                  a.y + a.height > b.y + 0.01 &&
                  b.y + b.height > a.y + 0.01,
              )
              .map((b) => [a, b]),
          );
          expect(over).toEqual([]);
        }
  });
  test('the code on it is read by another library, as it is printed', () => {
    const link = 'http://192.168.4.20:4691/c/9fJ2_kQ0wZ-ab';
    const [page] = personCards([{ ...card('Maud', 10), code: qrCells(link) }], 'A5', measure);
    const code = page!.items.find((item) => item.is === 'code')!;
    const { cells } = code as Extract<Item, { is: 'code' }>;
    // Eight dots to a cell, black on white.
    const n = cells.length * 8;
    const dots = new Uint8ClampedArray(n * n * 4).fill(255);
    for (let y = 0; y < n; y++)
      for (let x = 0; x < n; x++)
        if (cells[y >> 3]![x >> 3] === '1') dots.fill(0, (y * n + x) * 4, (y * n + x) * 4 + 3);
    expect(jsQR(dots, n, n)?.data).toBe(link);
    expect(off(page!, SIZES.A5.width, SIZES.A5.height)).toEqual([]);
    // Nothing is written over it.
    for (const text of texts(page!)) {
      const over =
        text.x + measure(text.text, text.pt, text.bold) > code.x && text.y > code.y && text.y < code.y + 21;
      expect([text.text, over]).toEqual([text.text, false]);
    }
  });
  test('a card by value goes over and comes back whole, and nothing else gets in', () => {
    const one = card('Maud', 10);
    expect(cardSchema.parse(JSON.parse(JSON.stringify(one)))).toEqual(JSON.parse(JSON.stringify(one)));
    const broken = { ...one, lines: [{ ...one.lines[0], figure: { view: 'above' } }] };
    const read = cardSchema.safeParse(broken);
    expect(read.success).toBe(false);
    expect(read.error!.issues[0]!.path.slice(0, 3)).toEqual(['lines', 0, 'figure']);
    expect(cardSchema.safeParse({ ...one, born: '1950' }).success).toBe(false);
  });
});

describe('sheets for who leads', () => {
  const row = (i: number): RunRow => ({
    at: `${i}:00`,
    kind: i % 3 === 2 ? 'rest' : 'work',
    main: [{ text: `Station number ${i}`, bold: true }, { text: `, about ${i} each side, then on` }],
    small: i % 3 === 0 ? ['Feet flat. Watch for: the back rounds. Say “Long back from hip to head”.'] : [],
  });
  const runSheet = (blocks: number, rows: number): RunSheet => ({
    title: 'Thursday hall',
    whole: '39:40',
    notes: 'Doors at ten.',
    blocks: Array.from({ length: blocks }, (_, b) => ({
      at: `${b}:00`,
      name: `Part ${b + 1}`,
      about: ['40 on, 20 off, 20:00'],
      rows: Array.from({ length: rows }, (_, i) => row(i)),
    })),
    stop: 'Stop anybody with chest pain.',
  });
  const classSheet = (stations: number, people: number): ClassSheet => ({
    title: 'Thursday hall',
    who: `${people} people`,
    whole: '20:20',
    stations: Array.from({ length: stations }, (_, i) => ({
      number: String(i + 1),
      part: i === 0 ? '40 on, 20 off, twice' : null,
      forms: ['Squat', 'Sit to stand, 43 cm', 'Wall sit'].map((name) => ({
        name,
        dose: 'about 12',
        who: 'Maud, Tomas and Ines',
      })),
      say: 'Show the squat first. Then the sit to stand for Maud.',
    })),
    people: Array.from({ length: people }, (_, i) => ({
      name: `Person ${i}`,
      care: 'Stop at sharp knee pain; a little warmth that settles by morning is fine.',
    })),
    stop: 'Stop anybody with chest pain.',
  });
  const setup = (stations: number): SetupSheet => ({
    title: 'Thursday hall',
    who: '6 people · The hall',
    out: ['3 × chair, no wheels', 'low gym bench', 'keep clear: wall'],
    standIns: ['Bottle: stands in for a hand weight. Never overhead.'],
    inReach: ['their reliever: Person 1', 'a chair: Person 2, Person 3'],
    fits: 'There is enough of everything for everybody’s own form.',
    floor: {
      length: 12,
      width: 8,
      places: Array.from({ length: stations }, (_, i) => ({
        station: i,
        x: (i % 6) * 2,
        y: Math.floor(i / 6) * 2,
        width: 1.6,
        height: 1.6,
      })),
      says: null,
    },
    stations: Array.from({ length: stations }, (_, i) => ({
      number: String(i + 1),
      name: 'Squat',
      rows: [[{ text: 'Squat', bold: true }, { text: ', chair: Maud, Tomas' }]],
    })),
  });
  test('nothing is cut or under its size, whatever the paper and however long', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SIZE_IDS),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 24 }),
        (size, few, many) => {
          const { width, height } = SIZES[size];
          for (const pages of [
            runSheetPages(runSheet(few, many), size, measure),
            classSheetPages(classSheet(many, many), size, measure),
            setupPages(setup(many), size, measure),
          ])
            for (const page of pages) {
              expect(off(page, width, height)).toEqual([]);
              for (const { pt } of texts(page)) expect(pt).toBeGreaterThanOrEqual(LEAST_PT);
            }
        },
      ),
      { numRuns: 40 },
    );
  });
  test('a run sheet has every row once, and no heading alone at the foot of a page', () => {
    for (let rows = 1; rows <= 30; rows++) {
      const pages = runSheetPages(runSheet(4, rows), 'A4', measure);
      const all = pages.flatMap(texts);
      expect(all.filter((t) => t.bold && t.text.startsWith('Station number'))).toHaveLength(4 * rows);
      for (const page of pages.slice(0, -1)) {
        const last = texts(page).at(-1)!;
        expect(last.pt).toBe(LEAST_PT);
        expect(last.text).not.toMatch(/^Part \d|^40 on/);
      }
    }
  });
  test('parts of one line stand side by side, bold and not, and commas cling', () => {
    const [page] = runSheetPages(runSheet(1, 1), 'A4', measure);
    const bold = texts(page!).find((t) => t.text === 'Station number 0')!;
    const after = texts(page!).find((t) => t.text.startsWith(', about 0 each side'))!;
    expect(bold.bold && !after.bold).toBe(true);
    expect(after.y).toBeCloseTo(bold.y, 6);
    expect(after.x).toBeCloseTo(bold.x + measure(bold.text, bold.pt, true), 3);
  });
  test('a class sheet says that it is for the coach only; a floor stays on one page', () => {
    expect(texts(classSheetPages(classSheet(10, 6), 'A4', measure)[0]!).map((t) => t.text)).toContain(
      COACH_ONLY,
    );
    for (const size of SIZE_IDS) {
      const pages = setupPages(setup(12), size, measure);
      const floors = pages.filter((page) => texts(page).some((t) => t.text === 'The floor, to scale'));
      expect(floors).toHaveLength(1);
      expect(floors[0]!.items.filter((i) => i.is === 'box').length).toBeGreaterThanOrEqual(13);
    }
  });
  test('read back from a PDF by another library', async () => {
    const pages = classSheetPages(classSheet(10, 6), 'Letter', measure);
    const read = await readBack(await toPdf(pages, 'Thursday hall', FONTS));
    expect(read).toHaveLength(pages.length);
    expect(read[0]!.text).toContain('Sit to stand, 43 cm');
    expect(read[0]!.view[2]).toBeCloseTo(612, 0);
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
