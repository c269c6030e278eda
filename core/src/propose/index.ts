export type { Draft } from './bench.ts';
export { type Answers, describeMove, QUESTIONS } from './describe.ts';
export { draftBranch, draftLadder, freshId, type LadderDraft, measuresFor } from './draft-ladder.ts';
export {
  type Proposal,
  proposeAbove,
  proposeBelow,
  proposeBetween,
  proposeSideways,
} from './propose.ts';
export type { Pull } from './pull.ts';
export { draftOf, PULLS, pull, pullsFor } from './pulls.ts';
