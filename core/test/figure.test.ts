import {
  checkFigures,
  FIGURES,
  factsOfFigure,
  figureFindings,
  figureWords,
  frameOf,
  heightFault,
  nearestDrawn,
  shapesOf,
  shownFor,
  stillsOf,
  stripOf,
  svgOf,
  wrongOf,
} from '@inner-rung/core/figure';
import { libraryWith, rungDemand } from '@inner-rung/core/ladder';
import { KNEE_PUSH_UP_SHARE, PUSH_UP_SHARE, readCurve, type Settings } from '@inner-rung/core/move';
import {
  centreOf,
  type DrawnFigure,
  distance,
  faultsOf,
  HEIGHT,
  MASSES,
  mirrored,
  poseAt,
  reach,
  solve,
  touchesOf,
} from '@inner-rung/core/pose';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const drawn = library.moves.flatMap((move): { move: typeof move; figure: DrawnFigure }[] => {
  const make = FIGURES[move.id];
  return make ? [{ move, figure: make((move.surface?.usualCm ?? 0) / 100) }] : [];
});
const figure = (id: string, cm = 0) => FIGURES[id]!(cm / 100);

describe('the body', () => {
  test('segment masses sum to one (Winter 2009, from memory)', () => {
    const { head, chest, loin, ...limbs } = MASSES;
    const limb = Object.values(limbs).reduce((sum, m) => sum + m.share, 0);
    expect(head.share + chest.share + loin.share + 2 * limb).toBeCloseTo(1, 6);
  });
  test('standing, its centre of mass is at 55 to 58 % of height (published range, Winter 2009, from memory)', () => {
    const [x, y] = solve(poseAt(figure('squat'), 0), 'side').centre;
    expect(y / HEIGHT).toBeGreaterThan(0.545);
    expect(y / HEIGHT).toBeLessThan(0.585);
    const { legs } = solve(poseAt(figure('squat'), 0), 'side');
    expect(x).toBeGreaterThan(legs[0].heel[0]);
    expect(x).toBeLessThan(legs[0].tip[0]);
  });
  test('reaching and turning agree: a limb turned as it was found ends where it should', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -170, max: 170, noNaN: true }),
        fc.double({ min: 0.1, max: 0.99, noNaN: true }),
        fc.constantFrom(-1 as const, 1 as const),
        fc.constantFrom(-1 as const, 1 as const),
        (degrees, share, bend, side) => {
          const [a, b] = [0.42, 0.4];
          const r = (degrees * Math.PI) / 180;
          const far = Math.abs(a - b) + share * (2 * Math.min(a, b));
          const target = [far * Math.sin(r), -far * Math.cos(r)] as const;
          const { turned, short } = reach([0, 0], target, a, b, bend, side);
          const go = ([x, y]: readonly [number, number], deg: number, m: number) =>
            [
              x + side * m * Math.sin((deg * Math.PI) / 180),
              y - m * Math.cos((deg * Math.PI) / 180),
            ] as const;
          const end = go(go([0, 0], turned[0], a), turned[1], b);
          expect(short).toBeLessThan(1e-9);
          expect(end[0]).toBeCloseTo(target[0], 6);
          expect(end[1]).toBeCloseTo(target[1], 6);
        },
      ),
    );
  });
  test('too far is straight, and says by how much', () => {
    const { turned, short } = reach([0, 0], [0, -1], 0.4, 0.4, 1, 1);
    expect(turned[0]).toBeCloseTo(turned[1], 6);
    expect(short).toBeCloseTo(0.2, 6);
  });
});

