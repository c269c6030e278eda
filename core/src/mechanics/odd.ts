import { type FigureFinding, figureFindings } from '../figure/index.ts';
import { DEMANDS, type Demand, type Move } from '../move/index.ts';
import type { DrawnFigure } from '../pose/index.ts';
import { loadFindings } from './findings.ts';
import { helpFindings } from './helps.ts';
import { HIDDEN_LET_STAND, hiddenFindings } from './hidden.ts';
import { LET_STAND } from './least.ts';
import { saidFindings } from './said.ts';

/** Everything in which a move's figures disagree with its drawing, with the loads in it and with its own words, and help that doesn't fit it. */
export function findingsOf(
  move: Pick<Move, 'id' | 'name' | 'standard' | 'cues' | 'faults' | 'sides' | 'needs' | 'posture' | 'unit'>,
  demand: Demand,
  figure: DrawnFigure | null,
): FigureFinding[] {
  const named = ({ key, says }: { key: keyof typeof DEMANDS; says: string }): FigureFinding => ({
    what: DEMANDS[key].says,
    says,
  });
  return [
    ...(figure ? figureFindings(move, demand, figure) : []),
    ...(figure ? loadFindings(move, demand, figure) : [])
      .filter(({ key }) => !LET_STAND[`${move.id} ${key}`])
      .map(named),
    ...(figure ? hiddenFindings(demand, figure) : [])
      .filter(({ key }) => !HIDDEN_LET_STAND[`${move.id} ${key}`])
      .map(named),
    ...saidFindings(move, demand).map(named),
    ...helpFindings(move, demand).map(({ says }) => ({ what: 'the fault to watch', says })),
  ];
}
