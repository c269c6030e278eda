import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { laneSubject } from '@inner-rung/core/limits';
import { check, sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Block, factsIn, READY_SESSIONS, timelineOf } from '@inner-rung/core/session';
import { type Row, row, times } from './measure.ts';

const BLOCKS = 12;
const MINUTES = 90;

/** Twelve blocks of different formats out of the ready-made sessions, ninety minutes of them. */
function longSession(library: Library) {
  const facts = factsIn(library);
  const circuits = READY_SESSIONS.flatMap((plan) => plan.blocks).filter(
    (block) => block.role !== 'warm-up' && block.role !== 'cool-down',
  );
  const kinds = new Map(circuits.map((block) => [block.format.kind, block]));
  let session = {
    blocks: [...kinds.values()]
      .slice(0, BLOCKS)
      .map((block, i): Block => ({ ...block, id: `b${i}`, after: { seconds: 30 } })),
    forWhom: 'adults' as const,
    bookedMinutes: MINUTES,
  };
  // Shortened or lengthened until it is about that long, by rounds or else by stations.
  for (let k = 0; k < 60; k++) {
    const over = timelineOf(session, facts).lengthSeconds - MINUTES * 60;
    if (Math.abs(over) < 180) break;
    const at = k % session.blocks.length;
    const block = session.blocks[at]!;
    let becomes = block;
    if ('rounds' in block.format) {
      const rounds = Math.max(1, block.format.rounds + (over > 0 ? -1 : 1));
      becomes = { ...block, format: { ...block.format, rounds } as Block['format'] };
    } else if (over > 0 && block.stations.length > 2)
      becomes = { ...block, stations: block.stations.slice(0, -1) };
    session = { ...session, blocks: session.blocks.map((b, i) => (i === at ? becomes : b)) };
  }
  return session;
}

/** The same by looking, second by second, at what is going on: what a spreadsheet does. */
function secondBySecond(library: Library, session: ReturnType<typeof longSession>): number {
  const { segments, lengthSeconds } = timelineOf(session, factsIn(library));
  let met = 0;
  for (let second = 0; second < lengthSeconds; second++) {
    const now = segments.find((s) => s.startSeconds <= second && second < s.startSeconds + s.lengthSeconds);
    met += now?.kind === 'work' ? 5 : 2;
  }
  return met;
}

/** A keystroke in a long session: compiled, added up and checked anew. */
export function sessionRows(library: Library): Row[] {
  const index = compileLibrary(library);
  const scaler = createScaler(index, ROOM_EXAMPLE);
  const session = longSession(library);
  const facts = factsIn(library);
  const version = scaler.scale({
    session,
    writtenFor: 2,
    dials: AS_WRITTEN,
    subject: laneSubject(3),
  });
  // Each keystroke changes one block, another every time; the booked time stays overrun, so that it is fitted.
  const typed = (i: number) => ({
    ...session,
    bookedMinutes: MINUTES - 5,
    blocks: session.blocks.map((block, b) =>
      b === i % BLOCKS ? { ...block, readySeconds: 1 + (i % 50) } : block,
    ),
  });
  const minutes = Math.round(timelineOf(session, facts).lengthSeconds / 60);
  return [
    row(
      `a keystroke in ${session.blocks.length} blocks of ${minutes} minutes: compiled, added up, checked`,
      times(
        300,
        (i) => {
          const now = typed(i);
          const sums = sumUp(index, now, version.uses, {}, timelineOf(now, facts));
          check({ library, session: now, version, sums });
        },
        100,
      ),
      8,
      {
        name: 'second by second',
        samples: times(10, (i) => secondBySecond(library, typed(i)), 2),
      },
    ),
  ];
}