describe('every figure of the library', () => {
  test('every move has one', () => {
    expect(library.moves.filter((m) => !FIGURES[m.id]).map((m) => m.id)).toEqual([]);
  });
  test.each(drawn.map(({ move, figure: f }) => [move.id, f] as const))(
    '%s can be solved, in every frame',
    (_, f) => {
      expect(faultsOf(f)).toEqual([]);
    },
  );
  test('agrees with the library’s own data: no finding', () => {
    expect(checkFigures(library)).toEqual({ own: library.moves.length, near: 0, none: 0, says: {} });
  });
  test('one that disagrees, one without a drawing of its own and one like nothing are told apart', () => {
    const [squat, plank] = ['squat', 'plank'].map((id) => library.move(id)!);
    const made = libraryWith(
      library,
      [
        // A squat drawn as a plank, and a plank that nobody has drawn.
        {
          move: { ...squat!, id: 'odd-squat', drawing: figure('plank') },
          demand: library.demand.get('squat')!,
        },
        { move: { ...plank!, id: 'our-plank' }, demand: library.demand.get('plank')! },
      ],
      [],
    );
    const { own, near, none, says } = checkFigures(made);
    expect([own, near, none]).toEqual([library.moves.length + 1, 1, 0]);
    expect(Object.keys(says)).toEqual(['odd-squat']);
    expect(says['odd-squat']!.join('; ')).toMatch(/down on the floor: drawn so.*knee bend/);
  });
  test('what touches the same place in two poses running doesn’t slide between them, unless the move goes somewhere', () => {
    const slides: string[] = [];
    for (const { move, figure: f } of drawn) {
      if (f.travels || f.flight) continue;
      for (let i = 1; i < f.poses.length; i++)
        for (const side of [0, 1] as const) {
          const [a, b] = [f.poses[i - 1]!.legs[side].at, f.poses[i]!.legs[side].at];
          if (!a || !b || f.poses[i]!.legs[side].end !== f.poses[i - 1]!.legs[side].end) continue;
          if (Math.abs(a[0] - b[0]) > 0.005 && Math.abs(a[1] - b[1]) < 0.005) slides.push(`${move.id} ${i}`);
        }
    }
    expect([...new Set(slides.map((s) => s.split(' ')[0]!))].sort()).toEqual([...SLIDES].sort());
  });
  test('a contact holds in every frame between, at random moments', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...drawn),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ({ figure: f }, t) => {
          const pose = poseAt(f, t);
          const s = solve(pose, f.view);
          for (const side of [0, 1] as const) {
            const { at } = pose.legs[side];
            if (at && s.legs[side].short < 0.03) {
              expect(Math.hypot(s.legs[side].end[0] - at[0], s.legs[side].end[1] - at[1])).toBeLessThan(
                0.031,
              );
            }
          }
        },
      ),
      { numRuns: 400 },
    );
  });
  test('mirrored twice it is itself, and mirrored once it weighs the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...drawn),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ({ figure: f }, t) => {
          const pose = poseAt(f, t);
          expect(mirrored(mirrored(pose, f.view), f.view)).toEqual(pose);
          const [a, b] = [solve(pose, f.view), solve(mirrored(pose, f.view), f.view)];
          // From the front, and on the side, everything goes over to the other side.
          expect(b.centre[0]).toBeCloseTo(a.broad ? -a.centre[0] : a.centre[0], 9);
          expect(b.centre[1]).toBeCloseTo(a.centre[1], 9);
        },
      ),
      { numRuns: 200 },
    );
  });
  test('what is drawn is inside its frame, and says itself in words', () => {
    for (const { move, figure: f } of drawn) {
      const [x, y, w, h] = frameOf(f);
      for (const t of stillsOf(f)) {
        const s = solve(poseAt(f, t), f.view);
        expect(s.crown[0] * 100).toBeGreaterThan(x);
        expect(s.crown[0] * 100).toBeLessThan(x + w);
        expect(-s.crown[1] * 100).toBeGreaterThan(y);
        expect(h).toBeGreaterThan(20);
        for (const { d } of shapesOf(f, t)) expect(d).not.toMatch(/NaN|Infinity|undefined/);
      }
      expect(figureWords(f)).toMatch(/^(Held: |From ).+\.$/);
      expect(svgOf(stripOf(f)[0]!, move.name)).toMatch(/^<svg [^>]+viewBox="[-\d ]+"/);
    }
  });
});

