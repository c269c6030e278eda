import { formatEntry } from '@inner-rung/core/clock';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { openRecord } from '@inner-rung/core/record';
import { check, sumUp } from '@inner-rung/core/review';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { entriesOf, formatFaults, PLAN, READY_SESSIONS, roleOf, timelineOf } from '@inner-rung/core/session';
import { facts } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, {
  ...ROOM_EXAMPLE,
  ...READY_ROOMS.find((r) => r.id === 'ready-small-studio')!,
});

test('at least fifteen, across kinds of people and most formats', () => {
  expect(READY_SESSIONS.length).toBeGreaterThanOrEqual(15);
  expect(new Set(READY_SESSIONS.map((p) => p.forWhom)).size).toBe(7);
  const kinds = new Set(READY_SESSIONS.flatMap((p) => p.blocks.map((b) => b.format.kind)));
  expect(kinds.size).toBeGreaterThanOrEqual(14);
  expect(new Set(READY_SESSIONS.map((p) => p.id)).size).toBe(READY_SESSIONS.length);
});

describe.each(READY_SESSIONS.map((p) => [p.title, p] as const))('%s', (_title, plan) => {
  test('is a session the schema takes unchanged, of moves that exist', () => {
    const read = openRecord(PLAN, structuredClone(plan));
    expect(read).toEqual({ ok: true, value: plan });
    for (const entry of entriesOf(plan.blocks))
      expect([entry.move, library.move(entry.move)?.id]).toEqual([entry.move, entry.move]);
  });
  test('begins with a warm-up, ends with a cool-down, lasts between a quarter and an hour', () => {
    expect(roleOf(plan.blocks[0]!)).toBe('warm-up');
    expect(roleOf(plan.blocks.at(-1)!)).toBe('cool-down');
    const { range } = timelineOf(plan, facts);
    expect(range.lo).toBeGreaterThan(15 * 60);
    expect(range.hi).toBeLessThan(60 * 60);
  });
  test('raises no stop, and few findings', () => {
    plan.blocks.forEach((block, b) => {
      expect(formatFaults(plan, b, facts)).toEqual([]);
      expect(formatEntry(block.format.kind).words(block.format)).not.toMatch(/undefined|NaN/);
    });
    const version = scaler.scale({
      session: plan,
      writtenFor: plan.writtenFor,
      dials: plan.dials,
      subject: laneSubject(3),
    });
    const sums = sumUp(index, plan, version.uses);
    const found = check({ library, session: plan, version, sums });
    expect(found.filter((f) => f.severity === 'stop').map((f) => f.says)).toEqual([]);
    expect(found.map((f) => f.says).slice(2)).toEqual([]);
  });
});
