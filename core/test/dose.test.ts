import { type Format, goTakes, passTakes, roundsIn, span, stepsOf } from '@inner-rung/core/clock';
import { createScaler, inBouts, type OwnDose, ownDose } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject, type Subject } from '@inner-rung/core/limits';
import { type Limit, limitSchema } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Block, type Dials } from '@inner-rung/core/session';

import { ownWords, sayReason } from '@inner-rung/core/words';
import fc from 'fast-check';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const scaler = createScaler(compileLibrary(library), EVERYWHERE);

const AMRAP: Format = { kind: 'amrap', capSeconds: 600, led: false };
const EMOM: Format = {
  kind: 'emom',
  minutes: 4,
  order: 'station by station',
  stationRestSeconds: 20,
  leastFillSeconds: 20,
};
const pyramid = (to: number): Format => ({
  kind: 'pyramid',
  from: 2,
  by: 2,
  to,
  way: 'up',
  holdSeconds: 0,
  stepRestSeconds: 0,
});
const nothing = () => null;
const two = { rep: 3, oneSided: false };
const usual = {
  dose: { reps: 10 },
  part: 0,
  seconds: 40,
  written: two,
  own: two,
  same: false,
  clean: null,
} as const;
const own = (more: Partial<Parameters<typeof ownDose>[0]> & { format: Format }, below = nothing) =>
  ownDose({ ...usual, ...more } as Parameters<typeof ownDose>[0], below as () => null);

describe('a count by the format (common practice)', () => {
  test('a slower form in an AMRAP has fewer reps, a quicker one more, the trainer’s own as many', () => {
    expect(own({ format: AMRAP, own: { rep: 5, oneSided: false } })?.reps).toBe(6);
    expect(own({ format: AMRAP, own: { rep: 1.5, oneSided: false } })?.reps).toBe(20);
    expect(own({ format: AMRAP })).toBeNull();
    expect(own({ format: AMRAP, same: true })).toBeNull();
  });
  test('led in unison everybody counts together', () => {
    expect(own({ format: { ...AMRAP, led: true }, own: { rep: 5, oneSided: false } })).toBeNull();
  });
  test('however quick a form is, it is done twice as often as what was written at the most, and says so', () => {
    const hops = own({ format: AMRAP, dose: { reps: 12 }, own: { rep: 0.5, oneSided: false } });
    expect([hops?.reps, hops?.keeps, hops?.share]).toEqual([24, 'twice', 2]);
    fc.assert(
      fc.property(
        fc.constantFrom(AMRAP, EMOM),
        fc.integer({ min: 1, max: 60 }),
        fc.double({ min: 0.4, max: 8, noNaN: true }),
        fc.double({ min: 0.4, max: 8, noNaN: true }),
        fc.boolean(),
        fc.boolean(),
        (format, reps, was, is, writtenSided, ownSided) => {
          const dosed = own({
            format,
            dose: { reps },
            written: { rep: was, oneSided: writtenSided },
            own: { rep: is, oneSided: ownSided },
          });
          // One of each side is the least there is.
          if (dosed && dosed.reps !== 1) expect(dosed.share).toBeLessThanOrEqual(2 + 1e-9);
        },
      ),
      { numRuns: 2000, examples: [[AMRAP, 17, 0.7647058823529411, 0.4, false, false]] },
    );
  });
  test('in an EMOM it is never more work than the minute had: as much is left to fill it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.boolean(),
        (reps, was, is, oneSided) => {
          const dosed = own({
            format: EMOM,
            dose: { reps },
            written: { rep: was, oneSided: false },
            own: { rep: is, oneSided },
          });
          if (dosed?.keeps !== 'minute' || dosed.reps === 1) return;
          expect(dosed.reps! * (dosed.each ? 2 : 1) * is).toBeLessThanOrEqual(reps * was + 1e-6);
        },
      ),
      { numRuns: 1000, seed: 1 },
    );
  });
  test('four reps at 4-2-1-0 are 28 s whoever does them: a tempo is kept', () => {
    expect(
      own({ format: EMOM, dose: { reps: 4, tempo: '4-2-1-0' }, own: { rep: 2, oneSided: false } }),
    ).toBeNull();
  });
  test('from two-sided to one-sided the count in all is kept, and said', () => {
    const dosed = own({ format: AMRAP, own: { rep: 3, oneSided: true } })!;
    expect(dosed).toMatchObject({ reps: 5, each: true, keeps: 'count', share: 1 });
    expect(ownWords(library, dosed, 20)).toBe('5 reps each side');
    const back = own({ format: AMRAP, written: { rep: 3, oneSided: true }, own: two })!;
    expect(back).toMatchObject({ reps: 20, each: false, share: 1 });
  });
  test('a pyramid of a form half as quick stops at the step whose sum is at most half: 2 to 12 is 42, to 8 is 20', () => {
    expect(own({ format: pyramid(12), own: { rep: 6, oneSided: false } })).toMatchObject({ top: 8 });
    expect(stepsOf(2, 2, 8, 'up').reduce((a, b) => a + b)).toBe(20);
    expect(own({ format: pyramid(12) })).toBeNull();
  });
  test('a descent from five begins lower: 5-4-3-2-1 is 15, 4-3-2-1 is 10', () => {
    const format: Format = { kind: 'descending', from: 5, by: 1, to: 1, rounds: 1 };
    expect(own({ format, own: { rep: 4.4, oneSided: false } })).toMatchObject({ top: 4, share: 10 / 15 });
  });
  test('a count in a slot holds while it fits, and is cut to what fits', () => {
    const format = circuit(['squat']).format;
    expect(own({ format, own: { rep: 4, oneSided: false } })).toBeNull();
    expect(own({ format, own: { rep: 6, oneSided: false } })).toMatchObject({ reps: 6, keeps: 'slot' });
  });
});

