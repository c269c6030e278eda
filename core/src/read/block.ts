import { MOST_STATIONS, type Station } from '../session/index.ts';
import { formatOf } from './clock-said.ts';
import { type Draft, lineOf, restsBetween } from './draft.ts';
import type { Fact } from './facts.ts';
import type { Item } from './line.ts';
import type { Names, Reading } from './names.ts';
import type { ReadBlock, ReadLine } from './reading.ts';
import { goesRound, inSets } from './session-draft.ts';
import { stationOf } from './station.ts';

/**
 * A block out of its draft: its clock, its stations, and what lies behind it. `isLast` where no other follows; `lost`
 * counts the stations that were too many.
 */
export function blockOf(names: Names, block: Draft, isLast: boolean): { block: ReadBlock; lost: number } {
  if (block.held && block.facts.some(({ is }) => is === 'steps')) {
    block.rows = [...block.rows, block.held];
    block.facts = block.facts.filter(({ is }) => is !== 'step hold');
  }
  eitherSide(names, block);
  const after = restsBehind(block, isLast);
  saidOfAll(block);
  const { format, assumed, dose } = formatOf(block);
  const work = 'workSeconds' in format ? format.workSeconds : null;
  const sets = format.kind === 'sets' ? format.sets : null;
  const rows = block.rows.slice(0, MOST_STATIONS);

  const stations: Station[] = [];
  const lines = rows.map((row, i): ReadLine => {
    const id = `s${i + 1}`;
    const station = stationOf(names, row, id, dose, work, sets);
    stations.push(station);
    const readings = row.parts.length === 1 ? row.parts[0]!.readings : combined(names, row.parts);
    return lineOf(row.read, {
      text: row.parts.map((part) => part.text).join(' + '),
      kind: 'station',
      sure: readings[0]?.sure ?? 0,
      read: readings,
      dose: station.dose ?? null,
      station: id,
      tiers: row.tiers,
    });
  });
  const made: ReadBlock = {
    role: block.role,
    name: block.name,
    format,
    assumed,
    lines: [...block.heads, ...lines].sort((a, b) => a.line - b.line),
    stations,
    after,
    resting: restingIn(block.facts),
  };

  return { block: made, lost: block.rows.length - rows.length };
}

/** "40 s each side": what goes by one side stands there twice, the left first. */
function eitherSide(names: Names, block: Draft): void {
  const each = block.facts.some((fact) => fact.is === 'work' && fact.each);
  if (!each || block.facts.some(({ is }) => is === 'format')) return;
  block.rows = block.rows.flatMap((row) => {
    const [part, ...more] = row.parts;
    const moves = part!.readings[0]?.moves ?? [];
    const sided = moves.length === 1 && names.library.move(moves[0]!)?.sides !== 'both';
    if (!sided || more.length > 0 || part!.facts.some(({ is }) => is === 'side')) return [row];
    return (['left', 'right'] as const).map((side) => ({
      ...row,
      parts: [{ ...part!, facts: [...part!.facts, { is: 'side', side } as const] }],
    }));
  });
}

/** What lies behind it before another block; of a rest that lies between its rounds the block's clock is told. */
function restsBehind(block: Draft, isLast: boolean): ReadBlock['after'] {
  const rest = restsBetween(block);
  // A rest at the very end of a list that goes round again lies between the rounds.
  const rounds = goesRound(block.facts);
  const behind = !rest && block.after && rounds && !block.apart;
  // "4 sets … rest 1 to 2 minutes" is no break after all of them.
  const ofSets =
    !rest &&
    !rounds &&
    block.after?.mostSeconds !== undefined &&
    (inSets(block.facts) || inSets(block.rows.flatMap(({ parts }) => parts.flatMap(({ facts }) => facts))));
  if (ofSets) block.facts.push({ is: 'rest', seconds: block.after!.seconds });
  const closing = ofSets || (behind && isLast);
  // Before another part it lies behind every round, the last one too.
  const said = block.facts.some(
    (fact) => fact.is === 'round rest' || (fact.is === 'rounds' && fact.rest !== undefined),
  );
  if (!ofSets && (closing || (behind && !said)))
    block.facts.push({ is: 'round rest', seconds: block.after!.seconds });
  return rest || closing ? null : block.after;
}

/** What was said of how, of all of its stations. */
function saidOfAll(block: Draft): void {
  const how = block.facts.filter((fact) =>
    ['phase', 'phases', 'call', 'tempo', 'remark', 'by round'].includes(fact.is),
  );
  if (how.length > 0)
    block.rows = block.rows.map((row) => ({
      ...row,
      parts: row.parts.map((part) => ({ ...part, facts: [...part.facts, ...how] })),
    }));
}

/** What is done in the rests, as it was said last. */
const restingIn = (facts: readonly Fact[]): ReadBlock['resting'] =>
  facts.flatMap((fact) => (fact.is === 'resting' ? [fact.style] : [])).at(-1) ?? null;

/** One reading of several items done in one go. */
function combined(names: Names, parts: readonly Item[]): Reading[] {
  const best = parts.map((part) => part.readings[0]);
  if (best.some((one) => one === undefined)) return [];
  const moves = best.flatMap((one) => one!.moves);
  return [
    {
      moves,
      names: moves.map((id) => names.library.move(id)?.name ?? id),
      why: 'one after another in one go',
      sure: Math.min(...best.map((one) => one!.sure)),
    },
  ];
}
