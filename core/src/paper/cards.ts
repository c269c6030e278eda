import { stripOf } from '../figure/index.ts';
import type { DrawnFigure } from '../pose/index.ts';
import { lineHeight, type Measure, type Page, Sheet, SIZES, type SizeId } from './page.ts';

/** One line of a card: a form, how much, what to say, where to go from it. */
export interface CardLine {
  /** A part of the session that begins with it, and its clock. */
  readonly part?: string | undefined;
  readonly number: string;
  readonly form: string;
  readonly dose: string;
  readonly cues: readonly string[];
  readonly easier: string | null;
  readonly harder: string | null;
  /** Its own drawing; null where it has none. */
  readonly figure: DrawnFigure | null;
}

/** For how many weeks something is to be done, and how often in each. */
export interface Times {
  readonly weeks: number;
  readonly each: number;
}

export interface PersonCard {
  readonly name: string;
  readonly session: string;
  readonly whole: string;
  readonly effort: string;
  readonly lines: readonly CardLine[];
  readonly care: readonly string[];
  readonly ready: readonly string[];
  readonly stop: string;
  /** For how many weeks and how often in each it is to be done: a box for each time; one where nothing is said. */
  readonly times?: Times;
  /** A code that opens this card on a phone, as rows of 0 and 1. */
  readonly code?: readonly string[];
}

/** A station on the wall: its number, each lane's form. Nothing private. */
export interface StationCard {
  readonly number: string;
  readonly session: string;
  readonly clock: string;
  readonly forms: readonly {
    readonly name: string;
    readonly dose: string;
    readonly figure: DrawnFigure | null;
  }[];
}

/** The least text on a card, points, and the effort words beneath it. */
export const LEAST_PT = 12;
const EFFORT_WORDS = '2 easy · 4 light · 6 could chat · 8 short words · 10 all out';
/** A line to write on, mm high. */
const NOTES = 8;

/** A figure's stills side by side in a frame of so many millimetres, as large as they go. */
function stills(
  sheet: Sheet,
  figure: DrawnFigure,
  x: number,
  y: number,
  width: number,
  height: number,
): void {
  const strip = stripOf(figure);
  const gaps = ARROW_GAP * (strip.length - 1);
  const across = strip.reduce((sum, { frame }) => sum + frame[2], 0);
  const tall = strip[0]!.frame[3];
  const scale = Math.min((width - gaps) / across, height / tall);
  const top = y + (height - tall * scale);
  let at = x + (width - (across * scale + gaps)) / 2;
  strip.forEach((still, i) => {
    if (i > 0) {
      sheet.put({
        is: 'arrow',
        x: at + 0.4,
        y: y + height - tall * scale * 0.62,
        width: ARROW_GAP - 0.8,
      });
      at += ARROW_GAP;
    }
    const each = still.frame[2] * scale;
    sheet.put({ is: 'figure', x: at, y: top, width: each, height: tall * scale, still });
    at += each;
  });
}
/** Room between two stills for the arrow from one to the next, mm. */
const ARROW_GAP = 5;

/** Cards one after the other, each beginning a page; no station is cut by the end of one. */
export function personCards(cards: readonly PersonCard[], sizeId: SizeId, measure: Measure): Page[] {
  const size = SIZES[sizeId];
  const small = sizeId === 'A5';
  const sheet = new Sheet(size, small ? 9 : 11, measure);
  for (const card of cards) {
    sheet.next();
    const { margin, inner } = sheet;
    const big = small ? 18 : 24;
    // The code stands in the corner, beside how long it takes; what is told stands beside it, not under.
    const code = card.code ? CODE_SIZE + 4 : 0;
    if (card.code)
      sheet.put({
        is: 'code',
        x: margin + inner - CODE_SIZE,
        y: margin - 2,
        size: CODE_SIZE,
        cells: card.code,
      });
    const width = inner - code;
    sheet.text(card.whole, { x: margin, y: margin, width, pt: big - 4, bold: true, right: true, most: 1 });
    let y = sheet.text(card.name, {
      x: margin,
      y: margin,
      width: width * 0.72,
      pt: big,
      bold: true,
      most: 1,
    });
    y = sheet.text(card.session, { x: margin, y, width, pt: LEAST_PT });
    if (code > 0) {
      y = sheet.text(card.effort, { x: margin, y, width, pt: LEAST_PT });
      y = Math.max(y, margin - 2 + CODE_SIZE);
    }
    y += 1.5;
    sheet.put({ is: 'rule', x: margin, y, width: inner, thick: 0.8 });
    if (code === 0) y = sheet.text(card.effort, { x: margin, y: y + 0.5, width: inner, pt: LEAST_PT });
    sheet.y = y + 1;
    // What stands at the foot of the last page is kept free for it.
    const foot = footHeight(sheet, card);
    const times = card.times ?? ONCE;
    const parts = card.lines.reduce((sum, line) => sum + partHeight(sheet, line), 0);
    const needsIn = (look: Look) => card.lines.map((line) => lineNeeds(sheet, line, look, times));
    const fits = (needs: readonly number[]) =>
      parts + needs.reduce((sum, need) => sum + need, 0) <= sheet.left - foot;
    const usual = small ? LOOKS.small : LOOKS.roomy;
    const closer = small ? [] : [LOOKS.close, LOOKS.closest, LOOKS.narrow];
    const look = [usual, ...closer].find((one) => fits(needsIn(one))) ?? usual;
    const needs = needsIn(look);
    // Rows are as even and as tall as all of them on this page allow.
    let per = MOST_ROW;
    const taken = () => parts + needs.reduce((sum, need) => sum + Math.max(per, need), 0);
    while (per > 0 && taken() > sheet.left - foot) per -= 0.5;
    card.lines.forEach((line, i) => {
      const part = partHeight(sheet, line);
      const need = part + Math.max(per, needs[i]!);
      const last = i === card.lines.length - 1;
      if (sheet.left < need + (last ? foot : 0) && !sheet.isFresh) {
        sheet.next();
        sheet.y = sheet.text(`${card.name}, further`, {
          x: margin,
          y: margin,
          width: inner,
          pt: LEAST_PT,
          bold: true,
          most: 1,
        });
      }
      if (line.part)
        sheet.text(line.part, { x: sheet.margin, y: sheet.y + 0.6, width: inner, pt: PART_PT, bold: true });
      sheet.y += part;
      oneLine(sheet, line, need - part, look, times);
    });
    footOf(sheet, card);
  }
  return sheet.done();
}