describe('on the side, chest to the eye', () => {
  const sides = ['side-plank', 'knee-side-plank', 'side-plank-leg', 'clam', 'side-lying-leg'] as const;
  test.each(sides)(
    '%s: one shoulder over the other, the lower elbow or hip down, the upper ones clear of it',
    (id) => {
      const f = figure(id);
      for (const pose of f.poses) {
        const s = solve(pose, f.view);
        expect(s.broad).toBe(true);
        // The shoulder line is square to the trunk: as far apart as from the front.
        expect(distance(s.arms[0].root, s.arms[1].root)).toBeCloseTo(2 * 0.115 * HEIGHT, 6);
        expect(s.arms[0].root[1]).toBeGreaterThan(s.arms[1].root[1] + 0.25);
        expect(s.legs[0].root[1]).toBeGreaterThan(s.legs[1].root[1]);
        const parts = touchesOf(f, s).map((t) => t.part);
        expect(parts).toContain(id === 'clam' || id === 'side-lying-leg' ? 'hip' : 'elbow');
      }
    },
  );
  test('a side plank: elbow beneath the lower shoulder, ankles one on the other, hips on the line between', () => {
    const s = solve(figure('side-plank').poses[0]!, 'side');
    expect(s.arms[1].joint[0]).toBeCloseTo(s.arms[1].root[0], 6);
    expect(distance(s.legs[0].end, s.legs[1].end)).toBeLessThan(0.11);
    const feet = [0, 1].map((k) => (s.legs[0].end[k]! + s.legs[1].end[k]!) / 2);
    const along = (s.hip[0] - feet[0]!) / (s.neck[0] - feet[0]!);
    expect(s.hip[1]).toBeCloseTo(feet[1]! + along * (s.neck[1] - feet[1]!), 2);
    const sunk = solve(figure('side-plank-dip').poses[1]!, 'side');
    expect(s.hip[1] - sunk.hip[1]).toBeGreaterThan(0.08);
  });
});

describe('things that go with a move', () => {
  const linesOf = (id: string, t: number) =>
    shapesOf(figure(id), t)
      .filter(({ tone }) => tone === 'line')
      .flatMap(({ d }) => [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]));
  test('a rope is beneath the feet of those in the air and over the head of those who stand', () => {
    const f = figure('rope-skip');
    const [stands, aloft] = stillsOf(f);
    const crown = solve(poseAt(f, stands!), 'side').crown[1] * 100;
    expect(Math.min(...linesOf('rope-skip', stands!).map(([, y]) => y!))).toBeLessThan(-crown - 5);
    const { legs } = solve(poseAt(f, aloft!), 'side');
    const low = Math.min(...legs.flatMap((l) => [l.tip[1], l.heel[1]])) * 100;
    expect(low).toBeGreaterThan(3);
    const lowest = Math.max(...linesOf('rope-skip', aloft!).map(([, y]) => y!));
    expect(-lowest).toBeLessThan(low);
    expect(-lowest).toBeGreaterThanOrEqual(0);
  });
  test('a line on the floor has a foot on either side of it on the way over', () => {
    for (const id of ['line-step', 'quick-line-step']) {
      const f = figure(id);
      const ankles = f.poses.map((pose) => solve(pose, 'front').legs.map((l) => l.end[0]));
      expect(ankles[0]!.every((x) => x < 0)).toBe(true);
      expect(ankles[1]!.map(Math.sign)).toEqual([-1, 1]);
      expect(ankles[2]!.every((x) => x > 0)).toBe(true);
      expect(f.props).toEqual([{ is: 'mark', x: 0 }]);
    }
  });
  test('a rail so broad is held anywhere along it; the hands stay there while the body goes to and fro', () => {
    const f = figure('side-shift');
    for (const t of [0, 0.2, 0.35, 0.5]) {
      const hands = touchesOf(f, solve(poseAt(f, t), 'front')).filter((touch) => touch.part === 'hand');
      expect(hands.map((touch) => touch.side)).toEqual([0, 1]);
    }
  });
  test('a stick along the back: a hand behind the waist, one behind the head, however far they hinge', () => {
    for (const pose of figure('stick-hinge').poses) {
      const s = solve(pose, 'side');
      const [low, high] = [s.arms[0].end, s.arms[1].end];
      const trunk = Math.atan2(s.neck[0] - s.hip[0], s.neck[1] - s.hip[1]);
      const stick = Math.atan2(high[0] - low[0], high[1] - low[1]);
      expect(Math.abs(trunk - stick) * (180 / Math.PI)).toBeLessThan(8);
      expect(distance(low, s.waist)).toBeLessThan(0.16);
    }
  });
});

