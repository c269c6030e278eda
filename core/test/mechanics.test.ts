import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { FIGURES } from '@inner-rung/core/figure';
import {
  ABOVE_LOW_BACK,
  BELOW_LOW_BACK,
  type Body,
  bodyFaults,
  GRAVITY,
  helpFindings,
  LET_STAND,
  landing,
  loadFindings,
  lowBackAt,
  lowBackOf,
  MOMENT_JOINTS,
  metOfRaising,
  momentsOf,
  mostOf,
  nonNegativeLeastSquares,
  onHands,
  placedOf,
  problemAt,
  type Rep,
  repOf,
  SIBLINGS_LET_STAND,
  saidFindings,
  siblingFindings,
  solved,
  turnAbout,
  USUAL_BODY,
} from '@inner-rung/core/mechanics';
import { type DemandKey, demandOf } from '@inner-rung/core/move';
import {
  both,
  type DrawnFigure,
  type KeyPose,
  mirrored,
  poseAt,
  solve,
  standing,
  to,
} from '@inner-rung/core/pose';
import fc from 'fast-check';
import loadHighs from 'highs';
import { shippedFiles, shippedLibrary } from './shipped.ts';

const highs = await loadHighs();
const library = shippedLibrary();
const usual = (id: string): number => (library.move(id)?.surface?.usualCm ?? 0) / 100;
const drawn = (id: string, cm?: number): DrawnFigure => FIGURES[id]!(cm === undefined ? usual(id) : cm / 100);
const rep = (id: string, cm?: number, body?: Body): Rep => {
  const made = repOf(drawn(id, cm), { steps: 12, ...(body ? { body } : {}) });
  if (typeof made === 'string') throw new Error(`${id}: ${made}`);
  return made;
};
const reckoned = library.moves.filter((move) => FIGURES[move.id] && !drawn(move.id).above);
const aMove = fc.constantFrom(...reckoned.map((move) => move.id));
const aBody = fc.record({
  massKg: fc.integer({ min: 25, max: 180 }),
  heightM: fc.integer({ min: 100, max: 210 }).map((cm) => cm / 100),
});
const aMoment = fc.integer({ min: 0, max: 24 }).map((i) => i / 24);
const at = (id: string, t: number, body: Body = USUAL_BODY) => {
  const figure = drawn(id);
  const s = solve(poseAt(figure, t), figure.view);
  return { figure, s, standing: placedOf(figure, s, body) };
};

