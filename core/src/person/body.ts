import { cap, HEAD_UP, hold, LOOSE_GRIP, NO_KNEELING, NO_PIVOT, ONE_FOOT_DOWN } from './condition.ts';
import { type Limit, limitSchema, type Preset, type Side } from './limits.ts';

interface Place {
  readonly name: string;
  readonly sided: boolean;
  /** What is kept from it while it hurts: pain there today, or a limit a trainer points at. */
  readonly sore: readonly Preset[];
}

/** Places on the body that can be pointed at, top to toe, and what spares each. Common practice. */
export const BODY = {
  head: { name: 'Head', sided: false, sore: [HEAD_UP, cap('strain.breath', 0, 'no straining')] },
  neck: {
    name: 'Neck',
    sided: false,
    sore: [cap('neck.load', 0, 'no load on the neck'), cap('balance.headTurn', 0, 'the head stays still')],
  },
  shoulder: {
    name: 'Shoulder',
    sided: true,
    sore: [
      cap('shoulder.raisedDeg', 80, 'arms stay low'),
      cap('shoulder.overheadLoad', 0, 'no load overhead'),
      cap('shoulder.behind', 0, 'no load behind the body'),
      cap('shoulder.load', 1, 'no load through the shoulder'),
    ],
  },
  elbow: {
    name: 'Elbow',
    sided: true,
    sore: [
      cap('elbow.load', 1, 'hardly any load through the elbow'),
      cap('strength.grip', 25, 'a light grip'),
      LOOSE_GRIP,
    ],
  },
  wrist: {
    name: 'Wrist or hand',
    sided: true,
    sore: [
      cap('wrist.load', 8, 'no weight through the wrist'),
      cap('wrist.bentBackDeg', 30, 'no bent-back wrist'),
      cap('strength.grip', 20, 'a light grip'),
      LOOSE_GRIP,
      cap('wrist.turn', 0, 'no twisting at the wrist'),
    ],
  },
  'upper back': {
    name: 'Upper back or ribs',
    sided: false,
    sore: [cap('spine.turn', 0, 'no twisting'), cap('shoulder.overheadLoad', 0, 'no load overhead')],
  },
  'lower back': {
    name: 'Lower back',
    sided: false,
    sore: [
      cap('spine.bend', 1, 'no rounding under load'),
      cap('spine.arch', 0, 'no arching under load'),
      cap('spine.turn', 1, 'hardly any twisting'),
      cap('strain.belly', 1, 'no hard bracing'),
      ONE_FOOT_DOWN,
    ],
  },
  belly: {
    name: 'Belly or pelvic floor',
    sided: false,
    sore: [
      cap('strain.belly', 0, 'no pressure on the belly'),
      cap('strain.breath', 0, 'no straining'),
      ONE_FOOT_DOWN,
      cap('posture.prone', 0, 'not on the front'),
    ],
  },
  hip: {
    name: 'Hip',
    sided: true,
    sore: [
      ONE_FOOT_DOWN,
      cap('hip.bendDeg', 90, 'no hip bend past a right angle'),
      cap('hip.extensionDeg', 10, 'the thigh not far behind'),
      cap('hip.turnOut', 0, 'the thigh doesn’t turn out'),
      cap('hip.turnIn', 0, 'the thigh doesn’t turn in'),
      hold(3),
    ],
  },
  knee: {
    name: 'Knee',
    sided: true,
    sore: [
      ONE_FOOT_DOWN,
      cap('knee.bendDeg', 80, 'a shallow bend under load'),
      cap('knee.load', 2, 'everyday load through the knee'),
      NO_KNEELING,
      NO_PIVOT,
    ],
  },
  ankle: {
    name: 'Ankle or foot',
    sided: true,
    sore: [
      ONE_FOOT_DOWN,
      cap('ankle.load', 1, 'hardly any load through the ankle'),
      cap('toes.curl', 0, 'toes not bent under'),
      hold(2),
    ],
  },
} as const satisfies Record<string, Place>;
export type BodyPlace = keyof typeof BODY;
export const BODY_PLACES = Object.keys(BODY) as BodyPlace[];

/** Limits that spare a place, under a prefix of their own: "today/knee/knee.load". */
export function spare(
  place: BodyPlace,
  side: Side,
  how: Pick<Limit, 'source' | 'acute'> & { readonly prefix: string; readonly until?: string },
): Limit[] {
  const { sided, sore }: Place = BODY[place];
  const { prefix, ...rest } = how;
  return sore.map((preset) =>
    limitSchema.parse({
      ...preset,
      ...rest,
      id: `${prefix}/${place}/${preset.kind === 'cap' ? preset.on : preset.kind}${sided && side !== 'both' ? `/${side}` : ''}`,
      side: sided ? side : 'both',
    }),
  );
}

/** Words for places as people say them, the first that is found. */
const SAID: readonly (readonly [RegExp, BodyPlace])[] = [
  [/\bneck\b/i, 'neck'],
  [/\b(?:wrist|hand|finger|thumb)s?\b/i, 'wrist'],
  [/\belbows?\b/i, 'elbow'],
  [/\bshoulders?\b/i, 'shoulder'],
  [/\b(?:knee|kneecap)s?\b/i, 'knee'],
  [/\b(?:ankle|foot|feet|heel|toe|shin|calf|calves|achilles)s?\b/i, 'ankle'],
  [/\b(?:hip|groin)s?\b/i, 'hip'],
  [/\b(?:upper back|ribs?|between the shoulder blades)\b/i, 'upper back'],
  [/\bback\b/i, 'lower back'],
  [/\b(?:belly|tummy|stomach|pelvic floor)\b/i, 'belly'],
  [/\bhead(?:ache)?\b/i, 'head'],
];

/** A place and its side out of words such as "left knee"; null where no place is named. */
export function placeNamed(said: string): { place: BodyPlace; side: Side } | null {
  const found = SAID.find(([words]) => words.test(said));
  if (!found) return null;
  const [left, right] = [/\bleft\b/i.test(said), /\bright\b/i.test(said)];
  const side = left === right || !BODY[found[1]].sided ? 'both' : left ? 'left' : 'right';
  return { place: found[1], side };
}