describe('stills side by side', () => {
  test('each is whole in a frame of its own, on one floor and to one scale, and no broader than all the move takes', () => {
    let narrower = 0;
    for (const { move, figure: f } of drawn) {
      const strip = stripOf(f);
      expect(strip.map(({ t }) => t)).toEqual(stillsOf(f));
      const [, , whole] = frameOf(f);
      for (const { t, figure: still, frame } of strip) {
        const [x, y, w, h] = frame;
        expect([move.id, frame[1], frame[3]]).toEqual([move.id, strip[0]!.frame[1], strip[0]!.frame[3]]);
        const s = solve(poseAt(f, t), f.view);
        for (const [px, py] of [s.crown, s.hip, ...[...s.arms, ...s.legs].flatMap((l) => [l.joint, l.tip])]) {
          expect(px * 100 > x && px * 100 < x + w && -py * 100 > y && -py * 100 < y + h).toBe(true);
        }
        // The whole is looked at in eighths; a still may stand between two of them.
        expect(w).toBeLessThanOrEqual(whole + 6);
        if (w < whole * 0.7) narrower++;
        // A mat ends where what is drawn of it does; everything else stays.
        expect(still.props.filter((p) => p.is !== 'mat')).toEqual(f.props.filter((p) => p.is !== 'mat'));
        if (!f.above)
          for (const p of still.props)
            if (p.is === 'mat') expect(p.from * 100 >= x && p.to * 100 <= x + w && p.to > p.from).toBe(true);
      }
    }
    expect(narrower).toBeGreaterThan(100);
  });
});

/** Moves in which a foot is meant to go along the floor between two poses. */
const SLIDES = ['side-tap', 'side-touch', 'side-touch-arms', 'step-jack', 'step-jack-low', 'side-step-tap'];