describe('never more than has been clean', () => {
  const lower = () => ({ move: 'knee-push-up', settings: {} });
  test('up to twice as many are broken in two', () => {
    expect(own({ format: AMRAP, same: true, clean: 6 })).toMatchObject({ reps: 10, split: [5, 5] });
  });
  test('more than that end on the form below', () => {
    const dosed = ownDose({ ...usual, format: AMRAP, same: true, clean: 4 }, lower)!;
    expect(dosed.ending).toEqual({ after: 4, move: 'knee-push-up', settings: {} });
  });
  test('with nothing below they stop at what was clean', () => {
    expect(own({ format: AMRAP, same: true, clean: 4 })).toMatchObject({ reps: 4, keeps: 'clean' });
  });
  test('and in a slot by the clock: eight, then the form below', () => {
    const format = circuit(['push-up']).format;
    const dosed = ownDose({ ...usual, dose: undefined, format, same: true, clean: 8 }, lower)!;
    expect(dosed).toMatchObject({ reps: null, ending: { after: 8 } });
    expect(ownDose({ ...usual, dose: undefined, format, same: true, clean: 13 }, lower)).toBeNull();
  });
});

describe('in the running engine', () => {
  const amrap = (...moves: string[]): Block => ({ ...circuit(moves), format: AMRAP });
  const scale = (block: Block, subject: Subject, dials: Partial<Dials> = {}) =>
    scaler.scale({ session: session(block), writtenFor: 2, dials: { ...AS_WRITTEN, ...dials }, subject });

  test('lanes make similar rounds of an AMRAP: within a rep of the same time at every station', () => {
    const block = amrap('burpee', 'push-up', 'squat', 'jumping-jack');
    for (const level of [0, 1, 2, 3] as const) {
      const { uses, original } = scale(block, laneSubject(level), { ability: level });
      uses.forEach((use, i) => {
        const was = original[i]!;
        if (!use?.pace) return;
        const sides = (id: string) => (library.move(id)!.sides === 'one' ? 2 : 1);
        const reps = use.own?.reps ?? 10;
        const per = use.own ? (use.own.each ? 2 : 1) : sides(use.move);
        const takes = (reps * per * 60) / use.pace;
        const written = (10 * sides(was.move) * 60) / was.pace!;
        // A rep either way, or a tenth of what was written, whichever is more.
        expect(Math.abs(takes - written)).toBeLessThanOrEqual(
          Math.max(written * 0.1, ((per * 60) / use.pace) * 2) + 1e-6,
        );
      });
    }
  });
  test('landings over the session go by somebody’s own count', () => {
    const block = amrap('burpee', 'squat');
    const { uses } = scale(block, laneSubject(3), { ability: 3 });
    const index = compileLibrary(library);
    const more = uses.map((use) => use && { ...use, own: { ...(use.own as OwnDose), share: 2 } });
    expect(sumUp(index, session(block), more).lightLandings).toBeGreaterThan(
      sumUp(index, session(block), uses).lightLandings,
    );
  });
  test('a person whose push-ups were clean eight times gets eight, then an easier one, and is told so', () => {
    const subject: Subject = {
      ...laneSubject(3),
      clean: [{ move: 'push-up', surfaceCm: null, reps: 8 }],
    };
    const block = circuit(['push-up']);
    const version = scale(block, subject, { ability: 'own rungs' });
    const push = version.uses[0]!;
    expect(push.move).toBe('push-up');
    expect(push.own?.ending?.after).toBe(8);
    const asks = (move: string) => library.demand.get(move)!['strength.push'].hi!;
    expect(asks(push.own!.ending!.move)).toBeLessThanOrEqual(asks('push-up'));
    expect(sayReason(library, version.original[0]!, version.reasons[0]!)).toMatch(/8 or so, then /);
    // As written, the count is the trainer's business.
    expect(scale(block, subject).reasons).toEqual([]);
  });
  test('the form below is itself open to them', () => {
    const wrists: Limit = limitSchema.parse({
      kind: 'cap',
      id: 'knees',
      on: 'knee.kneel',
      max: 0,
      source: 'trainer',
      reason: 'no kneeling',
    });
    const subject: Subject = {
      ...laneSubject(3),
      limits: [wrists],
      clean: [{ move: 'push-up', surfaceCm: null, reps: 8 }],
    };
    const use = scale(circuit(['push-up']), subject, { ability: 'own rungs' }).uses[0]!;
    const then = use.own?.ending;
    expect(then).toBeTruthy();
    expect(
      scaler.bars([{ move: then!.move, settings: then!.settings }], {
        subject,
        dials: { ...AS_WRITTEN, ability: 'own rungs' },
      })[0],
    ).toEqual([]);
  });
  test('jumps held back by landings a minute keep their rhythm in bouts', () => {
    const few: Limit = limitSchema.parse({
      kind: 'budget',
      id: 'few',
      on: 'impact.landings',
      per: 'minute',
      max: 75,
      source: 'trainer',
      reason: 'few landings',
    });
    const use = scale(circuit(['jumping-jack']), { ...laneSubject(3), limits: [few] }).uses[0]!;
    expect(use.move).toBe('jumping-jack');
    expect(use.own?.bouts).toBeTruthy();
    expect(use.pace).toBe(library.move('jumping-jack')!.pace![1]);
    expect(use.lightPerMinute).toBeLessThanOrEqual(75);
  });
});

