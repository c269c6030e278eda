export type { Draft } from './bench.ts';
export { describeMove, MOVE_QUESTIONS, type MoveAnswers } from './describe.ts';
export { draftBranch, draftLadder, freshId } from './draft-ladder.ts';
export {
  type Proposal,
  proposeAbove,
  proposeBelow,
  proposeBetween,
  proposeSideways,
} from './propose.ts';
export { draftOf, PULLS, pull } from './pulls.ts';
