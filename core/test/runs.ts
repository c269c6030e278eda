import { factsFor, type Run } from '@inner-rung/core/run';
import { type Block, entriesOf } from '@inner-rung/core/session';
import { facts } from './sessions.ts';

/** A run of blocks with nobody in it. */
export const runOf = (...blocks: Block[]): Run => ({
  version: 1,
  id: 'a-run',
  plan: { id: 'a-plan', title: 'A session', forWhom: 'adults', blocks },
  facts: factsFor(
    entriesOf(blocks).map((e) => e.move),
    facts,
  ),
  how: 'together',
  group: null,
  room: 'Hall',
  on: '2026-11-25',
  cast: [],
  names: [],
  cues: {},
  emergency: '',
});
