import type { Library } from '@inner-rung/core/ladder';
import { decide, evidenceOf, findInLog, indexLog, logLines, type SessionRecord } from '@inner-rung/core/log';
import {
  alike,
  beatAt,
  clockOf,
  easierForms,
  factsFor,
  movesAt,
  peopleOf,
  positionAt,
  type Run,
  type RunEvent,
  restingSaid,
  stretchWords,
} from '@inner-rung/core/run';
import { entriesOf, factsIn } from '@inner-rung/core/session';
import { PLANS } from '../../demo/src/index.ts';
import { type Row, row, times } from './measure.ts';

const PEOPLE = 60;
const LADDERS = 48;
const LOGGED = 100_000;

/** A run of sixty with an evening's presses; decisions for all of them; a log of a hundred thousand results. */
export function runRows(library: Library): Row[] {
  const plan = PLANS[1]!;
  const moves = entriesOf(plan.blocks).map((entry) => entry.move);
  const does = moves.map((move) => ({ move, name: move, dose: '', pace: 20, lane: 1 as const }));
  const run: Run = {
    version: 1,
    id: 'bench',
    plan: { id: plan.id, title: plan.title, forWhom: plan.forWhom, blocks: plan.blocks },
    facts: factsFor(moves, factsIn(library)),
    how: 'together',
    group: null,
    room: 'Hall',
    on: '2026-11-24',
    cast: Array.from({ length: PEOPLE }, (_, i) => ({
      id: `p${i}`,
      name: `P ${i}`,
      byNumber: false,
      group: 0,
      does,
      switches: does.map((one) => ({
        down: { ...one, name: 'easier' },
        up: null,
        wrist: 'same' as const,
        knee: 'same' as const,
        back: 'same' as const,
      })),
      cautions: [],
      today: { conditions: [], level: null },
    })),
    names: [],
    cues: {},
    emergency: '',
  };
  const events: RunEvent[] = [
    { id: 'press-000000', at: 0, kind: 'go' },
    ...Array.from(
      { length: 200 },
      (_, i): RunEvent => ({
        id: `press-${String(i + 1).padStart(6, '0')}`,
        at: i * 2000,
        kind: 'switch',
        person: `p${i % PEOPLE}`,
        entry: i % does.length,
        way: 'down',
      }),
    ),
  ];
  const clock = clockOf(run, events);
  const people = peopleOf(run, events);
  const ladders = library.ladders.slice(0, LADDERS);
  const records = Array.from(
    { length: 6 },
    (_, week): SessionRecord => ({
      version: 2,
      id: `r-${week}`,
      run: null,
      plan: null,
      title: 'Tuesday',
      group: null,
      on: `2026-10-${String(6 + week * 4).padStart(2, '0')}`,
      minutes: 30,
      results: Array.from({ length: PEOPLE }, (_, i) => ({
        id: `r${i}`,
        person: `p${i}`,
        known: '',
        present: true,
        effort: 6,
        clean: true,
        range: 'full' as const,
        pain: null,
        sign: null,
        note: '',
        pieces: ladders.map((ladder, k) => ({
          entry: k % 12,
          move: ladder.rungs[i % ladder.rungs.length]!.move,
          seconds: 40,
          reps: 12,
          counted: false,
        })),
        counts: [],
        share: 1,
        left: false,
        corrections: [],
      })),
    }),
  );
  const byPerson = ladders.map((ladder) =>
    Array.from({ length: PEOPLE }, (_, i) => evidenceOf(library, ladder, `p${i}`, records)),
  );
  const who = { child: false, careful: false, steady: false, effortMax: 10 };
  const many = Array.from({ length: Math.ceil(LOGGED / PEOPLE) }, (_, i) => ({
    ...records[i % 6]!,
    id: `m-${i}`,
    results: records[i % 6]!.results.map((result) => ({ ...result, pieces: result.pieces.slice(0, 3) })),
  }));
  const lines = logLines(
    many,
    (result) => result.person ?? '',
    (piece) => piece.move,
  );
  const index = indexLog(lines);
  return [
    row(
      'a press in a run of sixty, 200 presses before it: clock and people folded anew',
      times(60, () => {
        clockOf(run, events);
        peopleOf(run, events);
      }),
      null,
    ),
    row(
      'a frame of a run: where the clock is',
      times(200, (i) => positionAt(clock, i * 1371)),
      4,
    ),
    row(
      'what wall, coach and second coach say of a moment of a run of sixty, all of it anew',
      times(200, (i) => {
        const { index } = positionAt(clock, i * 1371);
        const { segment } = clock.stretches[index] ?? clock.stretches[0]!;
        const moves = movesAt(run, people, segment);
        alike(
          people,
          moves.map(({ entry }) => entry),
          segment.block,
          false,
        );
        stretchWords(run, people, segment, beatAt(segment, 1));
        restingSaid(run, people);
        easierForms(run, people, segment);
      }),
      4,
    ),
    row(
      `decisions for ${PEOPLE} people on ${ladders.length} ladders`,
      times(40, () => {
        ladders.forEach((ladder, k) => {
          for (const evidence of byPerson[k]!) decide(ladder, evidence, 'two clean', who, '2026-11-24');
        });
      }),
      50,
    ),
    row(
      `a word looked for in a log of ${lines.length.toLocaleString('en')} results`,
      times(20, (i) => findInLog(index, `p${i % PEOPLE} squat`)),
      100,
    ),
  ];
}