describe('what bears a pose', () => {
  test('forces and moments sum to nothing, or what is left over is said', () => {
    fc.assert(
      fc.property(aMove, aMoment, aBody, (id, t, body) => {
        const { standing } = at(id, t, body);
        const weight = standing.masses.reduce((sum, { kg }) => sum + kg, 0) * GRAVITY;
        const x = standing.reactions.reduce((sum, { force }) => sum + force[0], 0);
        const y = standing.reactions.reduce((sum, { force }) => sum + force[1], 0) - weight;
        const turn = standing.reactions.reduce(
          (sum, one) => sum + turnAbout(standing.centre, one.at, one.force),
          0,
        );
        expect(Math.hypot(x, y) / weight).toBeCloseTo(standing.unborne, 6);
        expect(Math.abs(turn) / (weight * body.heightM)).toBeCloseTo(standing.tips, 6);
      }),
      { numRuns: 300 },
    );
  });
  test('nothing is pulled down by a floor, nor slides on it', () => {
    fc.assert(
      fc.property(aMove, aMoment, (id, t) => {
        for (const { kind, force } of at(id, t).standing.reactions) {
          if (kind === 'grip') continue;
          const [along, across] = kind === 'ground' ? [force[1], force[0]] : [Math.abs(force[0]), force[1]];
          expect(along).toBeGreaterThanOrEqual(0);
          expect(Math.abs(across)).toBeLessThanOrEqual(0.6 * along + 1e-6);
        }
      }),
      { numRuns: 300 },
    );
  });
  test('every move that stays on the ground can bear itself where its rep turns round', () => {
    // Who takes off or lands is moved on by speed.
    const grounded = reckoned.filter(({ id }) => library.demand.get(id)!['impact.class'].hi! < 2);
    const short = grounded.flatMap(({ id }) => {
      const figure = drawn(id);
      const found = figure.poses.map((pose) => placedOf(figure, solve(pose, figure.view), USUAL_BODY));
      const still = found.filter(({ reactions }) => reactions.length > 0);
      return still.every(({ unborne, tips }) => unborne < 0.05 && tips < 0.05) ? [] : [id];
    });
    expect(short).toEqual([]);
  });
  test('of all forces that would bear it those that ask least, as another solver finds them', () => {
    let compared = 0;
    fc.assert(
      fc.property(aMove, aMoment, (id, t) => {
        const { figure, s, standing } = at(id, t);
        if (standing.unborne > 1e-3 || standing.tips > 1e-3 || standing.reactions.length === 0) return;
        const problem = problemAt(figure, s, USUAL_BODY);
        if (problem.ways.length > 16) return;
        const cost = (x: readonly number[]) =>
          problem.soft.reduce(
            (sum, { row, right }) => sum + (row.reduce((dot, a, i) => dot + a * x[i]!, 0) - right) ** 2,
            0,
          );
        const n = problem.ways.length;
        const num = (v: number) => `${v < 0 ? '-' : '+'} ${Math.abs(v).toFixed(9)}`;
        const linear = Array.from({ length: n }, (_, i) =>
          problem.soft.reduce((sum, { row, right }) => sum - 2 * row[i]! * right, 0),
        );
        const square: string[] = [];
        for (let i = 0; i < n; i++)
          for (let j = i; j < n; j++) {
            const g = problem.soft.reduce((sum, { row }) => sum + row[i]! * row[j]!, 0) * (i === j ? 2 : 4);
            if (Math.abs(g) > 1e-12) square.push(`${num(g)} x${i}${i === j ? '^2' : ` * x${j}`}`);
          }
        const model = [
          'Minimize',
          `obj: ${linear.map((c, i) => `${num(c)} x${i}`).join(' ')} + [ ${square.join(' ')} ] / 2`,
          'Subject To',
          ...problem.firm.map(
            ({ row, right }, k) =>
              `f${k}: ${row.map((a, i) => `${num(a)} x${i}`).join(' ')} = ${right.toFixed(9)}`,
          ),
          'End',
        ].join('\n');
        // Of a problem with many answers alike it may go round for ever: then there is nothing to compare.
        const answer = highs.solve(model, { time_limit: 2 }) as unknown as {
          Status: string;
          Columns: Record<string, { Primal: number }>;
        };
        if (answer.Status !== 'Optimal') return;
        const theirs = Array.from({ length: n }, (_, i) => answer.Columns[`x${i}`]?.Primal ?? 0);
        expect(cost(solved(problem))).toBeLessThanOrEqual(cost(theirs) * 1.001 + 1e-5);
        compared++;
      }),
      { numRuns: 80 },
    );
    expect(compared).toBeGreaterThan(40);
  });
});

