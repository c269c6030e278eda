import { LEAST_PT } from './cards.ts';
import { lineHeight, type Measure, type Page, type Rich, Sheet, SIZES, type SizeId } from './page.ts';

/** Millimetres of a sheet's margin, of its column of times and numbers, and around what belongs together. */
const MARGIN = 13;
const TIMES = 17;
const NUMBERS = 9;
const GAP = 1.6;

const open = (sizeId: SizeId, measure: Measure): Sheet =>
  new Sheet(SIZES[sizeId], sizeId === 'A5' ? 9 : MARGIN, measure);

/** A sheet's name, what stands opposite it, and what stands beneath. */
function head(sheet: Sheet, title: string, right: string, under: readonly string[]): void {
  const { margin, inner } = sheet;
  const small = sheet.width < 160;
  const pt = small ? 18 : 22;
  sheet.text(right, { x: margin, y: margin, width: inner, pt: pt - 4, bold: true, right: true, most: 1 });
  sheet.y = sheet.text(title, { x: margin, y: margin, width: inner * 0.72, pt, bold: true, most: 2 });
  for (const line of under) sheet.y = sheet.text(line, { x: margin, y: sheet.y, width: inner, pt: LEAST_PT });
  sheet.y += 1.5;
  sheet.put({ is: 'rule', x: margin, y: sheet.y, width: inner, thick: 0.8 });
  sheet.y += GAP;
}

/** Room for what isn't to be cut: another page where this one hasn't it. */
function keep(sheet: Sheet, height: number, title: string): void {
  if (sheet.left >= height || sheet.isFresh) return;
  sheet.next();
  sheet.y = sheet.text(`${title}, further`, {
    x: sheet.margin,
    y: sheet.margin,
    width: sheet.inner,
    pt: LEAST_PT,
    bold: true,
    most: 1,
  });
  sheet.y += GAP;
}

function foot(sheet: Sheet, text: string, title: string): void {
  keep(sheet, sheet.heightOf(text, sheet.inner, LEAST_PT) + 3, title);
  sheet.put({ is: 'rule', x: sheet.margin, y: sheet.y + 1, width: sheet.inner, thick: 0.5 });
  sheet.y = sheet.text(text, { x: sheet.margin, y: sheet.y + 1.5, width: sheet.inner, pt: LEAST_PT });
}

/** A row of a sheet that is read aloud: its time, what is said of it, and smaller what goes with it. */
export interface RunRow {
  readonly at: string;
  /** 'work', or what a pause is. */
  readonly kind: string;
  readonly main: readonly Rich[];
  readonly small: readonly string[];
}
export interface RunSheet {
  readonly title: string;
  readonly whole: string;
  readonly notes: string | null;
  readonly blocks: readonly {
    readonly at: string;
    readonly name: string;
    readonly about: readonly string[];
    readonly rows: readonly RunRow[];
  }[];
  readonly stop: string;
}

/** A session minute by minute; no row is cut, and no heading stands alone at the foot of a page. */
export function runSheetPages(run: RunSheet, sizeId: SizeId, measure: Measure): Page[] {
  const sheet = open(sizeId, measure);
  const { margin, inner } = sheet;
  const x = margin + TIMES;
  const width = inner - TIMES;
  head(sheet, run.title, run.whole, run.notes ? [run.notes] : []);
  const write = (row: RunRow, dry: boolean): number => {
    const from = dry ? 0 : sheet.y;
    if (!dry)
      sheet.text(row.at, {
        x: margin,
        y: from,
        width: TIMES - 3,
        pt: LEAST_PT,
        bold: row.kind === 'work',
        right: true,
      });
    let y = sheet.rich(row.main, { x, y: from, width, pt: LEAST_PT, dry, grey: row.kind !== 'work' });
    for (const line of row.small)
      y = dry ? y + sheet.heightOf(line, width, LEAST_PT) : sheet.text(line, { x, y, width, pt: LEAST_PT });
    return y - from;
  };
  for (const block of run.blocks) {
    const about = block.about.reduce((sum, line) => sum + sheet.heightOf(line, width, LEAST_PT), 0);
    keep(sheet, lineHeight(16) + about + (block.rows[0] ? write(block.rows[0], true) : 0) + 4, run.title);
    sheet.y += GAP;
    sheet.text(block.at, { x: margin, y: sheet.y, width: TIMES - 3, pt: 16, bold: true, right: true });
    sheet.y = sheet.text(block.name, { x, y: sheet.y, width, pt: 16, bold: true, most: 1 });
    for (const line of block.about) sheet.y = sheet.text(line, { x, y: sheet.y, width, pt: LEAST_PT });
    sheet.put({ is: 'rule', x: margin, y: sheet.y + 0.8, width: inner, thick: 0.4 });
    sheet.y += GAP;
    for (const row of block.rows) {
      keep(sheet, write(row, true), run.title);
      sheet.y += write(row, false) + (row.kind === 'work' ? 0.6 : 0);
    }
  }
  foot(sheet, run.stop, run.title);
  return sheet.done();
}

