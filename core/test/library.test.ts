import { FIGURES } from '@inner-rung/core/figure';
import {
  type Avoid,
  breaksPromise,
  checkLadder,
  difficultyOf,
  familyOf,
  hardnessOn,
  type Ladder,
  openLibrary,
  patternOf,
  rungDemand,
  TRUNK_PATTERNS,
} from '@inner-rung/core/ladder';
import { type DemandKey, middle, PATTERNS, type Pattern } from '@inner-rung/core/move';
import { mostHidden } from '@inner-rung/core/pose';
import { plainName } from '@inner-rung/core/read';
import { shippedFiles, shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const trunks = library.ladders.filter((l) => l.branchOf.length === 0);
const demand = (id: string) => library.demand.get(id)!;
const unsafe = (id: string, key: DemandKey) => demand(id)[key].hi ?? Number.NaN;
const ids = (where: (id: string) => boolean) => library.moves.map((m) => m.id).filter(where);
const none: string[] = [];

describe('the shipped library’s size', () => {
  const standing = new Set(library.ladders.flatMap((l) => l.rungs.map((r) => r.move)));
  const serving = (as: string) => library.moves.filter((m) => m.serves?.as === as);

  test('at least 260 moves stand on at least 48 ladders, branches not counted', () => {
    expect(standing.size).toBeGreaterThanOrEqual(260);
    expect(trunks.length).toBeGreaterThanOrEqual(48);
  });
  test('every ladder and branch has four to eight rungs', () => {
    expect(library.ladders.filter((l) => l.rungs.length < 4 || l.rungs.length > 8).map((l) => l.id)).toEqual(
      none,
    );
  });
  test('at least 25 warm-up moves and 20 stretches, each naming the joints or muscles it serves', () => {
    const warm = [...serving('pulse'), ...serving('mobility')];
    expect(warm.length).toBeGreaterThanOrEqual(25);
    expect(serving('stretch').length).toBeGreaterThanOrEqual(20);
    for (const move of [...warm, ...serving('stretch')])
      expect([move.id, move.serves!.joints.length + move.serves!.muscles.length > 0]).toEqual([
        move.id,
        true,
      ]);
  });
  test('every pattern has moves, and every pattern that is trained has a ladder', () => {
    const patterns = new Set(library.moves.map((m) => m.pattern));
    expect(PATTERNS.filter((p) => !patterns.has(p))).toEqual(none);
    const climbed = new Set(trunks.map((l) => patternOf(library, l)));
    expect(PATTERNS.filter((p) => p !== 'mobility' && p !== 'stretch' && !climbed.has(p))).toEqual(none);
  });
  test('a move stands on a ladder, or names an easier form', () => {
    expect(ids((id) => !standing.has(id) && !library.move(id)!.easier)).toEqual(none);
  });
  test('an easier form asks no more of balance, of the floor and of landing', () => {
    for (const move of library.moves) {
      const easier = move.easier && rungDemand(library, move.easier);
      if (!easier) continue;
      // Sitting asks a little balance that lying doesn't; it is still the easier form.
      for (const key of ['balance.level', 'posture.floor', 'impact.class'] as const)
        expect([
          move.id,
          key,
          easier[key].hi! <= unsafe(move.id, key) ||
            (key === 'balance.level' && easier['posture.floor'].hi! < unsafe(move.id, 'posture.floor')),
        ]).toEqual([move.id, key, true]);
    }
  });
});

describe('every ladder could be signed by a careful coach', () => {
  const findings = library.ladders.flatMap((ladder) => checkLadder(library, ladder));

  test('no finding of the two upper severities', () => {
    expect(
      findings.filter((f) => f.severity !== 'note').map((f) => `${f.ladder} ${f.rung} ${f.check}: ${f.says}`),
    ).toEqual(none);
  });
  test('no ladder gives out early, and none is too short', () => {
    expect(
      findings
        .filter((f) => f.check === 'gives out early' || f.check === 'too long or too short')
        .map((f) => f.says),
    ).toEqual(none);
  });

  const family = (ladder: Ladder) => familyOf(library, ladder);
  const flies = (l: Ladder) => l.rungs.some((r) => rungDemand(library, r)!['impact.class'].hi! >= 2);
  const onHands = (l: Ladder) =>
    l.rungs.some((r) => breaksPromise('weight through the wrists', rungDemand(library, r)!));
  const onFloor = (l: Ladder) => l.rungs.some((r) => rungDemand(library, r)!['posture.floor'].hi! > 0);
  const keeps = (l: Ladder, avoids: Avoid) =>
    l.rungs.every((r) => !breaksPromise(avoids, rungDemand(library, r)!));

  test('every ladder with flight has a branch with one foot down at every rung', () => {
    const flying = trunks.filter(flies);
    expect(flying.length).toBeGreaterThan(10);
    for (const trunk of flying)
      expect([trunk.id, family(trunk).some((l) => keeps(l, 'leaving the floor'))]).toEqual([trunk.id, true]);
  });
  test('every ladder with weight on the hands has a wrist-free branch', () => {
    const bearing = trunks.filter(onHands);
    expect(bearing.length).toBeGreaterThan(10);
    for (const trunk of bearing)
      expect([
        trunk.id,
        family(trunk).some((l) => l.branchOf.length > 0 && keeps(l, 'weight through the wrists')),
      ]).toEqual([trunk.id, true]);
  });
  test('every floor ladder of the trunk has a standing and a seated branch', () => {
    const floor = trunks.filter(
      (l) => (TRUNK_PATTERNS as readonly Pattern[]).includes(patternOf(library, l)) && onFloor(l),
    );
    expect(floor.length).toBeGreaterThan(8);
    for (const trunk of floor) {
      const branches = family(trunk).filter((l) => l.branchOf.length > 0);
      expect([trunk.id, branches.some((l) => keeps(l, 'getting down to the floor'))]).toEqual([
        trunk.id,
        true,
      ]);
      expect([trunk.id, branches.some((l) => keeps(l, 'standing and the floor'))]).toEqual([trunk.id, true]);
    }
  });
  test('every kneeling rung has a form near it in its family that is off the kneecap', () => {
    let kneeling = 0;
    for (const ladder of library.ladders)
      for (const rung of ladder.rungs) {
        const d = rungDemand(library, rung)!;
        if (d['knee.kneel'].hi === 0) continue;
        kneeling++;
        const hard = hardnessOn(ladder.measures, d);
        const round = family(ladder).some((l) =>
          l.rungs.some((r) => {
            const other = rungDemand(library, r)!;
            return other['knee.kneel'].hi === 0 && Math.abs(hardnessOn(ladder.measures, other) - hard) < 26;
          }),
        );
        expect([ladder.id, rung.move, round]).toEqual([ladder.id, rung.move, true]);
      }
    expect(kneeling).toBeGreaterThan(15);
  });
  test('somebody frail can begin on every ladder whose pattern allows it, and somebody fit isn’t done at its top', () => {
    for (const trunk of trunks) {
      const all = family(trunk).flatMap((l) =>
        l.rungs.map((r) => difficultyOf(rungDemand(library, r)!).points),
      );
      expect([trunk.id, Math.min(...all) < 40, Math.max(...all) > 60]).toEqual([trunk.id, true, true]);
    }
  });
  test('household stuff or nothing at all is enough somewhere in every family but those built on kit', () => {
    // Bottles and bags are weights, a towel in a door is an anchor; what is left has to be bought.
    const kit = new Set(['low bar', 'high bar', 'high anchor', 'ball', 'rope', 'band']);
    const built: string[] = [];
    for (const trunk of trunks) {
      if (built.includes(trunk.id)) continue;
      const free = family(trunk).some((l) =>
        l.rungs.some((r) => library.move(r.move)!.needs.every((n) => !kit.has(n.what))),
      );
      expect([trunk.id, free]).toEqual([trunk.id, true]);
    }
  });
});

describe('every move', () => {
  test('effort rises with pace', () => {
    for (const move of library.moves) {
      const d = demand(move.id);
      const [slow, usual, fast] = [d['effort.metSlow'], d['effort.met'], d['effort.metFast']].map(middle);
      expect([move.id, slow! <= usual!, usual! <= fast!]).toEqual([move.id, true, true]);
    }
  });
  test('impact class and landings agree', () => {
    for (const move of library.moves) {
      const lands = unsafe(move.id, 'impact.landings') + unsafe(move.id, 'impact.highLandings') > 0;
      expect([move.id, lands]).toEqual([move.id, unsafe(move.id, 'impact.class') >= 2]);
      if (unsafe(move.id, 'impact.highLandings') > 0)
        expect([move.id, unsafe(move.id, 'impact.class')]).toEqual([move.id, 3]);
    }
  });
  test('no everyday twin of one move crosses an impact class', () => {
    const named = new Map<string, string[]>();
    for (const move of library.moves)
      for (const name of [move.name, ...move.twins].map(plainName))
        named.set(name, [...(named.get(name) ?? []), move.id]);
    for (const [name, moves] of named) {
      const classes = new Set(moves.map((id) => (unsafe(id, 'impact.class') >= 2 ? 'flies' : 'stays down')));
      expect([name, classes.size]).toEqual([name, 1]);
    }
  });
  test('posture and figures agree', () => {
    const low = ['kneeling', 'all fours', 'lying on the back', 'lying on the front', 'sitting on the floor'];
    for (const move of library.moves) {
      const { start, work, end } = move.posture;
      const down = [start, work, end].some((p) => low.includes(p));
      if (down) expect([move.id, unsafe(move.id, 'posture.floor')]).toEqual([move.id, 1]);
      expect([move.id, unsafe(move.id, 'posture.standing')]).toEqual([
        move.id,
        [start, work, end].includes('standing') ? 1 : 0,
      ]);
      if (work === 'lying on the back')
        expect([
          move.id,
          unsafe(move.id, 'posture.supine') > 0 || unsafe(move.id, 'hands.bearing') > 0,
        ]).toEqual([move.id, true]);
      if (work === 'lying on the front')
        expect([move.id, unsafe(move.id, 'posture.prone')]).toEqual([move.id, 1]);
    }
  });
  test('neither standing nor on the floor nor lying is sitting, on a seat', () => {
    for (const move of library.moves) {
      const up = (['posture.standing', 'posture.floor', 'posture.lying'] as const).every(
        (key) => unsafe(move.id, key) === 0,
      );
      if (up)
        expect([move.id, move.posture.work, move.needs.some((n) => n.what === 'seat')]).toEqual([
          move.id,
          'seated',
          true,
        ]);
    }
  });
  test('weight on a bent-back hand is also load through the wrist', () => {
    expect(ids((id) => unsafe(id, 'wrist.bentBackDeg') > 45 && unsafe(id, 'wrist.load') === 0)).toEqual(none);
  });
  test('a load asked for is a grip and a busy hand', () => {
    for (const move of library.moves)
      if (move.needs.some((n) => n.what === 'hand load'))
        expect([move.id, unsafe(move.id, 'hands.busy') > 0, unsafe(move.id, 'strength.grip') > 0]).toEqual([
          move.id,
          true,
          true,
        ]);
  });
  test('what is held and goes over the shoulders is load overhead', () => {
    const held = (id: string) =>
      library.move(id)!.needs.some(({ what }) => what === 'hand load' || what === 'ball');
    const raised = (id: string) => (rungDemand(library, { move: id })!['shoulder.raisedDeg'].lo ?? 0) >= 110;
    expect(ids((id) => held(id) && raised(id) && unsafe(id, 'shoulder.overheadLoad') === 0)).toEqual(none);
  });
  /** Half of what a trunk turns, degrees. */
  const HALF_WAY = 23;
  test('a trunk that turns far over two planted feet turns a thigh in', () => {
    const turns = (id: string) =>
      library.move(id)!.posture.work === 'standing' &&
      unsafe(id, 'balance.singleLeg') === 0 &&
      // By how far it is marked to turn: a small turn under a weight counts as one, and turns no hip.
      mostHidden(FIGURES[id]!((library.move(id)!.surface?.usualCm ?? 0) / 100), 'trunk') >= HALF_WAY;
    expect(ids((id) => turns(id) && unsafe(id, 'hip.turnIn') === 0)).toEqual(none);
  });
  test('lying on the back, a bent knee that carries nothing is no bend under load', () => {
    const lies = (id: string) => {
      const { start, work, end } = library.move(id)!.posture;
      return [start, work, end].every((one) => one === 'lying on the back');
    };
    expect(ids((id) => lies(id) && unsafe(id, 'knee.load') === 0 && unsafe(id, 'knee.bendDeg') > 0)).toEqual(
      none,
    );
  });
  test('one that lands hard, hangs, arches, rounds or strains a joint says when to stop', () => {
    const strains = (id: string) =>
      unsafe(id, 'impact.class') >= 3 ||
      unsafe(id, 'spine.arch') >= 2 ||
      unsafe(id, 'spine.bend') >= 3 ||
      unsafe(id, 'shoulder.behind') >= 3 ||
      unsafe(id, 'shoulder.overheadLoad') >= 3 ||
      unsafe(id, 'knee.load') >= 4 ||
      unsafe(id, 'neck.load') >= 2;
    const quiet = ids((id) => strains(id) && library.move(id)!.stopIf.length === 0);
    expect(quiet).toEqual(none);
  });
  test('a hand hold is asked for where a hand is said to hold', () => {
    for (const move of library.moves)
      if (
        /holding on|hand on a chair|hands on a chair/i.test(move.name) &&
        unsafe(move.id, 'hands.bearing') < 2
      )
        expect([move.id, move.needs.some((n) => n.what === 'hand hold')]).toEqual([move.id, true]);
  });
  test('a hand on a chair takes something low enough to lean on, which a wall isn’t', () => {
    for (const move of library.moves)
      if (/hands? on a chair/i.test(move.name))
        expect([
          move.id,
          move.needs.some((n) => n.what === 'firm surface' && (n.min ?? 0) >= 40 && (n.max ?? 0) <= 80),
        ]).toEqual([move.id, true]);
  });
  test('what anything steady would do for isn’t named after a chair or a wall, which may not be there', () => {
    const says = library.moves.flatMap((move) => (move.support?.say ? [[move.id, move.support.say]] : []));
    expect(says.length).toBeGreaterThan(0);
    expect(says.filter(([, say]) => /chair|wall|table|bench|rail/.test(say!))).toEqual([]);
  });
});

/** Absolute MET at the usual pace, by what the Compendium 2011 gives for the group (from memory), as a band. */
describe('effort lies where the Compendium 2011 puts its kind (from memory)', () => {
  const band = (where: (id: string) => boolean, lo: number, hi: number) => {
    const outside = ids(where).filter((id) => {
      const met = middle(demand(id)['effort.met']);
      return met < lo || met > hi;
    });
    expect(outside).toEqual(none);
  };
  const by =
    (...patterns: Pattern[]) =>
    (id: string) =>
      patterns.includes(library.move(id)!.pattern);
  test('02101 stretching 2.3 with 07021 sitting 1.3 below it: 1.2–2.6', () => band(by('stretch'), 1.2, 2.6));
  test('02024 light to 02022 moderate calisthenics 2.8–3.8: planks and leg lowers, nothing moving, 1.6–3.8', () =>
    band((id) => by('brace', 'side brace')(id) && library.move(id)!.unit === 'hold', 1.6, 3.8));
  test('02054 resistance, varied, 3.5 to 02050 vigorous 6.0: rows, curls and presses with a weight 1.7–6', () =>
    band(
      (id) =>
        by('pull level', 'pull overhead', 'push overhead')(id) &&
        library.move(id)!.needs.some((n) => n.what === 'hand load'),
      1.7,
      6,
    ));
  test('02052 squats 5.0: standing squats below a thigh level with the floor 3.5–6.5', () =>
    band(
      (id) => by('squat')(id) && unsafe(id, 'knee.bendDeg') >= 105 && library.move(id)!.unit === 'reps',
      3.5,
      6.5,
    ));
  test('02020 vigorous calisthenics 8.0 to 15550 fast skipping 12.3: what flies 5.5–12.5', () =>
    band((id) => unsafe(id, 'impact.class') >= 2 && !by('get up')(id), 5.5, 12.5));
  test('03020 low-impact aerobic dance 5.0: travelling and marching with a foot down 2.2–7.5', () =>
    band((id) => by('locomotion')(id) && unsafe(id, 'impact.class') === 1, 2.2, 7.5));
});

/** The worked families a coach would recite, bottom to top; each is common practice. */
describe('the order of rungs (common practice)', () => {
  const climbs = (measure: DemandKey, forms: readonly (readonly [string, number?])[]) => {
    const values = forms.map(([move, surfaceCm]) =>
      middle(
        rungDemand(library, { move, ...(surfaceCm === undefined ? {} : { settings: { surfaceCm } }) })![
          measure
        ],
      ),
    );
    expect(values).toEqual([...values].sort((a, b) => a - b));
    expect(new Set(values).size).toBe(values.length);
  };
  test.each<[string, DemandKey, (readonly [string, number?])[]]>([
    [
      'push: wall, worktop, chair, low step, floor, slow, feet up',
      'strength.push',
      [
        ['wall-push-up'],
        ['raised-push-up', 90],
        ['raised-push-up', 43],
        ['raised-push-up', 20],
        ['push-up'],
        ['slow-push-up'],
        ['feet-raised-push-up', 60],
      ],
    ],
    [
      'squat: with hands, to a seat, touch, full, pause, one and a quarter, jump',
      'strength.legs',
      [
        ['hands-help-stand'],
        ['sit-to-stand', 43],
        ['touch-squat', 43],
        ['squat'],
        ['pause-squat'],
        ['quarter-pulse-squat'],
        ['squat-jump'],
      ],
    ],
    [
      'sit to stand: the lower the seat the harder',
      'strength.legs',
      [
        ['sit-to-stand', 55],
        ['sit-to-stand', 48],
        ['sit-to-stand', 40],
      ],
    ],
    [
      'split stance: held, static, step back, forwards, rear foot raised, switch jump',
      'strength.legs',
      [
        ['split-squat-held'],
        ['split-squat'],
        ['step-back-lunge'],
        ['lunge'],
        ['rear-foot-raised-squat'],
        ['switch-jump-lunge'],
      ],
    ],
    [
      'burpee: wall, chair, floor, with a rise, hop back, jump, push-up',
      'effort.met',
      [
        ['wall-step-back'],
        ['chair-step-back'],
        ['floor-step-back'],
        ['floor-step-back-reach'],
        ['hop-back-stand'],
        ['burpee'],
        ['burpee-push-up'],
      ],
    ],
    [
      'jack: tap, step low, step high, jump, squat, star',
      'effort.met',
      [['side-tap'], ['step-jack-low'], ['step-jack'], ['jumping-jack'], ['squat-jack'], ['star-jump']],
    ],
    [
      'plank: wall, worktop, knees, full, arms ahead',
      'strength.front',
      [['wall-plank'], ['raised-plank', 90], ['knee-plank'], ['plank'], ['long-plank']],
    ],
    [
      'plank on forearms all the way',
      'strength.front',
      [['wall-forearm-plank'], ['knee-forearm-plank'], ['forearm-plank'], ['forearm-plank-leg-lift']],
    ],
    [
      'trunk bend: seated, hands up thighs, crunch, feet held, sit-up, fold',
      'strength.front',
      [['seated-lean-back'], ['crunch-slide'], ['crunch'], ['sit-up-feet-held'], ['sit-up'], ['fold-up']],
    ],
    [
      'leg lower: slide, tap, one leg, both small, both full',
      'strength.front',
      [['heel-slide'], ['heel-tap'], ['single-leg-lower'], ['double-leg-lower-small'], ['double-leg-lower']],
    ],
    [
      'bridge: small, full, pause, march, one leg',
      'strength.back',
      [['small-bridge'], ['bridge'], ['pause-bridge'], ['bridge-march'], ['single-leg-bridge']],
    ],
    [
      'bird dog: arm, leg, opposite pair',
      'strength.side',
      [['arm-only-all-fours'], ['leg-only-all-fours'], ['bird-dog']],
    ],
    [
      'step: 10, 20, 30 cm',
      'effort.met',
      [
        ['step-up', 10],
        ['step-up', 20],
        ['step-up', 30],
      ],
    ],
    [
      'kneel to stand: held, free, rise, hop, jump to feet',
      'strength.legs',
      [
        ['kneel-stand-held'],
        ['kneel-stand'],
        ['kneel-stand-rise'],
        ['kneel-stand-hop'],
        ['knee-jump-to-feet'],
      ],
    ],
    [
      'pull: seated, standing, one arm, bent over, inverted',
      'strength.pull',
      [['seated-row'], ['standing-row'], ['one-arm-row'], ['bent-row'], ['inverted-row']],
    ],
    [
      'dip: seated press, floor, chair bent, chair straight',
      'strength.push',
      [['seated-arm-press'], ['floor-dip'], ['chair-dip-bent'], ['chair-dip-straight']],
    ],
    [
      'walk-out: bent, straight, with push-up',
      'strength.push',
      [['walk-out-bent'], ['walk-out'], ['walk-out-push-up']],
    ],
    [
      'side brace: lean, knees, top foot, stacked, top leg',
      'strength.side',
      [['wall-side-lean'], ['knee-side-plank'], ['side-plank-top-foot'], ['side-plank'], ['side-plank-leg']],
    ],
    [
      'anti-turn: knees, feet wide, feet together, reach',
      'strength.side',
      [['shoulder-tap-knees'], ['shoulder-tap-wide'], ['shoulder-tap'], ['plank-arm-reach']],
    ],
    [
      'knee hover: brace, hover, one arm off',
      'strength.front',
      [['all-fours-brace'], ['knee-hover'], ['knee-hover-tap']],
    ],
    [
      'trunk turn: seated, feet down, feet up, loaded',
      'strength.side',
      [['seated-turn'], ['floor-turn'], ['floor-turn-feet-up'], ['floor-turn-load']],
    ],
    [
      'tuck: one knee, both, hips lift, straight legs',
      'strength.front',
      [['knee-to-chest'], ['double-knee-tuck'], ['reverse-curl'], ['straight-leg-reverse-curl']],
    ],
    [
      'locomotion: march, high, quick, jog, high knees, sprint',
      'effort.met',
      [['march'], ['high-march'], ['quick-high-step'], ['jog-on-spot'], ['high-knees'], ['sprint-on-spot']],
    ],
    [
      'punches: standing, with knee bend, with travel',
      'effort.met',
      [['standing-punch'], ['punch-bend'], ['punch-shuffle']],
    ],
    [
      'hinge: wall, stick, light dead lift, swing',
      'strength.back',
      [['wall-hinge'], ['stick-hinge'], ['loaded-hinge'], ['swing']],
    ],
    [
      'base: feet together, half tandem, tandem, one leg, head turning',
      'balance.level',
      [
        ['feet-together-stand'],
        ['half-tandem-stand'],
        ['tandem-stand'],
        ['one-leg-stand'],
        ['one-leg-head-turn'],
      ],
    ],
  ])('%s', (_name, measure, forms) => climbs(measure, forms));

  test('knees and a chair are one rung in two forms: much the same share of body weight', () => {
    const knees = middle(demand('knee-push-up')['strength.push']);
    const chair = middle(
      rungDemand(library, { move: 'raised-push-up', settings: { surfaceCm: 43 } })!['strength.push'],
    );
    expect(Math.abs(knees - chair)).toBeLessThan(3);
  });
});

describe('a broken library file names file, move and field', () => {
  const broken = (change: (families: { name: string; json: any }[]) => void) => {
    const files = structuredClone(shippedFiles());
    change(files);
    try {
      openLibrary(files);
    } catch (error) {
      return (error as Error).message;
    }
    return 'opened';
  };
  type Files = { name: string; json: any }[];
  const fileOf = (files: Files, ladder: string) =>
    files.find((f) => f.name === `ladders/push/${ladder}.json`)!.json;
  const push = (files: Files) => fileOf(files, 'push');
  /** A move wherever it has its home. */
  const move = (files: Files, id: string) =>
    files.flatMap((f) => f.json.moves ?? []).find((m: any) => m.id === id)!;

  test('a word where a number belongs', () => {
    const message = broken((files) => {
      move(files, 'knee-push-up').demand['wrist.load'] = 'lots';
    });
    expect(message).toMatch(/ladders\/push\/[a-z-]+\.json: move "knee-push-up", field "demand\.wrist\.load"/);
  });
  test('a demand nobody knows', () => {
    expect(broken((files) => (move(files, 'wall-push-up').demand['wrist.joy'] = 1))).toMatch(
      /push\.json: move "wall-push-up"/,
    );
  });
  test('a rung with no move', () => {
    expect(broken((files) => (push(files).ladder.rungs[1].move = 'ghost'))).toMatch(
      /push\.json: ladder "push", field "rungs\.1\.move": there is no move "ghost"/,
    );
  });
  test('a lever nobody knows', () => {
    expect(
      broken(
        (files) =>
          (move(files, 'wall-push-up').faults = [
            { see: 'the hips sag', say: 'Ribs down.', lever: 'magic', do: 'nothing' },
          ]),
      ),
    ).toMatch(/move "wall-push-up", field "faults\.0\.lever"/);
  });
  test('a branch of a ladder that isn’t there', () => {
    expect(broken((files) => (fileOf(files, 'push-knees').ladder.branchOf = ['ghost']))).toMatch(
      /ladder "push-knees", field "branchOf\.0": there is no ladder "ghost"/,
    );
  });
  test('an easier form that isn’t there', () => {
    expect(broken((files) => (move(files, 'wall-push-up').easier = { move: 'ghost' }))).toMatch(
      /move "wall-push-up", field "easier\.move"/,
    );
  });
  test('a base that leaves a figure unstated', () => {
    const message = broken((files) => {
      delete files.find((f) => f.name === 'bases.json')!.json.bases[0].demand['neck.load'];
    });
    expect(message).toMatch(/field "demand\.neck\.load": not stated/);
  });
  test('muscle shares that don’t add up', () => {
    expect(broken((files) => (move(files, 'push-up').muscles.chest = 0.9))).toMatch(
      /"push-up", field "muscles"/,
    );
  });
  test('two moves with one id', () => {
    expect(broken((files) => push(files).moves.push(push(files).moves[0]))).toMatch(
      /already used in ladders\/push\/push\.json/,
    );
  });
  test('a surface outside its range', () => {
    expect(broken((files) => (push(files).ladder.rungs[1].settings.surfaceCm = 200))).toMatch(
      /200 cm is outside 15–95 cm/,
    );
  });
});