describe('what a drawing says', () => {
  test('a squat: on the feet, deep, nothing else; a plank: hands bear; a bridge: on the back', () => {
    expect(factsOfFigure(figure('squat'))).toMatchObject({
      onFloor: false,
      kneels: false,
      leaves: false,
      handsBear: false,
    });
    expect(factsOfFigure(figure('squat')).kneeBend).toBeGreaterThan(85);
    expect(factsOfFigure(figure('plank'))).toMatchObject({ onFloor: true, handsBear: true, kneels: false });
    expect(factsOfFigure(figure('bridge'))).toMatchObject({ onBack: true, onFloor: true });
    expect(factsOfFigure(figure('squat-jump')).leaves).toBe(true);
    expect(factsOfFigure(figure('march')).leaves).toBe(false);
    expect(factsOfFigure(figure('standing-press')).armsRaised).toBeGreaterThan(150);
  });
  test('what hands and feet carry is read off: a flat hand, a fist, a forearm, a grip, one foot', () => {
    expect(factsOfFigure(figure('push-up'))).toMatchObject({ handsOn: true, handsBear: true });
    expect(factsOfFigure(figure('push-up')).wristBack).toBeGreaterThan(70);
    expect(factsOfFigure(figure('fist-push-up'))).toMatchObject({ handsOn: true, wristBack: 0 });
    expect(factsOfFigure(figure('forearm-plank'))).toMatchObject({ handsOn: false, handsBear: true });
    expect(factsOfFigure(figure('hang'))).toMatchObject({ handsOn: false });
    expect(factsOfFigure(figure('one-leg-stand')).fewestFeet).toBe(1);
    expect(factsOfFigure(figure('one-leg-stand-held')).fewestFeet).toBe(1);
    expect(factsOfFigure(figure('squat')).fewestFeet).toBe(2);
    expect(factsOfFigure(figure('clam', 0))).toMatchObject({ onSide: true, onBack: false, kneels: false });
    expect(factsOfFigure(figure('spine-turn-lying'))).toMatchObject({ onBack: true, onFloor: true });
  });
  test.each([
    ['squat', 'one-leg-stand', 'one foot down'],
    ['squat', 'push-up', 'weight on the hands'],
    ['fist-push-up', 'push-up', 'a wrist bent back'],
    ['plank', 'walk-out', 'hip bend'],
    ['side-plank', 'plank', 'on the side'],
    // Drawn less far than the library says is found as well.
    ['squat', 'heel-raise', 'knee bend under load'],
    ['loaded-hinge', 'standing-curl', 'hip bend'],
    ['standing-press', 'standing-curl', 'arms raised'],
  ])('the data of %s against the drawing of %s: %s', (data, drawing, what) => {
    const found = figureFindings(library.move(data)!, rungDemand(library, { move: data })!, figure(drawing));
    expect(found.map((f) => f.what)).toContain(what);
  });
  test('a disagreement is found: a squat’s data with a push-up’s drawing', () => {
    const squat = library.move('squat')!;
    const found = figureFindings(squat, rungDemand(library, { move: 'squat' })!, figure('push-up'));
    expect(found.map((f) => f.what)).toContain('down on the floor');
    const wall = figureFindings(squat, rungDemand(library, { move: 'squat' })!, figure('wall-sit'));
    expect(wall.map((f) => f.what)).toContain('needs a wall');
  });
  test.each([
    ['plank', /^Held: on hands and feet, face down/],
    ['bird-dog', /on hands and knees/],
    ['forearm-plank', /on forearms and feet/],
    ['seated-march', /^From sitting, upright/],
    ['hang', /^Held: hanging by the hands/],
    ['clam', /^From on the side/],
    ['spine-turn-lying', /^Held: on the back/],
    ['bridge', /^From on the back/],
    // Squatted, seen from the front: the knees bend towards the eye, and bend all the same.
    ['wide-squat', /to .*knees bent \d\d+ degrees/],
    ['floor-rise', /; to .*kneeling.*; then on the side/],
    ['one-leg-head-turn', /; to .*, head turned\. The head turns by up to 45°\.$/],
  ])('%s is told to whoever can’t see it', (id, words) => {
    expect(figureWords(figure(id, id === 'seated-march' ? 45 : 0))).toMatch(words);
  });
  test('a long way is drawn with what lies between; what hops there and back, where it lands', () => {
    expect(stillsOf(figure('burpee'))).toHaveLength(3);
    expect(stillsOf(figure('floor-rise'))).toEqual([0, 0.25, 0.5]);
    expect(stillsOf(figure('skater-bound'))).toEqual([0, 0.5]);
    expect(stillsOf(figure('side-jump-over'))).toEqual([0, 0.25]);
    for (const { move, figure: f } of drawn) {
      const moments = stillsOf(f);
      expect([move.id, [...moments].sort((a, b) => a - b)]).toEqual([move.id, moments]);
    }
  });
  test('a pose that can’t be is said in words', () => {
    const broken = figure('squat');
    const far = {
      ...broken,
      poses: broken.poses.map((p, i) =>
        i === 1 ? { ...p, legs: [{ at: [2, 0.06] as const, end: 90 }, p.legs[1]] as const } : p,
      ),
    };
    expect(faultsOf(far)[0]).toMatch(/pose 2: the near foot is \d+ cm short of its place/);
    const under = {
      ...broken,
      poses: [
        {
          ...broken.poses[0]!,
          hip: [0, 0.2] as const,
          legs: [{ turned: [0, 0] as const }, { turned: [0, 0] as const }] as const,
        },
      ],
    };
    expect(faultsOf(under).join()).toMatch(/under the floor/);
  });
  test('a chair of three metres is refused in words, and the usual height is drawn', () => {
    expect(heightFault(300)).toContain('higher than anybody');
    expect(heightFault(Number.NaN)).not.toBeNull();
    expect(heightFault(43)).toBeNull();
    const shown = shownFor(library, { move: 'sit-to-stand', settings: { surfaceCm: 300 } })!;
    expect(shown.figure).toEqual(shownFor(library, { move: 'sit-to-stand' })!.figure);
  });
  test('the figure follows the height: a lower surface is a flatter body, a higher step a higher foot', () => {
    const lean = (cm: number) => {
      const s = solve(figure('raised-push-up', cm).poses[0]!, 'side');
      return Math.atan2(s.neck[1] - s.hip[1], s.neck[0] - s.hip[0]);
    };
    expect(lean(30)).toBeLessThan(lean(60));
    expect(lean(60)).toBeLessThan(lean(90));
    for (const cm of [10, 20, 38]) {
      const f = figure('step-up', cm);
      const touches = touchesOf(f, solve(f.poses[0]!, 'side'));
      expect(touches.some((t) => t.part === 'foot' && Math.abs(t.height - cm / 100) < 0.01)).toBe(true);
    }
  });
  test('a move without a drawing is shown by its nearest, marked; one with its own isn’t', () => {
    const own = { ...library.move('split-squat')!, id: 'our-low-split' };
    const moves = [...library.moves, own];
    const grown = {
      ...library,
      moves,
      move: (id: string) => moves.find((m) => m.id === id),
    } as typeof library;
    const nearest = nearestDrawn(moves, own)!;
    expect(shownFor(grown, { move: own.id })!.like!.id).toBe(nearest.id);
    expect(nearest.posture.work).toBe(own.posture.work);
    expect(nearest.pattern).toBe(own.pattern);
    // Of several that are alike in that, the one that shares its words.
    expect(nearest.id).toMatch(/split-squat/);
    expect(shownFor(library, { move: 'squat' })!.like).toBeNull();
    expect(shownFor(library, { move: 'no-such-move' })).toBeNull();
    for (const move of library.moves) {
      const like = nearestDrawn(library.moves, move);
      if (like) expect(FIGURES[like.id]).toBeDefined();
    }
  });
});

