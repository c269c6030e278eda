import {
  breaksPromise,
  checkLadder,
  difficultyOf,
  hardnessOn,
  type Ladder,
  leverShows,
  libraryWith,
  risesIn,
  rungDemand,
  unexplained,
  writtenMove,
} from '@inner-rung/core/ladder';
import { helpFindings } from '@inner-rung/core/mechanics';
import {
  DEMAND_KEYS,
  LEVER_IDS,
  middle,
  moveSchema,
  PATTERNS,
  PUSH_UP_SHARE,
  readCurve,
} from '@inner-rung/core/move';
import {
  describeMove,
  draftLadder,
  draftOf,
  type MoveAnswers,
  PULLS,
  proposeAbove,
  proposeBelow,
  proposeBetween,
  proposeSideways,
  pull,
} from '@inner-rung/core/propose';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const forms = library.moves.map((m) => draftOf(library, { move: m.id })!);
const none: string[] = [];

describe('pulling a lever', () => {
  test('every lever that belongs to ladders can be pulled in some way, but for holding', () => {
    const pulled = new Set(PULLS.map((p) => p.lever));
    // Holding instead of moving is the easier pull of “move”; nothing else is missing.
    expect(LEVER_IDS.filter((lever) => !pulled.has(lever))).toEqual(['hold']);
  });

  test.each(PULLS.map((p) => [p.id, p] as const))(
    '%s moves what its lever names, that way, and nothing else by more than the table allows',
    (_id, by) => {
      const fitting = forms.filter((form) => by.fits(form));
      expect(fitting.length).toBeGreaterThan(0);
      for (const form of fitting) {
        const made = pull(form, by);
        const [easy, hard] = by.to === 'easier' ? [made, form] : [form, made];
        expect([form.move.id, leverShows(easy.demand, hard.demand, by.lever)]).toEqual([form.move.id, true]);
        expect([form.move.id, unexplained(easy.demand, hard.demand, [by.lever])]).toEqual([
          form.move.id,
          none,
        ]);
        // And nothing gets harder where it was made easier, but for what two authors would differ in.
        if (by.to !== 'sideways')
          expect([form.move.id, unexplained(hard.demand, easy.demand, [by.lever])]).toEqual([
            form.move.id,
            none,
          ]);
      }
    },
  );

  test('what is made is a whole move: it passes the schema, its figures keep their order, its name is its own', () => {
    for (const form of forms)
      for (const by of PULLS) {
        if (!by.fits(form)) continue;
        const made = pull(form, by);
        const read = moveSchema.safeParse(writtenMove(library, made.move, made.demand));
        expect([form.move.id, by.id, read.success ? '' : read.error.issues[0]!.message]).toEqual([
          form.move.id,
          by.id,
          '',
        ]);
        expect(made.move.name).not.toBe(form.move.name);
        for (const key of DEMAND_KEYS) {
          const { lo, hi } = made.demand[key];
          if (lo === null || hi === null) continue;
          if (lo > hi || lo < 0) throw new Error(`${made.move.name}, ${key}: ${lo}–${hi}`);
        }
        const [slow, usual, fast] = (['metSlow', 'met', 'metFast'] as const).map((k) =>
          middle(made.demand[`effort.${k}`]),
        );
        if (!(slow! <= usual! && usual! <= fast!))
          throw new Error(`${made.move.name}: effort falls with pace`);
      }
  });

  test('figures changed by a lever say so and are estimates; the rest keep where they came from', () => {
    const form = draftOf(library, { move: 'push-up' })!;
    const made = pull(form, PULLS.find((p) => p.id === 'hands-raised')!);
    expect(made.demand['strength.push']).toMatchObject({
      from: 'estimate',
      source: expect.stringMatching(/Push-up/),
    });
    expect(made.demand['neck.load']).toBe(form.demand['neck.load']);
    // 43 cm under the hands, Ebben et al. 2011.
    expect(middle(made.demand['strength.push'])).toBeCloseTo(readCurve(PUSH_UP_SHARE, 43).y, 0);
  });

  test('what isn’t known stays not known', () => {
    const form = draftOf(library, { move: 'push-up' })!;
    const unknown = {
      ...form,
      demand: { ...form.demand, 'strength.front': { lo: null, hi: null, from: 'estimate' as const } },
    };
    const made = pull(unknown, PULLS.find((p) => p.id === 'feet-raised')!);
    expect(made.demand['strength.front'].hi).toBeNull();
  });
});

