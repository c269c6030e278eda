import { FORMATS, type Format } from '@inner-rung/core/clock';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { type Limit, limitSchema } from '@inner-rung/core/person';
import { check, type Finding, sumUp } from '@inner-rung/core/review';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import {
  AS_WRITTEN,
  type Block,
  KINDS,
  type Plan,
  type Station,
  type Timed,
  thirdsRunning,
} from '@inner-rung/core/session';
import fc from 'fast-check';
import { anySession, circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, {
  ...ROOM_EXAMPLE,
  ...READY_ROOMS.find((r) => r.id === 'ready-small-studio')!,
});

function findings(
  timed: Timed & Partial<Pick<Plan, 'bookedMinutes' | 'accepted'>>,
  limits: readonly Limit[] = [],
): Finding[] {
  const version = scaler.scale({
    session: timed,
    writtenFor: 3,
    dials: AS_WRITTEN,
    subject: { ...laneSubject(3), limits },
  });
  return check({ library, session: timed, version, sums: sumUp(index, timed, version.uses), limits });
}
const found = (timed: Parameters<typeof findings>[0], name: string, limits?: readonly Limit[]) =>
  findings(timed, limits).find((f) => f.check === name);
/** The session as a finding's fix makes it. */
const mended = (timed: Timed, finding: Finding): Timed => {
  const { fix } = finding;
  if (fix?.kind !== 'block') throw new Error(`${finding.check} has no such fix`);
  return { ...timed, blocks: timed.blocks.map((b, i) => (i === fix.block ? fix.becomes : b)) };
};
const of = (format: Format, ...stations: (string | (Partial<Station> & { move: string }))[]): Block => ({
  ...circuit(stations),
  format,
});
const mixed = ['squat', 'push-up', 'standing-row', 'step-jack', 'bridge', 'plank', 'lunge', 'side-tap'];
const warm: Block = { ...of(FORMATS.flow.usual, 'easy-walk'), id: 'w', role: 'warm-up' };

describe('length against the time booked', () => {
  test('too long: how long, and a fix that lands on it', () => {
    const timed = { ...session(circuit(mixed, { rounds: 4 })), bookedMinutes: 25 };
    const finding = found(timed, 'length')!;
    expect(finding.says).toMatch(/takes .*25 minutes are booked/);
    expect(found({ ...mended(timed, finding), bookedMinutes: 25 }, 'length')).toBeUndefined();
  });
  test('open lengths are read at their longest', () => {
    const amrap = of({ ...FORMATS.rounds.usual, rounds: 2, mostRounds: 6 } as Format, ...mixed);
    expect(found({ ...session(amrap), bookedMinutes: 12 }, 'length')!.says).toContain('up to');
  });
  test('a lot left over is a note; about right is nothing', () => {
    expect(found({ ...session(circuit(mixed)), bookedMinutes: 60 }, 'length')).toMatchObject({
      severity: 'note',
    });
    expect(found({ ...session(circuit(mixed)), bookedMinutes: 18 }, 'length')).toBeUndefined();
    expect(found(session(circuit(mixed)), 'length')).toBeUndefined();
  });
});

describe('one side more than the other', () => {
  const sides = (rounds: number) =>
    session(circuit([{ move: 'side-plank', sides: 'other side each round' }, 'squat'], { rounds }));
  test('an odd number of rounds; mended by swapping inside the slot', () => {
    const finding = found(sides(3), 'sides differ')!;
    expect(finding.says).toContain('3 rounds');
    expect(found(mended(sides(3), finding), 'sides differ')).toBeUndefined();
    expect(found(sides(2), 'sides differ')).toBeUndefined();
  });
});

describe('neighbours', () => {
  test('the same joint three times running, round the ring too; the two sides of one move count once', () => {
    expect(
      found(session(circuit(['push-up', 'plank', 'push-up-turn', 'squat', 'lunge'])), 'same joint'),
    ).toMatchObject({
      fix: { kind: 'order' },
    });
    const sided = [{ move: 'side-plank', sides: 'two slots' as const }, 'push-up', 'squat', 'lunge'];
    expect(found(session(circuit(sided)), 'same joint')).toBeUndefined();
  });
  test('the same muscles back to back, but not where they are paired on purpose', () => {
    const same = ['squat', 'pause-squat', 'push-up', 'standing-row'];
    expect(found(session(circuit(same)), 'same muscles')!.says).toMatch(/same muscles/);
    expect(found(session(of(FORMATS.superset.usual, ...same)), 'same muscles')).toBeUndefined();
    expect(
      found(session(circuit(['squat', 'push-up', 'standing-row', 'plank'])), 'same muscles'),
    ).toBeUndefined();
  });
  test('the two hardest side by side, and apart', () => {
    const together = ['burpee', 'high-knees', 'squat', 'standing-row', 'bridge', 'plank'];
    const apart = ['burpee', 'squat', 'standing-row', 'high-knees', 'bridge', 'plank'];
    expect(found(session(circuit(together)), 'hard ones adjacent')).toBeDefined();
    expect(found(session(circuit(apart)), 'hard ones adjacent')).toBeUndefined();
  });
  test('down and up more often than suits older adults', () => {
    const upDown = session(
      circuit(['squat', 'plank', 'lunge', 'bridge', 'side-tap', 'crunch'], { rounds: 3 }),
    );
    expect(found({ ...upDown, forWhom: 'older' }, 'down and up')).toMatchObject({ severity: 'mend' });
    expect(found(upDown, 'down and up')).toBeUndefined();
  });
});