describe('share of body weight on the hands, by statics of the drawn pose', () => {
  /** Hands and feet bear together: moments about the toes. */
  const share = (id: string, cm: number, top: boolean): number => {
    const f = figure(id, cm);
    const s = solve(f.poses.at(top ? 0 : -1)!, 'side');
    const feet = id.startsWith('knee') ? s.legs[0].joint[0] : s.legs[0].tip[0];
    return ((s.centre[0] - feet) / (s.arms[0].end[0] - feet)) * 100;
  };
  // Suprak et al. 2011: 69 % at the top and 75 % at the bottom of a push-up; Ebben et al. 2011: 49 % on the knees, 55 and
  // 41 % with the hands at 30 and 61 cm, 70 % with the feet at 30 cm (all from memory). Flat and kneeling come out
  // within four points. With the hands raised the drawing says up to thirteen too much: it knows vertical forces only,
  // and a leaning body also pushes along the ground.
  test.each([
    ['push-up', 0, true, 69, 4],
    ['push-up', 0, false, 75, 4],
    ['knee-push-up', 0, true, KNEE_PUSH_UP_SHARE, 4],
    ['feet-raised-push-up', 30, true, readCurve(PUSH_UP_SHARE, -30).y, 4],
    ['raised-push-up', 30, true, readCurve(PUSH_UP_SHARE, 30).y, 8],
    ['raised-push-up', 61, true, readCurve(PUSH_UP_SHARE, 61).y, 13],
  ])('%s, surface at %s cm, top %s: %s %% within %s points', (id, cm, top, published, points) => {
    expect(Math.abs(share(id, cm, top) - published)).toBeLessThan(points);
  });
  test('less the higher the hands', () => {
    const shares = [0, 15, 30, 45, 60, 75, 90].map((cm) =>
      share(cm === 0 ? 'push-up' : 'raised-push-up', cm, true),
    );
    shares.slice(1).forEach((s, i) => {
      expect(s).toBeLessThan(shares[i]!);
    });
  });
  test('the centre of mass is the drawn body’s own', () => {
    const s = solve(figure('plank').poses[0]!, 'side');
    expect(centreOf(s)).toEqual(s.centre);
  });
});

describe('a fault beside the pose as it should be', () => {
  const pairs = drawn.flatMap(({ move, figure: f }) =>
    move.faults.flatMap(({ see }) => {
      const pair = wrongOf(f, see);
      return pair ? [{ id: move.id, see, ...pair }] : [];
    }),
  );
  test('more than half of the library’s faults can be drawn, each a pose that can be, and none the good one', () => {
    const all = drawn.reduce((sum, { move }) => sum + move.faults.length, 0);
    expect(pairs.length / all).toBeGreaterThan(0.5);
    for (const { id, see, right, wrong } of pairs) {
      expect([id, see, faultsOf(wrong, 1)]).toEqual([id, see, []]);
      expect([id, see, wrong.poses[0]]).not.toEqual([id, see, right.poses[0]]);
    }
  });
  const hipOf = (f: DrawnFigure) => solve(f.poses[0]!, f.view).hip[1];
  test('hips that sag are lower, hands and shoulders where they were', () => {
    const { right, wrong } = wrongOf(figure('plank'), 'the hips sag')!;
    expect(hipOf(wrong)).toBeLessThan(hipOf(right) - 0.05);
    const [a, b] = [solve(right.poses[0]!, 'side'), solve(wrong.poses[0]!, 'side')];
    expect(b.neck[0]).toBeCloseTo(a.neck[0], 2);
    expect(distance(b.arms[0].end, a.arms[0].end)).toBeLessThan(1e-9);
  });
  test('knees that fall in are shown from the front, nearer to each other with the feet where they were', () => {
    const { right, wrong } = wrongOf(figure('squat'), 'the knees fall in')!;
    expect(right.view).toBe('front');
    const gap = (f: DrawnFigure) => {
      const s = solve(f.poses[0]!, 'front');
      return [s.legs[1].joint[0] - s.legs[0].joint[0], s.legs[1].end[0] - s.legs[0].end[0]] as const;
    };
    expect(gap(wrong)[0]).toBeLessThan(gap(right)[0] - 0.08);
    expect(gap(wrong)[1]).toBeCloseTo(gap(right)[1], 6);
  });
  test('a stiff landing is straighter than a soft one; a rounded back is rounder', () => {
    const landing = wrongOf(figure('squat-jump'), 'a heavy landing')!;
    expect(hipOf(landing.wrong)).toBeGreaterThan(hipOf(landing.right) + 0.1);
    const round = wrongOf(figure('loaded-hinge'), 'the back rounds')!;
    expect(round.wrong.poses[0]!.curl).toBeGreaterThan(round.right.poses[0]!.curl + 15);
  });
  test('what a still drawing can’t show isn’t drawn', () => {
    for (const see of ['holds the breath', 'hurries', 'the hips tip from side to side'])
      expect(wrongOf(figure('squat'), see)).toBeNull();
  });
});

