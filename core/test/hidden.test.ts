import fc from 'fast-check';
import { addedPose, FIGURES, figureWords, seenAlong, turns, withoutPose } from '../src/figure/index.ts';
import { HIDDEN_LET_STAND, hiddenFindings, hiddenLeasts } from '../src/mechanics/index.ts';
import { demandOf, unsafeEnd } from '../src/move/index.ts';
import {
  type DrawnFigure,
  drawingSchema,
  HIDDEN_PARTS,
  hiddenAt,
  mostHidden,
  mostTurned,
  otherSide,
  RANGE_OF,
  THIGH_TURNS,
  withHidden,
} from '../src/pose/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const figureOf = (id: string): DrawnFigure => FIGURES[id]!((library.move(id)?.surface?.usualCm ?? 0) / 100);
const marked = library.moves.filter(({ id }) => figureOf(id).hidden);

describe('what a view hides', () => {
  test('is marked on every key pose of a move or on none, and within what people have', () => {
    expect(marked.length).toBeGreaterThan(70);
    for (const { id } of marked) {
      const figure = figureOf(id);
      expect([id, figure.hidden!.length]).toEqual([id, figure.poses.length]);
      for (const part of HIDDEN_PARTS)
        expect([id, part, mostHidden(figure, part) <= RANGE_OF[part]]).toEqual([id, part, true]);
      expect([id, mostTurned(figure).out <= THIGH_TURNS, mostTurned(figure).in <= THIGH_TURNS]).toEqual([
        id,
        true,
        true,
      ]);
    }
  });
  test('no figure of turning, bending aside or crossing stands that no pose is marked with', () => {
    const open = library.moves.flatMap(({ id }) => {
      const move = library.move(id)!;
      const demand = demandOf(move, library.demand.get(id)!);
      return hiddenFindings(demand, figureOf(id)).map(({ key }) => `${id} ${key}`);
    });
    expect(open.sort()).toEqual(Object.keys(HIDDEN_LET_STAND).sort());
  });
  test('no pose is marked with more than the figure says', () => {
    const less = marked.flatMap((move) =>
      hiddenLeasts(figureOf(move.id)).flatMap(({ key, least }) =>
        unsafeEnd(demandOf(move, library.demand.get(move.id)!)[key]) < least ? [`${move.id} ${key}`] : [],
      ),
    );
    expect(less).toEqual([]);
  });
  test('a weight or a band makes a turn more than the same turn without', () => {
    const turn = (props: DrawnFigure['props']) =>
      hiddenLeasts({ ...figureOf('standing-turn'), props }).find(({ key }) => key === 'spine.turn')!.least;
    expect([turn([]), turn([{ is: 'bell', in: 'both' }])]).toEqual([1, 2]);
  });
  test('the other side of a rep is turned the other way, and back again', () => {
    for (const { id } of marked) {
      const figure = figureOf(id);
      const other = otherSide(figure);
      expect(otherSide(other).hidden).toEqual(figure.hidden);
      expect(mostHidden(other, 'trunk')).toBe(mostHidden(figure, 'trunk'));
      expect(hiddenAt(other, 0.3).trunk).toBeCloseTo(-hiddenAt(figure, 0.3).trunk, 9);
    }
  });
  test('goes from pose to pose as the rep does: at a key pose what is marked there, between two between both', () => {
    fc.assert(
      fc.property(fc.constantFrom(...marked), fc.double({ min: 0, max: 1, noNaN: true }), ({ id }, t) => {
        const figure = figureOf(id);
        for (const part of HIDDEN_PARTS)
          expect(Math.abs(hiddenAt(figure, t)[part])).toBeLessThanOrEqual(mostHidden(figure, part) + 1e-9);
        const last = figure.hidden!.length - 1;
        figure.hidden!.forEach((mark, i) => {
          const at = last === 0 ? 0 : (i / last) * (figure.back ? 0.5 : 1);
          expect(hiddenAt(figure, at).trunk).toBeCloseTo(mark.trunk ?? 0, 6);
        });
      }),
    );
  });
});

describe('a drawing of one’s own', () => {
  const plain = figureOf('squat');
  test('is marked pose by pose, and bare again where nothing is left', () => {
    const turned = withHidden(plain, 1, 'trunk', 30);
    expect(turned.hidden).toEqual([{}, { trunk: 30 }]);
    expect(withHidden(turned, 1, 'trunk', 0)).toEqual(plain);
    expect(hiddenLeasts(turned)).toEqual([expect.objectContaining({ key: 'spine.turn', least: 2 })]);
  });
  test('keeps its marks at their poses where one is added or taken out', () => {
    const turned = withHidden(plain, 1, 'trunk', 30);
    const more = addedPose(turned, 0)!;
    expect(more.hidden).toEqual([{}, {}, { trunk: 30 }]);
    expect(withoutPose(more, 0).hidden).toEqual([{}, { trunk: 30 }]);
  });
  test('is refused with marks on some poses, or further than people turn', () => {
    const drawn = JSON.parse(JSON.stringify(plain));
    const faults = (hidden: unknown) =>
      drawingSchema.safeParse({ ...drawn, hidden }).error?.issues.map(({ path }) => path.join('.')) ?? [];
    expect(faults([{ trunk: 20 }, {}])).toEqual([]);
    expect(faults([{ trunk: 20 }])).toEqual(['hidden']);
    expect(faults([{ trunk: 90 }, {}])).toEqual(['hidden.0.trunk']);
  });
});

describe('a figure that turns, seen along the spine', () => {
  /** The direction of a bar that is drawn from one end to the other, degrees. */
  const wayOf = (d: string): number => {
    const [ax, ay, bx, by] = /^M(\S+) (\S+)L(\S+) (\S+?)A/u.exec(d)!.slice(1).map(Number) as number[];
    return (Math.atan2(-(by! - ay!), bx! - ax!) * 180) / Math.PI;
  };
  test('has its shoulders turned against its hips by what is marked', () => {
    const figure = figureOf('seated-turn');
    for (const t of [0, 0.25, 0.5]) {
      const [hips, shoulders] = seenAlong(figure, t);
      const apart = wayOf(shoulders!.d) - wayOf(hips!.d);
      expect(((apart + 540) % 360) - 180).toBeCloseTo(hiddenAt(figure, t).trunk, 0);
    }
  });
  test('is drawn and told only where something turns', () => {
    expect([turns(figureOf('squat')), turns(figureOf('seated-turn')), turns(figureOf('neck-nods'))]).toEqual([
      false,
      true,
      true,
    ]);
    expect(figureWords(figureOf('seated-turn'))).toMatch(/shoulders turn against the hips by up to 22°/);
    expect(figureWords(figureOf('squat'))).not.toMatch(/turn/);
  });
});
