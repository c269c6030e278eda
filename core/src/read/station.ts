import { slugOf } from '../record/index.ts';
import type { Dose, Station } from '../session/index.ts';
import { doseOf, doseOver, type Row, withPhases } from './draft.ts';
import type { Item } from './line.ts';
import { type Names, STANDS } from './names.ts';

/** An id for a movement that isn't known: its own words, so that making it a move later makes the station known. */
function ownId(names: Names, text: string): string {
  const plain = slugOf(text, 50, 'as-you-teach-it');
  return names.library.move(plain) ? `${plain}-own` : plain;
}

/** Moves among a trainer's own ways of a station: what is looked to first when it is scaled. */
function waysOf(tiers: Row['tiers'], written: string): Pick<Station, 'ways'> {
  const moves = [...new Set(tiers.flatMap((tier) => (tier.moves.length === 1 ? tier.moves : [])))];
  const others = moves.filter((id) => id !== written).slice(0, 8);
  return others.length > 0 ? { ways: others } : {};
}

/** A trainer's own ways of a station, as they stand on paper: "Easier: chair squats. Harder: jump squats." */
function tierWords(tiers: Row['tiers']): string {
  const said = (is: 'easier' | 'harder' | null) =>
    tiers.flatMap((tier) => (tier.is === is ? [tier.text] : [])).join(' / ');
  return [
    said(null).replace(/^./u, (c) => c.toUpperCase()),
    ...(['easier', 'harder'] as const).map((is) =>
      said(is) ? `${is === 'easier' ? 'Easier' : 'Harder'}: ${said(is)}` : '',
    ),
  ]
    .filter(Boolean)
    .join('. ')
    .slice(0, 200);
}

/** A side alone, and a height the move can have. */
function settingsFor(
  names: Names,
  row: Row,
  move: string,
  side: 'left' | 'right' | undefined,
): Pick<Station, 'settings'> {
  const surface = names.library.move(move)?.surface;
  const said = row.parts[0]!.facts.find((fact) => fact.is === 'height');
  const fits = said && surface && said.cm >= surface.minCm && said.cm <= surface.maxCm;
  const settings = { ...(fits ? { surfaceCm: said.cm } : {}), ...(side ? { side } : {}) };
  return Object.keys(settings).length > 0 ? { settings } : {};
}

/** What stands on paper beside it: the trainer's own ways, and what was said of how. */
function wordsOf(row: Row): Pick<Station, 'words'> {
  const remarks = row.parts.flatMap((part) =>
    part.facts.flatMap((fact) => {
      if (fact.is === 'remark') return [fact.says];
      if (fact.is === 'reps' && fact.how !== undefined) return [fact.how];
      // "x10 (5 s)": beside a count it is how long each of them is, or some of it.
      if (fact.is === 'seconds' && part.facts.some(({ is }) => is === 'reps' || is === 'sets of'))
        return doseOf(part.facts)?.seconds === undefined ? [`${fact.seconds} s`] : [];
      return fact.is === 'load' && fact.other !== undefined ? [`${fact.kg} or ${fact.other} kg`] : [];
    }),
  );
  const words = [tierWords(row.tiers), ...remarks].filter(Boolean).join('. ').slice(0, 200);
  return words ? { words } : {};
}

/** A part's name with the side it was said of, where no setting carries it. */
function saidSide(part: Item, carried: boolean): string {
  const said = part.facts.find((fact) => fact.is === 'side');
  return said && !carried ? `${part.text} ${said.side}` : part.text;
}

/** A dose without its sets, unless they are other than the clock's; nothing where nothing else was said. */
function setsApart(dose: Dose | null, sets: number | null): Dose | null {
  if (dose?.sets === undefined || (sets !== null && dose.sets !== sets)) return dose;
  const { sets: _, ...rest } = dose;
  return Object.keys(rest).length > 0 ? rest : null;
}

/** Parts of a station: a movement of several parts, or several joined in one go, each with its own count. */
export function stationOf(
  names: Names,
  row: Row,
  id: string,
  dose: Dose | null,
  work: number | null,
  sets: number | null,
): Station {
  const links = row.parts.flatMap((part, i) => {
    const best = part.readings[0];
    const facts = part.facts;
    const said = withPhases(i === 0 ? doseOver(dose, doseOf(facts)) : doseOf(facts), facts, work);
    // "(each side)" beside a count that was said for all of them.
    const both = facts.some((fact) => fact.is === 'each') && (said?.reps ?? said?.seconds) !== undefined;
    const own = setsApart(both && said?.each === undefined ? { ...said, each: true } : said, sets);
    if (!best || best.sure < STANDS) return [{ move: ownId(names, part.text), dose: own, side: undefined }];
    return best.moves.map((move, k) => {
      const side = facts.find((fact) => fact.is === 'side');
      const alone =
        side && names.library.move(move)?.sides === 'one'
          ? (side as { side: 'left' | 'right' }).side
          : undefined;
      return { move, dose: k === 0 || own?.reps !== undefined ? own : null, side: alone };
    });
  });
  const [first, ...rest] = links;
  return {
    id,
    move: first!.move,
    typed: row.parts
      .map((part, i) => saidSide(part, i === 0 && first!.side !== undefined))
      .join(row.parts.length > 1 ? ' + ' : '')
      .slice(0, 200),
    sides: row.parts.some(({ facts }) => facts.some((fact) => fact.is === 'by round'))
      ? 'other side each round'
      : 'swap at half',
    ...settingsFor(names, row, first!.move, first!.side),
    ...(first!.dose ? { dose: first!.dose } : {}),
    ...wordsOf(row),
    ...waysOf(row.tiers, first!.move),
    ...(rest.length > 0
      ? {
          chain: rest
            .slice(0, 3)
            .map((link) => ({ move: link.move, ...(link.dose ? { dose: link.dose } : {}) })),
        }
      : {}),
  };
}