describe('the figure follows a form’s settings', () => {
  const shown = (move: string, settings: Settings = {}) => shownFor(library, { move, settings })!.figure;
  const hips = (f: DrawnFigure) => Math.min(...f.poses.map((pose) => pose.hip[1]));
  const raised = (f: DrawnFigure) => factsOfFigure(f).armsRaised;
  test('every setting of every move can be drawn, and more than a third are seen', () => {
    let [all, seen] = [0, 0];
    for (const move of library.moves)
      for (const settings of [
        ...move.trims.map(({ id }): Settings => ({ trim: id })),
        ...(move.support ? [{ support: true }] : []),
        ...(move.alone ? [{ side: 'left' as const }] : []),
      ]) {
        const f = shown(move.id, settings);
        expect([move.id, settings, faultsOf(f)]).toEqual([move.id, settings, []]);
        all += 1;
        if (JSON.stringify(f) !== JSON.stringify(shown(move.id))) seen += 1;
      }
    expect(seen / all).toBeGreaterThan(1 / 3);
  });
  test('a hand’s breadth less deep, and deeper', () => {
    expect(hips(shown('squat', { trim: 'shallower' }))).toBeGreaterThan(hips(shown('squat')) + 0.02);
    expect(hips(shown('squat', { trim: 'deeper' }))).toBeLessThan(hips(shown('squat')) - 0.02);
  });
  test('arms kept to shoulder height are no higher', () => {
    expect(raised(shown('step-jack'))).toBeGreaterThan(140);
    expect(raised(shown('step-jack', { trim: 'arms-low' }))).toBeLessThan(105);
  });
  test('held on to: a rail stands there and the far hand is on it in every pose', () => {
    const f = shown('split-squat', { support: true });
    const rail = f.props.find((p) => p.is === 'hold')!;
    for (const pose of f.poses) {
      const { end } = solve(pose, f.view).arms[1];
      expect(Math.abs(end[0] - (rail as { x: number }).x)).toBeLessThan(0.05);
    }
    expect(shown('split-squat').props.some((p) => p.is === 'hold')).toBe(false);
  });
  test('the left side alone is the right one mirrored', () => {
    const poseOf = (id: string, side: 'left' | 'right') => shown(id, { side }).poses.at(-1)!;
    // On their feet the other leg does it; on the other side of the body the head is at the other end.
    const standing = library.moves.find((m) => m.alone === 'leg' && m.posture.work === 'standing')!;
    expect(poseOf(standing.id, 'left').legs).toEqual([...poseOf(standing.id, 'right').legs].reverse());
    const [left, right] = (['left', 'right'] as const).map((side) => solve(poseOf('clam', side), 'side'));
    for (const part of ['crown', 'hip', 'neck'] as const) {
      expect(left![part][0]).toBeCloseTo(-right![part][0], 9);
      expect(left![part][1]).toBeCloseTo(right![part][1], 9);
    }
    expect(left!.legs[1].joint[0]).toBeCloseTo(-right!.legs[0].joint[0], 9);
    expect(left!.legs[1].joint[1]).toBeCloseTo(right!.legs[0].joint[1], 9);
    expect(shown('clam', { side: 'left' }).props).toEqual([{ is: 'mat', from: -1.1, to: 1.1 }]);
  });
});