const gaps = library.ladders.flatMap((ladder) =>
  ladder.rungs.slice(1).map((_, i) => ({ ladder, above: i + 1 })),
);

describe('proposals', () => {
  const between = (ladder: Ladder, above: number) => {
    const [a, b] = [above - 1, above].map((i) => rungDemand(library, ladder.rungs[i]!)!) as [any, any];
    const [from, to] = [hardnessOn(ladder.measures, a), hardnessOn(ladder.measures, b)];
    for (const p of proposeBetween(library, ladder, above)) {
      const where = `${p.move.name} between ${ladder.rungs[above - 1]!.move} and ${ladder.rungs[above]!.move}`;
      if (!(p.hardness > from && p.hardness < to)) throw new Error(`${where} doesn’t lie between`);
      const worse = Object.fromEntries(
        DEMAND_KEYS.map((key) => [key, middle(a[key]) > middle(b[key]) ? a[key] : b[key]]),
      ) as any;
      if (risesIn(worse, p.demand).length > 0)
        throw new Error(`${where} asks for more ${risesIn(worse, p.demand)[0]} than either`);
      if (p.move.cues.length < 2 || !p.reason || (!p.known && p.levers.length === 0))
        throw new Error(`${where} isn’t complete`);
    }
  };
  test('between any two rungs of the library they lie between them', () => {
    for (const { ladder, above } of gaps) between(ladder, above);
  });
  test('between any two moves at all, made into neighbours, they lie between them', () => {
    const trained = library.moves.filter((m) => !m.serves);
    fc.assert(
      fc.property(
        fc.constantFrom(...library.ladders),
        fc.constantFrom(...trained),
        fc.constantFrom(...trained),
        (ladder, one, two) => {
          const rungs = [one, two]
            .map((m) => ({ move: m.id, levers: [] as never[] }))
            .sort(
              (x, y) =>
                hardnessOn(ladder.measures, rungDemand(library, x)!) -
                hardnessOn(ladder.measures, rungDemand(library, y)!),
            );
          between({ ...ladder, rungs }, 1);
        },
      ),
      { numRuns: 400, seed: 20261125 },
    );
  });
  test('in nine of ten gaps wider than a rung there is something to propose', () => {
    const wide = gaps.filter(({ ladder, above }) => {
      const [a, b] = [above - 1, above].map((i) =>
        hardnessOn(ladder.measures, rungDemand(library, ladder.rungs[i]!)!),
      ) as [number, number];
      return b - a > 14;
    });
    const filled = wide.filter(({ ladder, above }) => proposeBetween(library, ladder, above).length > 0);
    expect(wide.length).toBeGreaterThan(40);
    expect(filled.length / wide.length).toBeGreaterThan(0.9);
  });
  test('above the top they are harder, below the bottom easier, and no wall away', () => {
    for (const ladder of library.ladders) {
      const top = hardnessOn(ladder.measures, rungDemand(library, ladder.rungs.at(-1)!)!);
      const bottom = hardnessOn(ladder.measures, rungDemand(library, ladder.rungs[0]!)!);
      for (const p of proposeAbove(library, ladder))
        if (!(p.hardness > top && p.hardness < top + 31))
          throw new Error(`${p.move.name} above ${ladder.id}`);
      for (const p of proposeBelow(library, ladder)) {
        if (!(p.hardness < bottom)) throw new Error(`${p.move.name} below ${ladder.id}`);
        const rises = risesIn(rungDemand(library, ladder.rungs[0]!)!, p.demand);
        if (rises.length > 0) throw new Error(`${p.move.name} below ${ladder.id} asks for more ${rises[0]}`);
      }
    }
  });
  test('sideways is as hard within a step', () => {
    const push = library.ladder('push')!;
    const found = proposeSideways(library, push, 4);
    expect(found.map((p) => p.levers)).toContainEqual(['joint']);
    for (const p of found)
      expect(
        Math.abs(p.hardness - hardnessOn(push.measures, rungDemand(library, push.rungs[4]!)!)),
      ).toBeLessThan(13);
  });
  test('the same question gives the same answer', () => {
    const ladder = library.ladder('squat')!;
    expect(proposeBetween(library, ladder, 3)).toEqual(proposeBetween(library, ladder, 3));
  });
  test('a height found in the room is offered before a new exercise (common practice)', () => {
    const push = library.ladder('push')!;
    const [best] = proposeBetween(library, push, 2);
    expect(best!.move.id).toBe('raised-push-up');
    expect(best!.settings!.surfaceCm).toBeGreaterThan(43);
    expect(best!.settings!.surfaceCm).toBeLessThan(75);
  });
});

