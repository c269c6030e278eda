import {
  type Avoid,
  applyFix,
  insertRung,
  type Ladder,
  type LadderFinding,
  type Library,
  removeRung,
  shiftRung,
} from '@inner-rung/core/ladder';
import { draftBranch, freshId, type Proposal } from '@inner-rung/core/propose';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { useEdits } from '../features/use-edits.ts';
import { type Commands, useCommands } from '../ui/commands.tsx';
import type { Spot } from './proposals.tsx';

/** A ladder on the workbench: which rung is chosen, where proposals stand open, and every step of its editing. */
export function useLadderBench(library: Library, ladder: Ladder, edits: ReturnType<typeof useEdits>) {
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [spot, setSpot] = useState<Spot | null>(null);
  const [searching, setSearching] = useState<number | null>(null);
  const count = ladder.rungs.length;
  const asked = Number(search.get('rung') ?? Number.NaN) - 1;
  const chosen = Math.max(0, Math.min(count - 1, Number.isInteger(asked) ? asked : count - 1));
  const choose = (rung: number) => {
    const next = new URLSearchParams(search);
    next.set('rung', String(rung + 1));
    setSearch(next, { replace: true });
  };
  const keep = (says: string, next: Ladder) => edits.keep(says, [next]);
  const move = (from: number, to: number) => {
    keep('Move a rung', shiftRung(library, ladder, from, to));
    choose(to);
  };
  const shift = (by: -1 | 1) => {
    if (chosen + by >= 0 && chosen + by < count) move(chosen, chosen + by);
  };
  const remove = () => {
    keep('Take out a rung', removeRung(library, ladder, chosen));
    choose(Math.max(0, chosen - 1));
  };
  const put = (id: string) => {
    if (searching === null) return;
    keep(`Add ${library.move(id)?.name ?? id}`, insertRung(library, ladder, searching, { move: id }));
    choose(searching);
    setSearching(null);
    setSpot(null);
  };
  const take = (proposal: Proposal, at: number, edit: boolean) => {
    const made = proposal.known
      ? proposal.move
      : { ...proposal.move, id: freshId(library, proposal.move.name) };
    const form = {
      move: made.id,
      ...(proposal.settings ? { settings: proposal.settings } : {}),
      ...(proposal.pulledFrom === 'below' ? { levers: [...proposal.levers] } : {}),
    };
    edits.keep(
      `Add ${made.name}`,
      [insertRung(library, ladder, at, form)],
      proposal.known ? [] : [{ move: made, demand: proposal.demand }],
    );
    setSpot(null);
    choose(at);
    if (edit) void navigate(`/moves/${made.id}/edit`);
  };
  const addBranch = (avoids: Avoid) => {
    const draft = draftBranch(library, ladder, avoids);
    if (!draft) return;
    edits.keep(`Branch without ${avoids}`, draft.ladders, draft.moves);
    void navigate(`/ladders/${draft.ladders[0]!.id}`);
  };
  const fix = (finding: LadderFinding) => {
    if (!finding.fix) return;
    const next = applyFix(library, ladder, finding.fix);
    if (next) keep(finding.fix.label, next);
    else if (finding.fix.do === 'fill') setSpot({ at: 'between', above: finding.fix.rung });
    else if (finding.fix.do === 'below' || finding.fix.do === 'above') setSpot({ at: finding.fix.do });
    else if (finding.fix.do === 'branch') addBranch(finding.fix.avoids);
  };
  const commands: Commands = {
    up: {
      says: 'the rung above',
      keys: ['up'],
      shown: '↑',
      run: () => choose(Math.min(count - 1, chosen + 1)),
    },
    down: {
      says: 'the rung below',
      keys: ['down'],
      shown: '↓',
      run: () => choose(Math.max(0, chosen - 1)),
    },
    higher: { says: 'move it up', keys: ['alt+up'], shown: 'Alt ↑', run: () => shift(1) },
    lower: { says: 'move it down', keys: ['alt+down'], shown: 'Alt ↓', run: () => shift(-1) },
    remove: { says: 'take it out', keys: ['delete'], shown: 'Delete', off: count < 2, run: remove },
    between: {
      says: 'find a rung below it',
      keys: ['n'],
      shown: 'N',
      off: chosen === 0,
      run: () => setSpot({ at: 'between', above: chosen }),
    },
  };
  useCommands(commands, { all: searching === null, letters: true });
  return {
    library,
    ladder,
    edits,
    search,
    setSearch,
    spot,
    setSpot,
    searching,
    setSearching,
    chosen,
    choose,
    keep,
    move,
    shift,
    remove,
    put,
    take,
    addBranch,
    fix,
    commands,
  };
}
export type LadderBench = ReturnType<typeof useLadderBench>;
