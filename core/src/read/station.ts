import { slugOf } from '../record/index.ts';
import type { Dose, Station } from '../session/index.ts';
import { doseOf, type Row, withPhases } from './draft.ts';
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

/** Parts of a station: a movement of several parts, or several joined in one go, each with its own count. */
export function stationOf(
  names: Names,
  row: Row,
  id: string,
  dose: Dose | null,
  work: number | null,
): Station {
  const links = row.parts.flatMap((part, i) => {
    const best = part.readings[0];
    const facts = part.facts;
    const own = withPhases(
      i === 0 && dose && !doseOf(facts)?.reps ? { ...dose, ...doseOf(facts) } : doseOf(facts),
      facts,
      work,
    );
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
      .map((part) => part.text)
      .join(row.parts.length > 1 ? ' + ' : '')
      .slice(0, 200),
    sides: 'swap at half',
    ...(first!.side ? { settings: { side: first!.side } } : {}),
    ...(first!.dose ? { dose: first!.dose } : {}),
    ...(row.tiers.length > 0 ? { words: tierWords(row.tiers) } : {}),
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