describe('a ladder from one move', () => {
  const sample = library.moves.filter((m, i) => !m.serves && i % 5 === 0);
  test.each(sample.map((m) => [m.name, m.id] as const))('%s', (_name, id) => {
    const draft = draftLadder(library, draftOf(library, { move: id })!);
    const all = libraryWith(library, draft.moves, draft.ladders);
    const [trunk, ...branches] = draft.ladders;
    const at = trunk!.rungs.findIndex((rung) => rung.move === id && !rung.settings);
    expect(at).toBeGreaterThanOrEqual(0);
    expect(at).toBeLessThanOrEqual(3);
    expect(trunk!.rungs.length - 1 - at).toBeLessThanOrEqual(2);
    for (const ladder of draft.ladders) {
      const wrong = checkLadder(all, ladder).filter((f) => f.severity === 'wrong');
      expect(wrong.map((f) => f.says)).toEqual(none);
      expect(ladder.rungs.slice(1).every((rung) => rung.levers.length > 0)).toBe(true);
    }
    for (const branch of branches)
      for (const rung of branch.rungs)
        expect([rung.move, breaksPromise(branch.avoids!, rungDemand(all, rung)!)]).toEqual([
          rung.move,
          false,
        ]);
  });
  test('most moves get three rungs down and two up where there is room', () => {
    const trunks = sample.map((m) => {
      const [trunk] = draftLadder(library, draftOf(library, { move: m.id })!).ladders;
      return { points: difficultyOf(library.demand.get(m.id)!).points, rungs: trunk!.rungs.length };
    });
    const middling = trunks.filter((t) => t.points > 35 && t.points < 85);
    expect(middling.filter((t) => t.rungs >= 5).length / middling.length).toBeGreaterThan(0.75);
  });
});

