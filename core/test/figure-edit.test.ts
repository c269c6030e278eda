import {
  addedPose,
  dragged,
  drawnOf,
  FIGURES,
  type HandleId,
  handlesOf,
  pinned,
  shownFor,
} from '@inner-rung/core/figure';
import { moveSchema } from '@inner-rung/core/move';
import {
  type DrawnFigure,
  distance,
  drawingSchema,
  faultsOf,
  MOST_POSES,
  solve,
} from '@inner-rung/core/pose';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const figure = (id: string, cm = 0): DrawnFigure => FIGURES[id]!(cm / 100);
const STARTS = ['squat', 'push-up', 'bridge', 'split-squat', 'seated-march', 'bird-dog', 'side-raise'];
const start = fc.constantFrom(...STARTS).map((id) => figure(id, id === 'seated-march' ? 45 : 0));
const alone = (f: DrawnFigure, i: number): DrawnFigure => ({ ...f, poses: [f.poses[i]!] });

describe('a drawing in a file', () => {
  test('every figure of the library can be written and read again', () => {
    for (const move of library.moves) {
      const f = FIGURES[move.id]!((move.surface?.usualCm ?? 0) / 100);
      expect(drawingSchema.parse(JSON.parse(JSON.stringify(f)))).toEqual(JSON.parse(JSON.stringify(f)));
    }
  });
  test.each([
    ['no pose', (f: DrawnFigure) => ({ ...f, poses: [] }), /poses/],
    [
      'a hand out of the hall',
      (f: DrawnFigure) => ({ ...f, poses: [{ ...f.poses[0], hip: [99, 0] }] }),
      /hip/,
    ],
    [
      'a limb both placed and turned',
      (f: DrawnFigure) => ({
        ...f,
        poses: [{ ...f.poses[0], arms: [{ at: [0, 0], turned: [0, 0] }, { turned: [0, 0] }] }],
      }),
      /either reaches to a place/,
    ],
    [
      'a chair of three metres',
      (f: DrawnFigure) => ({ ...f, props: [{ is: 'seat', x: 0, height: 3, back: true }] }),
      /height/,
    ],
    [
      'a flight after the last pose',
      (f: DrawnFigure) => ({ ...f, flight: { from: 7, height: 0.2 } }),
      /flight/,
    ],
  ])('%s is refused, and where is said', (_, spoil, says) => {
    const read = drawingSchema.safeParse(spoil(figure('squat')));
    expect(read.success).toBe(false);
    expect(JSON.stringify(read.error!.issues)).toMatch(says);
  });
  test('a trainer’s own drawing is shown in place of the nearest, whatever the height', () => {
    const squat = library.move('squat')!;
    const own = { ...squat, id: 'our-squat', drawing: figure('wall-sit') };
    const written = moveSchema.parse(JSON.parse(JSON.stringify({ ...own, demand: {} })));
    expect(written.drawing).toEqual(JSON.parse(JSON.stringify(figure('wall-sit'))));
    const grown = { ...library, move: (id: string) => (id === own.id ? own : library.move(id)) };
    const shown = shownFor(grown as typeof library, { move: own.id, settings: { surfaceCm: 30 } })!;
    expect(shown.figure).toBe(own.drawing);
    expect(shown.like).toBeNull();
    // A phone without a library shows it by what the run carries.
    expect(drawnOf({ move: own.id, drawing: own.drawing }, 20)!.figure).toBe(own.drawing);
    expect(drawnOf({ move: own.id }, 20)).toBeNull();
  });
});