describe('moments', () => {
  test('the low back’s from above is what there is from below, on fifty random poses', () => {
    fc.assert(
      fc.property(aMove, aMoment, aBody, (id, t, body) => {
        const { s, standing } = at(id, t, body);
        fc.pre(standing.unborne < 1e-3 && standing.tips < 1e-3);
        const k = body.heightM / USUAL_BODY.heightM;
        const [x, y] = lowBackAt(s);
        const about = [x * k, y * k] as const;
        const below =
          standing.masses
            .filter(({ part }) => !ABOVE_LOW_BACK.includes(part))
            .reduce((sum, one) => sum + turnAbout(about, one.at, [0, -one.kg * GRAVITY]), 0) +
          standing.reactions
            .filter(({ part }) => BELOW_LOW_BACK.includes(part))
            .reduce((sum, one) => sum + turnAbout(about, one.at, one.force), 0);
        const size = body.massKg * GRAVITY * body.heightM;
        expect((lowBackOf(s, standing, body).moment - below) / size).toBeCloseTo(0, 2);
      }),
      { numRuns: 50 },
    );
  });
  test('a heavier body’s grow with its mass, a taller one’s with its height', () => {
    for (const id of ['squat', 'push-up', 'bridge', 'loaded-hinge', 'side-plank']) {
      const one = rep(id);
      const heavy = rep(id, undefined, { ...USUAL_BODY, massKg: USUAL_BODY.massKg * 1.4 });
      const tall = rep(id, undefined, { ...USUAL_BODY, heightM: USUAL_BODY.heightM * 1.2 });
      for (const joint of MOMENT_JOINTS) {
        const most = (of: Rep) => mostOf(of, ({ moments }) => Math.max(...moments[joint].map(Math.abs)));
        expect(most(heavy)).toBeCloseTo(most(one) * 1.4, 3);
        // Moments count for a little more beside the forces themselves.
        expect(most(tall) / (most(one) * 1.2)).toBeCloseTo(1, 1);
      }
    }
  });
  test('a mirrored pose’s are the mirror image', () => {
    for (const id of ['side-lunge', 'curtsy-lunge', 'side-bend-load', 'windmill', 'jumping-jack']) {
      const figure = drawn(id);
      for (const pose of figure.poses) {
        const one = solve(pose, 'front');
        const other = solve(mirrored(pose, 'front'), 'front');
        const [a, b] = [one, other].map((s) => momentsOf(s, placedOf(figure, s, USUAL_BODY), USUAL_BODY));
        for (const joint of MOMENT_JOINTS)
          for (const side of [0, 1] as const)
            expect(Math.abs(b![joint][side]) / USUAL_BODY.massKg).toBeCloseTo(
              Math.abs(a![joint][1 - side]!) / USUAL_BODY.massKg,
              1,
            );
      }
    }
  });
  test('what is raised over a rep is at least what the centre of mass rises', () => {
    for (const { id } of reckoned.slice(0, 120)) {
      const made = rep(id);
      const heights = made.frames.map(({ standing }) => standing.centre[1]);
      let risen = 0;
      for (let i = 1; i < heights.length; i++) risen += Math.max(0, heights[i]! - heights[i - 1]!);
      expect([id, made.raised >= risen - 1e-9]).toEqual([id, true]);
    }
  });
  test('a weight in the hands loads wrist, elbow, shoulder and back wherever it is held', () => {
    for (const id of ['standing-curl', 'front-raise', 'bent-row', 'held-load-squat', 'loaded-hinge']) {
      const figure = drawn(id);
      const [without, held] = [repOf(figure), repOf(figure, { held: [6, 6] })] as [Rep, Rep];
      for (const joint of ['wrist', 'shoulder'] as const)
        expect([
          id,
          joint,
          mostOf(held, ({ moments }) => Math.abs(moments[joint][0])) >
            mostOf(without, ({ moments }) => Math.abs(moments[joint][0])),
        ]).toEqual([id, joint, true]);
      expect(mostOf(held, ({ lowBack }) => lowBack.compression)).toBeGreaterThan(
        mostOf(without, ({ lowBack }) => lowBack.compression),
      );
    }
  });
});