describe('a move described in a few answers', () => {
  const answers: MoveAnswers = {
    name: 'Plough squat',
    pattern: 'squat',
    base: 'standing',
    like: 'squat',
    counted: 'slowly',
    feet: 'stay',
    holds: 'nothing',
    arms: 'low',
    knees: 'half',
    back: 'long',
    sides: 'both',
  };
  const described = (patch: Partial<MoveAnswers> = {}) => describeMove(library, { ...answers, ...patch });

  test('is as hard as what it is like, and every figure is an estimate that says so', () => {
    const { demand } = described();
    expect(middle(demand['strength.legs'])).toBe(middle(library.demand.get('squat')!['strength.legs']));
    for (const key of DEMAND_KEYS)
      expect(demand[key]).toMatchObject({ from: 'estimate', source: 'described as like Squat' });
  });
  test('says nothing of what it is like but how hard it is: what its neighbour is told may be wrong of it', () => {
    const like = library.move('held-load-squat')!;
    const { move } = described({ name: 'Leg press', base: 'seated', like: like.id });
    for (const cue of move.cues) expect(like.cues).not.toContain(cue);
    expect(move.faults).not.toEqual(like.faults);
    expect(move.stopIf).toEqual([]);
    // Every pattern has words of its own, and they pass for a move's.
    for (const pattern of PATTERNS) {
      const made = described({ pattern });
      expect(moveSchema.safeParse(writtenMove(library, made.move, made.demand)).success).toBe(true);
    }
  });
  test('is made easier by what it has: nothing held comes lighter', () => {
    for (const pattern of PATTERNS)
      for (const holds of ['nothing', 'light'] as const) {
        const { move, demand } = described({ pattern, holds });
        expect([pattern, holds, helpFindings(move, demand)]).toEqual([pattern, holds, []]);
      }
  });
  test('has no rung that loosens beside what loads, hops under a load, or sits down from a bar', () => {
    const rungsOf = (patch: Partial<MoveAnswers>) => {
      const { ladders, moves } = draftLadder(library, described(patch));
      return ladders[0]!.rungs.map(
        ({ move }) => moves.find((made) => made.move.id === move)?.move ?? library.move(move)!,
      );
    };
    const loosens = rungsOf({
      name: 'Arm pendulum',
      pattern: 'mobility',
      like: 'hinge-arm-swing',
      counted: 'to a beat',
    });
    expect(loosens.every(({ pattern }) => pattern === 'mobility' || pattern === 'stretch')).toBe(true);
    const carried = rungsOf({
      name: 'Bear hug carry',
      pattern: 'locomotion',
      like: 'two-hand-carry',
      counted: 'to a beat',
      holds: 'heavy',
    });
    expect(carried.map(({ name }) => name).join()).not.toMatch(/hop/);
    const hung = rungsOf({ name: 'Rope climb', pattern: 'pull overhead', base: 'hanging', like: 'pull-up' });
    expect(hung.map(({ name }) => name).join()).not.toMatch(/seated/i);
  });
  test('takes the higher figure where nobody was asked', () => {
    const ankle = described().demand['ankle.load'].hi!;
    expect(ankle).toBe(
      Math.max(
        library.demand.get('squat')!['ankle.load'].hi!,
        library.bases.get('standing')!.demand['ankle.load']!.hi!,
      ),
    );
  });
  test.each<[string, Partial<MoveAnswers>, (d: ReturnType<typeof described>['demand']) => boolean]>([
    [
      'jumps are class 3 and land',
      { feet: 'jumps' },
      (d) => d['impact.class'].hi === 3 && d['impact.highLandings'].hi === 1,
    ],
    [
      'low hops are class 2',
      { feet: 'low hops' },
      (d) => d['impact.class'].hi === 2 && d['impact.landings'].hi! > 0,
    ],
    [
      'overhead and heavy is load overhead',
      { arms: 'overhead', holds: 'heavy' },
      (d) => d['shoulder.overheadLoad'].hi === 3 && d['shoulder.raisedDeg'].hi === 170,
    ],
    ['a deep bend is one', { knees: 'deep' }, (d) => d['knee.bendDeg'].hi === 110],
    [
      'bends and turns',
      { back: 'bends and turns' },
      (d) => d['spine.bend'].hi === 3 && d['spine.turn'].hi === 2,
    ],
  ])('%s', (_name, patch, holds) => expect(holds(described(patch).demand)).toBe(true));
  test('is a move that the schema takes, and a ladder can be drafted from it', () => {
    for (const base of library.bases.keys())
      for (const counted of ['held', 'slowly', 'to a beat'] as const) {
        const made = described({ base, counted, holds: 'light' });
        const read = moveSchema.safeParse(writtenMove(library, made.move, made.demand));
        expect([base, counted, read.success ? '' : JSON.stringify(read.error.issues[0])]).toEqual([
          base,
          counted,
          '',
        ]);
      }
    expect(draftLadder(library, described()).ladders[0]!.rungs.length).toBeGreaterThanOrEqual(4);
  });
});