test('three running by what somebody does, not by what is written', () => {
  const block = circuit(['push-up', 'plank', 'push-up-turn', 'squat', 'lunge']);
  const forms = ['wall-push-up', 'plank', 'push-up-turn', 'squat', 'lunge'];
  expect(thirdsRunning(library, [block], (_b, i) => ({ move: block.stations[i]!.move }))).toMatchObject([
    { block: 0, station: 2, joint: 'the wrists' },
  ]);
  expect(thirdsRunning(library, [block], (_b, i) => ({ move: forms[i]! }))).toEqual([]);
  expect(
    thirdsRunning(library, [block], (_b, i) => (i === 1 ? null : { move: block.stations[i]!.move })),
  ).toEqual([]);
});

describe('work, rest and landings', () => {
  test('denser than suits beginners; the fix is a rest that does', () => {
    const dense = {
      ...session(circuit(mixed, { workSeconds: 45, restSeconds: 5 })),
      forWhom: 'beginners' as const,
    };
    const finding = found(dense, 'work to rest')!;
    expect(finding.fix!.label).toBe('Rest 15 s');
    expect(found(mended(dense, finding), 'work to rest')).toBeUndefined();
  });
  test('longer at a stretch than suits children', () => {
    const long = {
      ...session(circuit(mixed, { workSeconds: 60, restSeconds: 60 })),
      forWhom: 'children' as const,
    };
    expect(found(long, 'work to rest')!.says).toContain(`${KINDS.children.mostWorkSeconds} s`);
  });
  test('more hard landings than a session should have', () => {
    const jumps = session(
      circuit(['tuck-jump', 'star-jump', 'squat-jump', 'broad-jump'], { rounds: 6, workSeconds: 60 }),
    );
    expect(found(jumps, 'landings')!.says).toMatch(/hard landings/);
    expect(found(session(circuit(mixed)), 'landings')).toBeUndefined();
  });
});

describe('showing takes time', () => {
  test('in the rest, where it doesn’t fit', () => {
    const block: Block = { ...circuit([{ move: 'squat', isNew: true }, 'plank']), showing: 'in the rest' };
    const finding = found(session(block), 'showing takes time')!;
    expect(finding.says).toMatch(/25 s; the rest before it is 20/);
    expect(found(mended(session(block), finding), 'showing takes time')).toBeUndefined();
    expect(
      found(session({ ...block, stations: circuit(['squat']).stations }), 'showing takes time'),
    ).toBeUndefined();
  });
  test('over a warm-up that is shorter than it takes, or isn’t there', () => {
    const block: Block = { ...circuit(mixed), showing: 'over the warm-up' };
    expect(found(session(block), 'showing takes time')!.says).toContain('no warm-up');
    expect(found(session(warm, block), 'showing takes time')!.says).toContain('the warm-up is 30 s');
  });
});

describe('warm-up, cool-down and drinks', () => {
  test('none; one that leaves out joints; one that doesn’t', () => {
    expect(found(session(circuit(mixed)), 'warm-up')).toMatchObject({
      fix: { kind: 'add', role: 'warm-up' },
    });
    const cold = found(session(warm, circuit(mixed)), 'joint not warm')!;
    expect(cold.says).toMatch(/leaves out the .*wrists/);
    const whole: Block = {
      ...of(
        FORMATS.flow.usual,
        'easy-walk',
        'arm-circles',
        'wrist-rock-wall',
        'hip-circles',
        'squat-reach-easy',
      ),
      id: 'w',
      role: 'warm-up',
    };
    expect(found(session(whole, circuit(mixed)), 'joint not warm')).toBeUndefined();
  });
  test('shorter than somebody needs', () => {
    const limit = limitSchema.parse({
      kind: 'floor',
      id: 'w',
      what: 'warm-up',
      seconds: 600,
      source: 'condition',
      reason: 'rising slowly',
    });
    expect(found(session(warm, circuit(mixed)), 'warm-up', [limit])!.says).toContain('there are 30 s');
  });
  test('a drink where they would go long without one', () => {
    const two = session(circuit(mixed, { rounds: 2 }), { ...circuit(mixed, { rounds: 2 }), id: 'b' });
    const finding = found(two, 'drink')!;
    expect(finding.fix!.label).toBe('Drink there');
    expect(found(mended(two, finding), 'drink')).toBeUndefined();
  });
});