describe('handles of a drawing', () => {
  test('a pinned pose is the same to look at', () => {
    for (const id of STARTS)
      for (const pose of figure(id, 45).poses) {
        const { view } = figure(id, 45);
        const [a, b] = [solve(pose, view), solve(pinned(pose, view), view)];
        for (const i of [0, 1] as const)
          for (const kind of ['arms', 'legs'] as const)
            for (const part of ['joint', 'end', 'tip'] as const)
              expect(distance(a[kind][i][part], b[kind][i][part])).toBeLessThan(0.006);
      }
  });
  test('a handle taken anywhere leaves a pose that can be, and says so where it went no further', () => {
    fc.assert(
      fc.property(
        start,
        fc.nat(20),
        fc.double({ min: -1.4, max: 1.4, noNaN: true }),
        fc.double({ min: 0, max: 2.1, noNaN: true }),
        (f, which, x, y) => {
          const handles = handlesOf(f, 0);
          const { id, at } = handles[which % handles.length]!;
          const came = dragged(f, 0, id, [x, y]);
          expect(faultsOf(alone(came.figure, 0), 1)).toEqual([]);
          const now = handlesOf(came.figure, 0).find((h) => h.id === id)!.at;
          // Whole way or a word: a hip, a hand or a foot that isn't where it was dragged either snapped or is as far as it goes.
          if (id === 'hips' && came.says === null) expect(distance(now, [x, y])).toBeLessThan(0.05);
          if (came.says !== null) expect(distance(at, now)).toBeLessThanOrEqual(distance(at, [x, y]) + 0.06);
        },
      ),
      { numRuns: 150 },
    );
  });
  test('what touches stays where it touches while the body is moved', () => {
    const f = figure('wall-push-up');
    const before = solve(f.poses[1]!, 'side');
    const came = dragged(f, 1, 'hips', [before.hip[0] - 0.02, before.hip[1] - 0.1]);
    const after = solve(came.figure.poses[1]!, 'side');
    expect(after.hip[1]).toBeLessThan(before.hip[1] - 0.05);
    for (const i of [0, 1] as const) {
      expect(distance(before.legs[i].end, after.legs[i].end)).toBeLessThan(0.0025);
      expect(distance(before.arms[i].end, after.arms[i].end)).toBeLessThan(0.0025);
    }
    expect(came.figure.poses[0]).toEqual(f.poses[0]);
  });
  test('a foot near the floor comes to stand flat on it, a hand out of reach stops where the arm is straight', () => {
    const f = figure('march');
    const foot = dragged(f, 0, 'near foot', [0.02, 0.09]).figure;
    const s = solve(foot.poses[0]!, 'side');
    expect(s.legs[0].tip[1]).toBeCloseTo(0, 2);
    expect(s.legs[0].heel[1]).toBeCloseTo(0, 2);
    const far = dragged(figure('squat'), 0, 'near hand', [1.4, 1.4]).figure;
    const { root, joint, end } = solve(far.poses[0]!, 'side').arms[0];
    expect(distance(root, end)).toBeCloseTo(distance(root, joint) + distance(joint, end), 2);
  });
  test('a limb pushed past its range goes no further, in words', () => {
    const came = dragged(figure('split-squat'), 0, 'hips', [0, 0.12]);
    expect(came.says).toMatch(/knee|hip|floor|short/);
    expect(faultsOf(alone(came.figure, 0), 1)).toEqual([]);
  });
  test('a knee or an elbow taken to the other side bends that way; the toes turn the foot', () => {
    const f = figure('march');
    const elbow = (g: DrawnFigure) => solve(g.poses[0]!, 'side').arms[0];
    const { root, joint, end } = elbow(f);
    const across: [number, number] = [root[0] + end[0] - joint[0], root[1] + end[1] - joint[1]];
    const turned = elbow(dragged(f, 0, 'near elbow', across).figure);
    expect(distance(turned.joint, joint)).toBeGreaterThan(0.05);
    expect(distance(turned.end, end)).toBeLessThan(1e-6);
    const toe = (id: HandleId, to: [number, number]) =>
      solve(dragged(f, 0, id, to).figure.poses[0]!, 'side').legs[0];
    const was = solve(f.poses[0]!, 'side').legs[0];
    const up = toe('near toes', [was.end[0] + 0.05, was.end[1] + 0.3]);
    expect(up.tip[1]).toBeGreaterThan(was.tip[1] + 0.05);
    expect(distance(up.end, was.end)).toBeLessThan(1e-6);
  });
  test('poses are added up to so many', () => {
    let f: DrawnFigure | null = figure('squat');
    let count = f.poses.length;
    while (f) {
      expect(f.poses).toHaveLength(count);
      f = addedPose(f, 0);
      count += 1;
    }
    expect(count - 1).toBe(MOST_POSES);
  });
});