describe('least squares without anything below nought', () => {
  test('no way along any unknown, or off it, comes nearer', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 4, maxLength: 4 }), {
          minLength: 4,
          maxLength: 9,
        }),
        fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 9, maxLength: 9 }),
        (matrix, values) => {
          const right = values.slice(0, matrix.length);
          const x = nonNegativeLeastSquares(matrix, right);
          const slope = (i: number) =>
            matrix.reduce(
              (sum, row, k) => sum + row[i]! * (row.reduce((dot, a, j) => dot + a * x[j]!, 0) - right[k]!),
              0,
            );
          // At its best: nothing to gain by more of what is nought, nor by any change of what isn't.
          x.forEach((value, i) => {
            expect(value).toBeGreaterThanOrEqual(0);
            expect(slope(i)).toBeGreaterThan(-1e-4);
            if (value > 1e-6) expect(Math.abs(slope(i))).toBeLessThan(1e-3);
          });
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('figures beside the drawing', () => {
  test('no move’s load is less than its drawing shows, at its lowest, usual and highest, but where it stands with a reason', () => {
    const open = library.moves.flatMap((move) => {
      const { surface } = move;
      const heights = surface ? [surface.minCm, surface.usualCm, surface.maxCm] : [0];
      return heights.flatMap((cm) => {
        const demand = demandOf(move, library.demand.get(move.id)!, surface ? { surfaceCm: cm } : {});
        return loadFindings(move, demand, FIGURES[move.id]!(cm / 100)).map(({ key, says }) => [
          `${move.id} ${key}`,
          `${cm} cm: ${says}`,
        ]);
      });
    });
    expect(open.filter(([what]) => !LET_STAND[what!])).toEqual([]);
    // What stands is still found: a reason without its finding is taken away.
    expect([...new Set(open.map(([what]) => what!))].sort()).toEqual(Object.keys(LET_STAND).sort());
  });
  test('a move whose load is left at nothing is found, with what says otherwise', () => {
    const move = library.move('plank')!;
    const least = {
      ...library.demand.get('standing-curl')!,
      'wrist.load': { lo: 1, hi: 1, from: 'estimate' as const },
    };
    const found = loadFindings(
      move,
      { ...library.demand.get('plank')!, 'wrist.load': least['wrist.load'] },
      drawn('plank'),
    );
    expect(found).toEqual([
      expect.objectContaining({
        key: 'wrist.load',
        least: 66,
        says: expect.stringMatching(/66 % of the weight on the hands; the library has 1/),
      }),
    ]);
    const curl = library.move('standing-curl')!;
    const bare = {
      ...library.demand.get('standing-curl')!,
      'strength.grip': { lo: 0, hi: 0, from: 'estimate' as const },
    };
    expect(loadFindings(curl, bare, drawn('standing-curl')).map(({ key }) => key)).toEqual(['strength.grip']);
  });
});

describe('a move beside the one that it is like', () => {
  const at = (id: string) => ({ move: library.move(id)!, demand: library.demand.get(id)! });
  const pairs = shippedFiles().flatMap(({ json }) =>
    ((json as { moves?: { id: string; like?: string }[] }).moves ?? []).flatMap(({ id, like }) =>
      like ? [[id, like] as const] : [],
    ),
  );
  test('nothing that a lever loads goes down in its harder direction', () => {
    expect(pairs.length).toBeGreaterThan(100);
    expect(pairs.flatMap(([id, like]) => siblingFindings(at(id), at(like)).map(({ says }) => says))).toEqual(
      [],
    );
  });
  test('what stands is still there to be found', () => {
    const { 'hold-and-curl strain.holdSeconds': _, ...kept } = SIBLINGS_LET_STAND;
    expect(Object.keys(kept)).toEqual(['hold-and-curl strength.grip']);
    expect(at('slow-curl').demand['strength.grip'].hi).toBeLessThan(
      at('hold-and-curl').demand['strength.grip'].hi!,
    );
  });
  test.each<[string, string, DemandKey, number]>([
    ['squat-press', 'squat', 'strength.grip', 0],
    ['hop-back-stand', 'floor-step-back', 'knee.load', 1],
    ['knee-lift-walk', 'heel-toe-walk', 'balance.level', 2],
  ])('%s with less than %s has of %s is found', (id, like, key, hi) => {
    const one = at(id);
    const less = { ...one.demand, [key]: { ...one.demand[key], lo: 0, hi } };
    expect(siblingFindings({ ...one, demand: less }, at(like)).map((found) => found.key)).toContain(key);
    expect(siblingFindings(one, at(like)).map((found) => found.key)).not.toContain(key);
  });
});

describe('words beside figures', () => {
  test('what a name or a standard says of a body is in the figures', () => {
    expect(
      library.moves.flatMap((move) =>
        saidFindings(move, library.demand.get(move.id)!).map(({ says }) => `${move.id}: ${says}`),
      ),
    ).toEqual([]);
  });
  test.each([
    ['Side bend with a reach', 'Bend sideways, the hand slides down the side.', 'spine.sideBend'],
    ['Squat', 'Down to a squat, then jump as high as you can.', 'impact.class'],
    ['Reach', 'Both arms overhead, then down.', 'shoulder.raisedDeg'],
    ['Twisting squat', 'Down, and the chest turns to one side.', 'spine.turn'],
    ['Low crawl', 'On all fours, hand and knee in turn.', 'knee.kneel'],
  ] as const)('“%s: %s” has to have its figure', (name, standard, key) => {
    expect(
      saidFindings({ name, standard, cues: [] }, library.demand.get('squat')!).map((one) => one.key),
    ).toContain(key);
  });
  test.each([
    ['Eyes follow the hand', 'balance.headTurn'],
    ['Hips stay up', 'strain.holdSeconds'],
    ['Sink into the stretch', 'joint.endRange'],
  ] as const)('a cue too: “%s”', (cue, key) => {
    const squat = library.demand.get('squat')!;
    const said = { name: 'Squat', standard: 'Down and up.', cues: ['Chest up', cue] };
    expect(saidFindings(said, squat).map((one) => one.key)).toEqual([key]);
  });
});

describe('help that is spoken of', () => {
  const helped = (id: string, see: string, help: string) => {
    const move = library.move(id)!;
    const fault = { ...move.faults[0]!, see, do: help };
    return helpFindings({ ...move, faults: [fault] }, library.demand.get(id)!).map(({ says }) => says);
  };
  test('no fault of the library names help that its move can’t have', () => {
    expect(
      library.moves.flatMap((move) =>
        helpFindings(move, library.demand.get(move.id)!).map(({ says }) => `${move.id}: ${says}`),
      ),
    ).toEqual([]);
  });
  test.each([
    ['squat', 'the knees fall in', 'lighter', 'it has no load'],
    ['heel-raise-held', 'sways', 'a hand on a chair', 'the hands hold already'],
    ['wall-push-up', 'the hips sag', 'raise the hands', 'the hands are on a wall'],
    ['crunch', 'the hips sag', 'raise the hands', 'no weight is on the hands'],
    ['knee-plank', 'the lower back sags', 'knees down', 'the knees are down'],
    ['march', 'hurries', 'step instead', 'nothing leaves the floor'],
    ['side-lunge', 'the front knee falls in', 'less depth', 'no front knee'],
  ])('%s, “%s”: “%s”, and %s', (id, see, help, why) => {
    expect(helped(id, see, help)).toEqual([expect.stringContaining(why)]);
  });
  test.each([
    ['standing-press', 'leans back', 'lighter'],
    ['one-leg-stand', 'sways', 'a hand on a chair'],
    ['push-up', 'the hips sag', 'raise the hands'],
    ['plank', 'the lower back sags', 'knees down'],
    ['squat-jump', 'a heavy landing', 'step instead'],
    ['lunge', 'the front knee falls in', 'less depth'],
  ])('%s, “%s”: “%s” fits', (id, see, help) => expect(helped(id, see, help)).toEqual([]));
});

describe('what can’t be reckoned with is said', () => {
  test.each([
    [{ massKg: 12, heightM: 1.7 }, 'mass: 12 kg is outside 20–300 kg'],
    [{ massKg: 75, heightM: 3 }, 'height: 3 m is outside 0.8–2.3 m'],
    [{ massKg: Number.NaN, heightM: 1.7 }, 'mass: NaN kg is outside 20–300 kg'],
  ])('%j', (body, says) => expect(bodyFaults(body)).toEqual([says]));
  test('a drawing from above', () => expect(repOf(drawn('spine-turn-lying'))).toBe('seen from above'));
  test('a body in mid-air bears on nothing', () => {
    const figure = drawn('squat');
    const s = solve(
      { ...figure.poses[0]!, hip: [0, 2], legs: [{ turned: [0, 0] }, { turned: [0, 0] }] },
      'side',
    );
    const standing = placedOf(figure, s, USUAL_BODY);
    expect([standing.reactions, standing.unborne, standing.margin]).toEqual([[], 1, null]);
  });
});

/** A published figure, the computed one, and how far apart they may be. */
interface Published {
  readonly what: string;
  readonly source: string;
  readonly unit: string;
  readonly published: number;
  readonly computed: number;
  /** Null: not to be believed, and told only so that nobody does. */
  readonly within: number | null;
}
const top = (id: string, cm?: number) => {
  const [a, b] = onHands(rep(id, cm).frames[0]!, USUAL_BODY);
  return (a + b) * 100;
};
const lowest = (id: string, cm?: number) => {
  const [a, b] = onHands(rep(id, cm).frames[6]!, USUAL_BODY);
  return (a + b) * 100;
};
const squeezed = (id: string) => mostOf(rep(id), ({ lowBack }) => lowBack.compression);
const knee = (id: string, cm?: number) =>
  mostOf(rep(id, cm), ({ moments, standing }) => (standing.unborne > 0.03 ? 0 : Math.max(...moments.knee))) /
  USUAL_BODY.massKg;
const EBBEN = 'Ebben et al. 2011';
const SUPRAK = 'Suprak et al. 2011';

/** What presses the lowest joint of the spine of somebody who stands with so much in both hands, N. */
function pressing(pose: KeyPose, kg: number): number {
  const props = [{ is: 'bell', in: 'both' }] as const;
  const made = repOf(
    { view: 'side', poses: [pose], props, back: false },
    { steps: 1, held: [kg / 2, kg / 2] },
  );
  if (typeof made === 'string') throw new Error(made);
  return made.frames[0]!.lowBack.compression;
}
/** Pressures of one man of 70 kg, from memory: 0.50 MPa standing, and so many times that. */
const WILKE: readonly { what: string; published: number; pose: KeyPose; kg: number }[] = [
  { what: 'standing, bent ahead by 36°, low back', published: 2.2, pose: standing({ lean: 36 }), kg: 0 },
  {
    what: 'holding 20 kg close, low back',
    published: 2.2,
    pose: standing({ arms: both(to([0.25, 1.05], 90)) }),
    kg: 20,
  },
  {
    what: 'holding 20 kg 60 cm ahead, low back',
    published: 3.6,
    pose: standing({ arms: both(to([0.6, 1.15], 90)) }),
    kg: 20,
  },
];

const TABLE: readonly Published[] = [
  {
    what: 'push-up, on the hands',
    source: EBBEN,
    unit: '% of weight',
    published: 64,
    computed: top('push-up'),
    within: 5,
  },
  {
    what: 'push-up from the knees',
    source: EBBEN,
    unit: '% of weight',
    published: 49,
    computed: top('knee-push-up'),
    within: 5,
  },
  {
    what: 'push-up, hands on 30 cm',
    source: EBBEN,
    unit: '% of weight',
    published: 55,
    computed: top('raised-push-up', 30),
    within: 5,
  },
  {
    what: 'push-up, hands on 61 cm',
    source: EBBEN,
    unit: '% of weight',
    published: 41,
    computed: top('raised-push-up', 61),
    within: 5,
  },
  {
    what: 'push-up, feet on 30 cm',
    source: EBBEN,
    unit: '% of weight',
    published: 70,
    computed: top('feet-raised-push-up', 30),
    within: 5,
  },
  {
    what: 'push-up, feet on 61 cm',
    source: EBBEN,
    unit: '% of weight',
    published: 74,
    computed: top('feet-raised-push-up', 61),
    within: 5,
  },
  {
    what: 'push-up held at the top',
    source: SUPRAK,
    unit: '% of weight',
    published: 69,
    computed: top('push-up'),
    within: 5,
  },
  {
    what: 'push-up held at the bottom',
    source: SUPRAK,
    unit: '% of weight',
    published: 75,
    computed: lowest('push-up'),
    within: 9,
  },
  {
    what: 'knee push-up held at the top',
    source: SUPRAK,
    unit: '% of weight',
    published: 54,
    computed: top('knee-push-up'),
    within: 8,
  },
  {
    what: 'knee push-up held at the bottom',
    source: SUPRAK,
    unit: '% of weight',
    published: 62,
    computed: lowest('knee-push-up'),
    within: 8,
  },
  {
    what: 'rising from a chair of 43 cm, knee',
    source: 'Flanagan 2003, Yoshioka 2014: 0.8 to 1.1',
    unit: 'N·m/kg',
    published: 0.95,
    computed: knee('sit-to-stand', 43),
    within: 0.3,
  },
  {
    what: 'squat without a load, knee',
    source: 'Escamilla 2001, Flanagan 2003: 0.7 to 1.2',
    unit: 'N·m/kg',
    published: 0.95,
    computed: knee('squat'),
    within: 0.3,
  },
  {
    what: 'forward lunge, front knee',
    source: 'Flanagan 2004, Riemann 2012: 0.9 to 1.3',
    unit: 'N·m/kg',
    published: 1.1,
    computed: knee('lunge'),
    within: 0.3,
  },
  {
    what: 'standing at ease, low back',
    source: 'Nachemson 1981, about 500 to 700 for 70 kg',
    unit: 'N',
    published: 600,
    computed: rep('squat').frames[0]!.lowBack.compression,
    within: 200,
  },
  {
    what: 'push-up, low back',
    source: 'McGill 1995 and after, 1840 with bracing',
    unit: 'N',
    published: 1840,
    computed: squeezed('push-up'),
    within: null,
  },
  {
    what: 'superman, low back',
    source: 'Callaghan 1998, 4300 with bracing',
    unit: 'N',
    published: 4300,
    computed: squeezed('prone-both-lift'),
    within: null,
  },
  ...WILKE.map(({ what, published, pose, kg }) => ({
    what,
    source: 'Wilke et al. 1999, pressure in the disc beside standing at ease',
    unit: 'times standing',
    published,
    computed: pressing(pose, kg) / pressing(standing({}), 0),
    // A back that leans or reaches comes out too high: one muscle holds all that ligaments and the belly share.
    within: null,
  })),
  {
    what: 'landing from 32 cm',
    source: 'McNitt-Gray 1993',
    unit: 'body weights',
    published: 4.2,
    computed: (landing(0.32)[0] + landing(0.32)[1]) / 2,
    within: 1.3,
  },
  {
    what: 'landing from 72 cm',
    source: 'McNitt-Gray 1993',
    unit: 'body weights',
    published: 6.4,
    computed: (landing(0.72)[0] + landing(0.72)[1]) / 2,
    within: 2,
  },
  {
    what: 'stepping 20 cm, 24 a minute',
    source: 'ACSM stepping equation',
    unit: 'MET',
    published: (0.2 * 24 + 1.33 * 1.8 * 0.2 * 24 + 3.5) / 3.5,
    computed: metOfRaising(rep('step-up', 20).raised, 24),
    within: 2,
  },
];

describe('beside what is published', () => {
  test.each(TABLE.flatMap((row) => (row.within === null ? [] : [[row.what, row, row.within] as const])))(
    '%s',
    (_, row, within) => {
      expect(Math.abs(row.computed - row.published)).toBeLessThanOrEqual(within);
    },
  );
  test('docs/mechanics-published.md says so', () => {
    const path = join(dirname(fileURLToPath(import.meta.url)), '../../docs/mechanics-published.md');
    const num = (value: number) => (Math.abs(value) < 20 ? value.toFixed(2) : String(Math.round(value)));
    const page = `# Mechanics beside what is published

Written by \`UPDATE_DOCS=1 npx jest core/test/mechanics\`. A usual body of 75 kg and 1.70 m; published figures from memory, named. Where muscles brace
against each other the computed compression is too low: one muscle is reckoned with (see docs/mechanics.md).

| what | source | unit | published | computed | error | within |
| --- | --- | --- | --: | --: | --: | --: |
${TABLE.map((row) => `| ${row.what} | ${row.source} | ${row.unit} | ${num(row.published)} | ${num(row.computed)} | ${num(row.computed - row.published)} | ${row.within === null ? 'not believed' : num(row.within)} |`).join('\n')}
`;
    const words = (text: string) => text.replace(/[\s|:-]+/g, ' ').trim();
    if (process.env['UPDATE_DOCS'] || !existsSync(path)) writeFileSync(path, page);
    expect(words(readFileSync(path, 'utf8'))).toBe(words(page));
  });
});