describe('what is in it', () => {
  test('nothing that pulls, pushes, or trains the legs', () => {
    const pulls = (list: string[]) => found(session(circuit(list)), 'no pull');
    expect(pulls(['squat', 'push-up', 'plank', 'lunge', 'bridge', 'step-jack'])).toBeDefined();
    expect(pulls(['squat', 'push-up', 'plank', 'lunge', 'bridge', 'standing-row'])).toBeUndefined();
    expect(
      found(session(circuit(['squat', 'plank', 'standing-row', 'lunge', 'bridge', 'step-jack'])), 'no push'),
    ).toBeDefined();
  });
  test('many new moves at once', () => {
    const news = (n: number) =>
      session(circuit(mixed.map((move, i) => ({ move, ...(i < n ? { isNew: true } : {}) }))));
    expect(found(news(5), 'many new moves')).toBeDefined();
    expect(found(news(4), 'many new moves')).toBeUndefined();
  });
  test('nothing easier than the lowest rung', () => {
    const lowest = library.ladders.find((l) => l.branchOf.length === 0)!.rungs[0]!.move;
    const stands = library.ladders.filter((l) => l.rungs.some((rung) => rung.move === lowest));
    const only = stands.every((l) => l.rungs.findIndex((rung) => rung.move === lowest) <= 0);
    expect(found(session(circuit([lowest, 'squat'])), 'no easier form') !== undefined).toBe(only);
    expect(found(session(circuit(['push-up', 'squat'])), 'no easier form')).toBeUndefined();
  });
  test('a hold longer than somebody may hold: noted, and short bouts for all offered', () => {
    const limit = limitSchema.parse({
      kind: 'cap',
      id: 'h',
      on: 'strain.holdSeconds',
      max: 10,
      source: 'condition',
      reason: 'no straining',
    });
    const timed = session(circuit(['plank', 'squat']));
    const finding = found(timed, 'holds too long', [limit])!;
    expect(finding.fix!.label).toMatch(/^\d × 10 s for all$/);
    expect(found(mended(timed, finding), 'holds too long', [limit])).toBeUndefined();
    expect(found(timed, 'holds too long')).toBeUndefined();
  });
});

describe('what can’t go on as it is', () => {
  test('a minute that is overfull: fewer reps make it fit', () => {
    const timed = session(of(FORMATS.emom.usual, { move: 'burpee', dose: { reps: 15 } }));
    const finding = found(timed, 'minute overfull')!;
    expect(finding.severity).toBe('stop');
    expect(found(mended(timed, finding), 'minute overfull')).toBeUndefined();
  });
  test('a pyramid that misses its top ends where its steps do; groups fit the stations', () => {
    const timed = session(of({ ...FORMATS.pyramid.usual, by: 3 } as Format, 'squat'));
    expect(found(mended(timed, found(timed, 'format')!), 'format')).toBeUndefined();
    const groups = session(of({ ...FORMATS.rotation.usual, groups: 9 } as Format, 'squat', 'plank'));
    expect(found(mended(groups, found(groups, 'format')!), 'format')).toBeUndefined();
  });
  test('a block with no stations', () => {
    expect(found(session(circuit([])), 'no stations')).toMatchObject({ severity: 'stop' });
  });
});

describe('letting a finding stand', () => {
  const dense = {
    ...session(circuit(mixed, { restSeconds: 5, workSeconds: 45 })),
    forWhom: 'older' as const,
  };
  test('keeps it, last, with its reason; another place is not let off with it', () => {
    const before = found(dense, 'work to rest')!;
    const accepted = [{ check: before.check, at: before.at, why: 'they asked for it' }];
    const after = findings({ ...dense, accepted });
    expect(after.find((f) => f.check === 'work to rest')!.accepted).toBe('they asked for it');
    expect(after.at(-1)!.accepted).not.toBeNull();
    const elsewhere = { ...dense, blocks: [{ ...dense.blocks[0]!, id: 'other' }] };
    expect(found({ ...elsewhere, accepted }, 'work to rest')!.accepted).toBeNull();
  });
  test('what no session may go on with can’t be waved through', () => {
    const timed = session(circuit([]));
    const finding = found(timed, 'no stations')!;
    const accepted = [{ check: finding.check, at: finding.at, why: 'never mind' }];
    expect(found({ ...timed, accepted }, 'no stations')!.accepted).toBeNull();
  });
});

test('whatever the session, findings are whole sentences at places that exist, and a fix is a block the schema takes', () => {
  fc.assert(
    fc.property(anySession, (timed) => {
      for (const finding of findings(timed)) {
        expect(finding.says).toMatch(/^[A-Z0-9“].*[.!]$/);
        expect(finding.says).not.toMatch(/undefined|NaN|Infinity/);
        if (finding.block !== null) expect(timed.blocks[finding.block]).toBeDefined();
        if (finding.station !== null)
          expect(timed.blocks[finding.block!]!.stations[finding.station]).toBeDefined();
        if (finding.fix?.kind === 'block')
          expect(timed.blocks[finding.fix.block]!.id).toBe(finding.fix.becomes.id);
      }
    }),
    { numRuns: 120, seed: 20261125 },
  );
});