/** What the coach alone holds: names, who does which form, what to say, cautions. */
export interface ClassSheet {
  readonly title: string;
  readonly who: string;
  readonly whole: string;
  readonly stations: readonly {
    readonly number: string;
    /** A part that begins here, with its clock. */
    readonly part: string | null;
    readonly forms: readonly { readonly name: string; readonly dose: string; readonly who: string }[];
    readonly say: string | null;
  }[];
  readonly people: readonly { readonly name: string; readonly care: string }[];
  readonly stop: string;
}

export const COACH_ONLY = 'For the coach only: names and cautions. Not for the wall.';

export function classSheetPages(of: ClassSheet, sizeId: SizeId, measure: Measure): Page[] {
  const sheet = open(sizeId, measure);
  const { margin, inner } = sheet;
  const x = margin + NUMBERS;
  const width = inner - NUMBERS;
  head(sheet, of.title, of.whole, [of.who, COACH_ONLY]);
  for (const station of of.stations) {
    const rows = station.forms.map(({ name, dose, who }): Rich[] => [
      { text: name, bold: true },
      { text: `${dose ? `, ${dose}` : ''}: ${who}` },
    ]);
    const say = station.say ? `“${station.say}”` : null;
    const needs =
      rows.reduce((sum, row) => sum + sheet.rich(row, { x, y: 0, width, pt: LEAST_PT, dry: true }), 0) +
      (say ? sheet.heightOf(say, width, LEAST_PT) : 0) +
      (station.part ? lineHeight(15) + GAP : 0) +
      GAP;
    keep(sheet, needs, of.title);
    if (station.part)
      sheet.y =
        sheet.text(station.part, { x: margin, y: sheet.y, width: inner, pt: 15, bold: true, most: 1 }) + 0.5;
    sheet.text(station.number, { x: margin, y: sheet.y, width: NUMBERS, pt: 14, bold: true });
    for (const row of rows) sheet.y = sheet.rich(row, { x, y: sheet.y, width, pt: LEAST_PT });
    if (say) sheet.y = sheet.text(say, { x, y: sheet.y, width, pt: LEAST_PT, grey: true });
    sheet.put({ is: 'rule', x: margin, y: sheet.y + 0.6, width: inner, thick: 0.2 });
    sheet.y += GAP;
  }
  if (of.people.length > 0) {
    const lines = of.people.map(({ name, care }): Rich[] => [
      { text: name, bold: true },
      { text: `: ${care}` },
    ]);
    const of_ = (line: Rich[]) =>
      sheet.rich(line, { x: margin, y: 0, width: inner, pt: LEAST_PT, dry: true });
    keep(sheet, lineHeight(15) + of_(lines[0]!) + 2, of.title);
    sheet.y = sheet.text('Take care', { x: margin, y: sheet.y + 1, width: inner, pt: 15, bold: true });
    for (const line of lines) {
      keep(sheet, of_(line), of.title);
      sheet.y = sheet.rich(line, { x: margin, y: sheet.y, width: inner, pt: LEAST_PT });
    }
    sheet.y += GAP;
  }
  foot(sheet, of.stop, of.title);
  return sheet.done();
}

/** What is put out before anybody comes, where it stands, and who gets what. */
export interface SetupSheet {
  readonly title: string;
  readonly who: string;
  readonly out: readonly string[];
  readonly standIns: readonly string[];
  /** In reach before they begin, and for whom. */
  readonly inReach: readonly string[];
  readonly fits: string;
  readonly floor: {
    readonly length: number;
    readonly width: number;
    readonly places: readonly {
      readonly station: number;
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }[];
    readonly says: string | null;
  };
  readonly stations: readonly {
    readonly number: string;
    readonly name: string;
    readonly rows: readonly (readonly Rich[])[];
  }[];
}