/** A code's side, mm: half a millimetre to a cell is read from a hand's breadth. Estimate. */
const CODE_SIZE = 21;
/** The tallest a row becomes, mm. */
const MOST_ROW = 30;
/** A part's heading, points. */
const PART_PT = 13;
const partHeight = (sheet: Sheet, line: CardLine): number =>
  line.part ? sheet.heightOf(line.part, sheet.inner, PART_PT, true) + 1.2 : 0;

const ONCE: Times = { weeks: 1, each: 1 };
/** So many boxes stand under the dose, in rows of so many; more stand beneath the line, week by week. */
const UNDER_DOSE = 12;
const TICKS_A_ROW = 6;
/** A box to tick, and from one to the next, mm: smaller where there are many. */
const BOX = { one: [6, 8], many: [4.8, 5.6] } as const;
/** Between the boxes of one week and those of the next, mm. */
const WEEK_GAP = 3;
const countOf = ({ weeks, each }: Times): number => Math.max(1, weeks) * Math.max(1, each);

/** Where boxes beneath a line stand, from its left and top, mm, and how tall all of them are. */
function weekly(
  sheet: Sheet,
  { weeks, each }: Times,
): { boxes: (readonly [number, number])[]; tall: number } {
  const pitch = BOX.many[1];
  const week = each * pitch - (pitch - BOX.many[0]) + WEEK_GAP;
  const a = Math.max(1, Math.floor((sheet.inner - COLUMNS.number + WEEK_GAP) / week));
  const boxes = Array.from({ length: weeks * each }, (_, i) => {
    const w = Math.floor(i / each);
    return [(w % a) * week + (i % each) * pitch, Math.floor(w / a) * pitch] as const;
  });
  return { boxes, tall: Math.ceil(weeks / a) * pitch };
}
/** Columns of a line and the size of a form's name: roomy, closer where that saves a page, and on small paper. */
interface Look {
  readonly figure: number;
  readonly dose: number;
  readonly pt: number;
  /** The cue and the ways easier and harder in one paragraph. */
  readonly inOne?: true;
}
const LOOKS = {
  roomy: { figure: 35, dose: 31, pt: 14 },
  close: { figure: 26, dose: 31, pt: 12, inOne: true },
  closest: { figure: 19, dose: 31, pt: 12, inOne: true },
  narrow: { figure: 14, dose: 27, pt: 12, inOne: true },
  small: { figure: 26, dose: 24, pt: 12 },
} as const satisfies Readonly<Record<string, Look>>;
const COLUMNS = { number: 9, tick: 8 } as const;
const middle = (sheet: Sheet, look: Look): number =>
  sheet.inner - COLUMNS.number - look.figure - look.dose - COLUMNS.tick - 6;

const paragraph = (line: CardLine): string => [line.cues[0], sideways(line)].filter(Boolean).join(' · ');
const sideways = (line: CardLine): string =>
  [line.easier ? `easier: ${line.easier}` : '', line.harder ? `harder: ${line.harder}` : '']
    .filter(Boolean)
    .join(' · ');

