import { type Capability, type Demand, type Move, unsafeEnd } from '../move/index.ts';

/** An easier way that a fault names and that the move it stands at can't be made easier by. */
interface HelpFinding {
  readonly says: string;
}

type Asked = Pick<Move, 'needs' | 'standard' | 'cues' | 'faults' | 'sides' | 'name'>;

interface Help {
  /** The help is one of these, whole. */
  readonly does: readonly string[];
  /** Why it doesn't fit; null where it does. */
  readonly amiss: (move: Asked, demand: Demand) => string | null;
}

/** What is held or pulled on and comes lighter. */
const LOADS: readonly Capability[] = ['hand load', 'band', 'pull anchor', 'high anchor', 'ball', 'towel'];
const needsOne = ({ needs }: Asked, of: readonly Capability[]) => needs.some(({ what }) => of.includes(what));
const words = ({ standard, cues, name }: Asked) => [name, standard, ...cues].join(' ').toLowerCase();

const HELPS: readonly Help[] = [
  {
    does: ['lighter', 'lighter weights', 'a lighter weight', 'a lighter bag', 'less load'],
    amiss: (move) => (needsOne(move, LOADS) ? null : 'it has no load'),
  },
  {
    does: ['hold on to something', 'a hand on a chair', 'fingertips on a chair', 'one hand on a wall'],
    amiss: (move, demand) =>
      needsOne(move, ['hand hold']) ||
      (needsOne(move, ['wall', 'firm surface']) && unsafeEnd(demand['hands.bearing']) > 0)
        ? 'the hands hold already'
        : null,
  },
  {
    does: ['raise the hands', 'raise the hands instead', 'hands raised', 'hands raised instead'],
    amiss: (move, demand) =>
      needsOne(move, ['wall'])
        ? 'the hands are on a wall'
        : unsafeEnd(demand['hands.bearing']) === 0
          ? 'no weight is on the hands'
          : null,
  },
  {
    does: ['hands on a chair'],
    amiss: (move) =>
      needsOne(move, ['wall', 'firm surface', 'seat']) ? 'the hands are on something as high already' : null,
  },
  {
    does: ['knees down', 'lower knee down'],
    amiss: (move, demand) =>
      unsafeEnd(demand['knee.kneel']) > 0
        ? 'the knees are down'
        : needsOne(move, ['wall'])
          ? 'they stand at a wall'
          : null,
  },
  {
    does: ['knees down'],
    amiss: (move) =>
      /knees? (drive|travel|step|and elbow)|feet? steps?/.test(words(move))
        ? 'the legs are what moves'
        : null,
  },
  {
    does: ['a smaller circle', 'smaller circles'],
    amiss: (move) => (/circl|round|stir/.test(words(move)) ? null : 'nothing goes round'),
  },
  {
    does: ['one leg, smaller range'],
    amiss: ({ sides }) => (sides === 'both' ? null : 'it is one leg already'),
  },
  {
    does: ['step instead', 'rise onto the toes instead', 'step back instead'],
    amiss: (_, demand) => (unsafeEnd(demand['impact.class']) >= 2 ? null : 'nothing leaves the floor'),
  },
];

/** A sideways step has no knee in front. */
const SIDEWAYS = /\b(sideways|to the side|from side to side|step wide|feet (very )?wide)\b/;

/** Faults whose help or whose words don't fit the move; empty where all do. */
export function helpFindings(move: Asked, demand: Demand): HelpFinding[] {
  return move.faults.flatMap(({ see, do: help }) => {
    const amiss = HELPS.filter(({ does }) => does.includes(help)).flatMap(
      ({ amiss }) => amiss(move, demand) ?? [],
    );
    const front = see.startsWith('the front knee') && SIDEWAYS.test(move.standard.toLowerCase());
    return [
      ...amiss.map((why) => ({ says: `“${help}” for “${see}”, and ${why}` })),
      ...(front ? [{ says: `“${see}”, and a step to the side has no front knee` }] : []),
    ];
  });
}