export function setupPages(of: SetupSheet, sizeId: SizeId, measure: Measure): Page[] {
  const sheet = open(sizeId, measure);
  const { margin, inner } = sheet;
  head(sheet, `Before you start: ${of.title}`, '', [of.who]);
  // Boxes to tick beside the floor where the paper is wide enough, above it where it isn't.
  const beside = sheet.width > 160;
  const half = beside ? inner * 0.5 - 4 : inner;
  const top = sheet.y;
  const tick = 5;
  sheet.y = sheet.text('Put out', { x: margin, y: top, width: half, pt: 15, bold: true });
  for (const line of of.out) {
    keep(sheet, sheet.heightOf(line, half - tick - 3, LEAST_PT) + 1, of.title);
    sheet.put({ is: 'box', x: margin, y: sheet.y + 1, width: tick - 0.6, height: tick - 0.6 });
    sheet.y =
      sheet.text(line, { x: margin + tick + 2, y: sheet.y, width: half - tick - 2, pt: LEAST_PT }) + 0.8;
  }
  for (const line of of.standIns) {
    keep(sheet, sheet.heightOf(line, half, LEAST_PT), of.title);
    sheet.y = sheet.text(line, { x: margin, y: sheet.y, width: half, pt: LEAST_PT });
  }
  if (of.inReach.length > 0) {
    keep(sheet, lineHeight(15) + sheet.heightOf(of.inReach[0]!, half, LEAST_PT) + 1, of.title);
    sheet.y = sheet.text('In reach', { x: margin, y: sheet.y + 1, width: half, pt: 15, bold: true });
    for (const line of of.inReach) {
      keep(sheet, sheet.heightOf(line, half - tick - 3, LEAST_PT) + 1, of.title);
      sheet.put({ is: 'box', x: margin, y: sheet.y + 1, width: tick - 0.6, height: tick - 0.6 });
      sheet.y =
        sheet.text(line, { x: margin + tick + 2, y: sheet.y, width: half - tick - 2, pt: LEAST_PT }) + 0.8;
    }
  }
  sheet.y = sheet.text(of.fits, { x: margin, y: sheet.y + 1, width: half, pt: LEAST_PT, bold: true });
  const { length, width: breadth } = of.floor;
  const scale = Math.min(half / Math.max(1, length), 90 / Math.max(1, breadth));
  const high = breadth * scale;
  // The floor never leaves the page it began on: it is drawn on this one, or begins the next.
  const onThis = beside && sheet.pages.length === 0;
  if (!onThis) keep(sheet, high + 14, of.title);
  const fx = onThis ? margin + inner - length * scale : margin;
  let fy = onThis ? top : sheet.y;
  fy = sheet.text('The floor, to scale', { x: fx, y: fy, width: half, pt: 15, bold: true }) + 1;
  sheet.put({ is: 'box', x: fx, y: fy, width: length * scale, height: high });
  for (const place of of.floor.places) {
    const [w, h] = [place.width * scale, place.height * scale];
    const [px, py] = [fx + place.x * scale, fy + place.y * scale];
    sheet.put({ is: 'box', x: px, y: py, width: w, height: h });
    const number = String(place.station + 1);
    const pt = Math.max(LEAST_PT, Math.min(20, (h / lineHeight(1)) * 0.8));
    sheet.text(number, {
      x: px + (w - measure(number, pt, true)) / 2,
      y: py + (h - lineHeight(pt)) / 2,
      width: w,
      pt,
      bold: true,
      most: 1,
    });
  }
  const under = sheet.text(`${length} m by ${breadth} m${of.floor.says ? `. ${of.floor.says}` : ''}`, {
    x: fx,
    y: fy + high + 0.5,
    width: onThis ? length * scale : inner,
    pt: LEAST_PT,
  });
  sheet.y = Math.max(sheet.y, under) + 3;
  if (of.stations.length > 0) {
    const x = margin + NUMBERS;
    const width = inner - NUMBERS;
    const needs = (station: SetupSheet['stations'][number]) =>
      lineHeight(13) +
      station.rows.reduce(
        (sum, row) => sum + sheet.rich(row, { x, y: 0, width, pt: LEAST_PT, dry: true }),
        0,
      ) +
      GAP;
    keep(sheet, lineHeight(15) + needs(of.stations[0]!), of.title);
    sheet.y = sheet.text('Who gets what', { x: margin, y: sheet.y, width: inner, pt: 15, bold: true });
    for (const station of of.stations) {
      keep(sheet, needs(station), of.title);
      sheet.text(station.number, { x: margin, y: sheet.y, width: NUMBERS, pt: 13, bold: true });
      sheet.y = sheet.text(station.name, { x, y: sheet.y, width, pt: 13, bold: true });
      for (const row of station.rows) sheet.y = sheet.rich(row, { x, y: sheet.y, width, pt: LEAST_PT });
      sheet.put({ is: 'rule', x: margin, y: sheet.y + 0.6, width: inner, thick: 0.2 });
      sheet.y += GAP;
    }
  }
  return sheet.done();
}