function lineNeeds(sheet: Sheet, line: CardLine, look: Look, times: Times): number {
  const width = middle(sheet, look);
  const form = sheet.heightOf(line.form, width, look.pt, true);
  const told = look.inOne ? [paragraph(line)] : [line.cues[0] ?? '', sideways(line)];
  const under = told.reduce((sum, words) => sum + (words ? sheet.heightOf(words, width, LEAST_PT) : 0), 0);
  const count = countOf(times);
  const dose = sheet.heightOf(line.dose, look.dose - (count > 1 ? 0 : 2), LEAST_PT);
  const text = Math.max(form + under + 2.5, dose + 2);
  if (count === 1) return text;
  if (count > UNDER_DOSE) return text + weekly(sheet, times).tall + 0.5;
  // Boxes stand in rows under the dose.
  return Math.max(text, dose + Math.ceil(count / TICKS_A_ROW) * BOX.many[1] + 2);
}

function oneLine(sheet: Sheet, line: CardLine, height: number, look: Look, times: Times): void {
  const { margin, inner } = sheet;
  const top = sheet.y;
  const count = countOf(times);
  const beneath = count > UNDER_DOSE ? weekly(sheet, times) : null;
  const bottom = top + height;
  const room = height - (beneath?.tall ?? 0);
  const { figure: figureWidth, dose: doseWidth } = look;
  const width = middle(sheet, look);
  sheet.text(line.number, { x: margin, y: top + 1, width: COLUMNS.number, pt: look.pt + 2, bold: true });
  if (line.figure)
    stills(sheet, line.figure, margin + COLUMNS.number, top + 1, figureWidth, Math.min(room - 2, 24));
  const x = margin + COLUMNS.number + figureWidth + 3;
  let y = sheet.text(line.form, { x, y: top + 0.8, width, pt: look.pt, bold: true });
  if (look.inOne) sheet.text(paragraph(line), { x, y, width, pt: LEAST_PT });
  else {
    const other = sideways(line);
    const below = other ? sheet.heightOf(other, width, LEAST_PT) : 0;
    // The first cue stands in any case; further ones where the row has room for them.
    line.cues.forEach((cue, i) => {
      if (i > 0 && y + sheet.heightOf(cue, width, LEAST_PT) + below > top + room - 1) return;
      y = sheet.text(cue, { x, y, width, pt: LEAST_PT });
    });
    if (other) sheet.text(other, { x, y, width, pt: LEAST_PT, grey: true });
  }
  const many = count > 1;
  const ticks = many && !beneath;
  const under = sheet.text(line.dose, {
    x: margin + inner - doseWidth - (many ? 0 : COLUMNS.tick),
    y: top + 0.8,
    width: doseWidth - (many ? 0 : 2),
    pt: LEAST_PT,
    right: true,
  });
  const [box, next] = many ? BOX.many : BOX.one;
  const places = beneath
    ? beneath.boxes.map(([x, y]) => [margin + COLUMNS.number + x, bottom - beneath.tall + y] as const)
    : Array.from(
        { length: count },
        (_, i) =>
          [
            margin + inner - box - (TICKS_A_ROW - 1 - (i % TICKS_A_ROW)) * (ticks ? next : 0),
            ticks ? under + 1 + Math.floor(i / TICKS_A_ROW) * next : top + 2,
          ] as const,
      );
  for (const [x, y] of places) sheet.put({ is: 'box', x, y, width: box, height: box });
  sheet.put({ is: 'rule', x: margin, y: bottom, width: inner, thick: 0.2 });
  sheet.y = bottom;
}

const footTexts = (card: PersonCard): readonly (readonly [string, string])[] => [
  ...(card.ready.length > 0 ? [['Have ready: ', `${card.ready.join(', ')}.`] as const] : []),
  ...(card.care.length > 0 ? [['Take care: ', card.care.join(' ')] as const] : []),
  ['', card.stop],
];

const footHeight = (sheet: Sheet, card: PersonCard): number =>
  footTexts(card).reduce((sum, [a, b]) => sum + sheet.heightOf(a + b, sheet.inner, LEAST_PT), 0) +
  lineHeight(LEAST_PT) +
  6;

function footOf(sheet: Sheet, card: PersonCard): void {
  let y = sheet.y + 1.5;
  for (const [a, b] of footTexts(card))
    y = sheet.text(a + b, {
      x: sheet.margin,
      y,
      width: sheet.inner,
      pt: LEAST_PT,
      bold: a === 'Take care: ',
    });
  y = sheet.text(`How hard was it? ${EFFORT_WORDS}`, {
    x: sheet.margin,
    y: y + 1.5,
    width: sheet.inner,
    pt: LEAST_PT,
    most: 1,
  });
  // A line to write on where the page has room for one.
  const under = y + NOTES;
  if (under > sheet.height - sheet.margin) return;
  sheet.text('Notes', { x: sheet.margin, y: under - lineHeight(LEAST_PT), width: 14, pt: LEAST_PT, most: 1 });
  sheet.put({ is: 'rule', x: sheet.margin + 14, y: under, width: sheet.inner - 14, thick: 0.2 });
}