test('no minute of bouts has more landings than the bound, wherever it begins', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 15, max: 120 }),
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 10, max: 40 }),
      fc.integer({ min: 40, max: 120 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 10, max: 200 }),
      (slot, rest, pace, quick, perRep, most) => {
        const found = inBouts(slot, pace, quick, perRep, most);
        if (!found) return;
        // Second by second: three slots with their rests, every bout in the middle of its share of the slot.
        const lands = new Array<number>((slot + rest) * 6).fill(0);
        const each = slot / found.times;
        for (let s = 0; s < 6; s++)
          for (let k = 0; k < found.times; k++) {
            const start = Math.round(s * (slot + rest) + k * each + (each - found.seconds) / 2);
            for (let t = 0; t < found.seconds; t++) {
              const at = start + t;
              if (at < lands.length) lands[at]! += (quick * perRep) / 60;
            }
          }
        for (let from = 0; from + 60 <= lands.length; from++) {
          let sum = 0;
          for (let t = from; t < from + 60; t++) sum += lands[t]!;
          if (sum > most + 1e-6) throw new Error(`${sum} landings from second ${from}, ${most} allowed`);
        }
      },
    ),
    { numRuns: 3000, seed: 20261125 },
  );
});

test('rounds reached are alike when a round takes as long (clock arithmetic)', () => {
  const at = (rep: number, reps: number) => ({
    station: 0,
    sides: 'swap at half' as const,
    starts: 0 as const,
    ends: 0 as const,
    sets: null,
    parts: () => [
      {
        entry: 0,
        repSeconds: span(rep),
        per: 1 as const,
        count: reps,
        takes: span(rep * reps),
        bouts: null,
        fixed: false,
      },
    ],
  });
  const around = { change: () => span(0), fatigue: 0.03 };
  const written = at(3, 10);
  const slow = at(5, own({ format: AMRAP, own: { rep: 5, oneSided: false } })!.reps!);
  expect(goTakes(written.parts()).mid).toBe(goTakes(slow.parts()).mid);
  expect(roundsIn(600, passTakes([slow], around).mid, 0.03)).toBeCloseTo(
    roundsIn(600, passTakes([written], around).mid, 0.03),
  );
});