/**
 * Letters a four-hundredth of the distance high can be read (common practice): at four metres ten millimetres, which
 * are capitals of about forty-three points in this typeface (its capitals are 0.668 of its size).
 */
export const WALL_PT = 43;
const NUMBER_COLUMN = 62;

/** One card a station for the hall's wall, lying: number, each lane's form with its figure and dose. */
export function stationCards(cards: readonly StationCard[], sizeId: SizeId, measure: Measure): Page[] {
  const { width, height } = SIZES[sizeId === 'A5' ? 'A4' : sizeId];
  const sheet = new Sheet({ width: height, height: width }, 12, measure);
  for (const card of cards) {
    sheet.next();
    const { margin, inner } = sheet;
    // Number and clock in a column of their own, the forms beside them over the whole height.
    sheet.text(card.number, {
      x: margin,
      y: margin - 12,
      width: NUMBER_COLUMN,
      pt: 160,
      bold: true,
      most: 1,
    });
    const under = sheet.text(card.clock, {
      x: margin,
      y: margin + 62,
      width: NUMBER_COLUMN,
      pt: 26,
      bold: true,
    });
    sheet.text(card.session, { x: margin, y: under + 2, width: NUMBER_COLUMN, pt: 18 });
    const left = margin + NUMBER_COLUMN + 5;
    const width = inner - NUMBER_COLUMN - 5;
    const top = margin;
    const each = (sheet.height - margin - top) / Math.max(1, card.forms.length);
    card.forms.forEach((form, i) => {
      const y = top + i * each;
      if (i > 0) sheet.put({ is: 'rule', x: left, y, width, thick: 0.6 });
      const figureWidth = Math.min(width * 0.4, each * 2.2);
      if (form.figure) stills(sheet, form.figure, left, y + 3, figureWidth, each - 6);
      const x = left + figureWidth + 5;
      const room = left + width - x;
      const pt = fitting(form.name, room, each - 16, measure);
      const below = sheet.text(form.name, { x, y: y + 1, width: room, pt, bold: true, most: 3 });
      sheet.text(form.dose, { x, y: below, width: room, pt: 24, most: 1 });
    });
  }
  return sheet.done();
}

/** As large as a name goes in its place, in three lines at the most; never under what is read at four metres. */
function fitting(name: string, width: number, height: number, measure: Measure): number {
  for (let pt = 64; pt > WALL_PT; pt -= 4) {
    const words = name.split(' ');
    let lines = 1;
    let line = '';
    for (const word of words) {
      const next = line ? `${line} ${word}` : word;
      if (measure(next, pt, true) > width && line) {
        lines++;
        line = word;
      } else line = next;
    }
    if (lines <= 3 && lines * lineHeight(pt) <= height && words.every((w) => measure(w, pt, true) <= width))
      return pt;
  }
  return WALL_PT;
}

export interface PosterRung {
  readonly name: string;
  readonly step: string;
  readonly figure: DrawnFigure | null;
}

/** A ladder on one page, the top rung at the top. */
export function ladderPoster(
  ladder: { readonly name: string; readonly intent: string; readonly rungs: readonly PosterRung[] },
  sizeId: SizeId,
  measure: Measure,
): Page[] {
  const sheet = new Sheet(SIZES[sizeId], 13, measure);
  const { margin, inner } = sheet;
  let y = sheet.text(ladder.name, { x: margin, y: margin, width: inner, pt: 28, bold: true, most: 1 });
  y = sheet.text(ladder.intent, { x: margin, y, width: inner, pt: LEAST_PT });
  const top = y + 3;
  const each = (sheet.height - margin - top) / Math.max(1, ladder.rungs.length);
  [...ladder.rungs].reverse().forEach((rung, i) => {
    const at = top + i * each;
    sheet.put({ is: 'rule', x: margin, y: at, width: inner, thick: 0.5 });
    if (rung.figure) stills(sheet, rung.figure, margin, at + 1, inner * 0.32, each - 2);
    const x = margin + inner * 0.32 + 5;
    const below = sheet.text(rung.name, {
      x,
      y: at + 1,
      width: margin + inner - x,
      pt: each > 20 ? 18 : 14,
      bold: true,
      most: 2,
    });
    sheet.text(rung.step, { x, y: below, width: margin + inner - x, pt: LEAST_PT, most: 1 });
  });
  for (const x of [margin - 3, margin + inner + 2])
    sheet.put({ is: 'box', x, y: top, width: 1, height: sheet.height - margin - top });
  return sheet.done();
}
