import type { Format } from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import { type Block, type Dose, type Plan, type RestStyle, ROLES, roleOf } from '../session/index.ts';

const aimLine = ({ effort, newcomers }: NonNullable<Plan['aim']>): string =>
  `Effort ${effort} of 10${newcomers === undefined ? '' : `, new to it ${newcomers}`}`;
const list = (pieces: readonly (string | false | undefined)[]) => pieces.filter(Boolean).join(', ');
const roundsOf = (f: { rounds: number; mostRounds?: number | undefined; roundRestSeconds: number }) => [
  f.mostRounds ? `${f.rounds} to ${f.mostRounds} rounds` : f.rounds > 1 && `${f.rounds} rounds`,
  f.roundRestSeconds > 0 && `${f.roundRestSeconds} s between rounds`,
];
const turnsOf = (f: {
  workSeconds: number;
  restSeconds: number;
  rounds: number;
  roundRestSeconds: number;
}) => [`${f.workSeconds} s work, ${f.restSeconds} s rest`, ...roundsOf(f)];

/** A clock in words that are read back as the same clock. */
function clockWords(f: Format): string {
  switch (f.kind) {
    case 'intervals':
      return list(turnsOf(f));
    case 'staggered':
      return list([
        ...turnsOf(f),
        `inner lanes end at ${f.innerPercent} percent`,
        `middle lane ends at ${f.middlePercent} percent`,
      ]);
    case 'progressive':
      return list(['progressive', ...turnsOf(f)]);
    case 'rotation':
      return list(['rotation', ...turnsOf(f), `${f.groups} groups`]);
    case 'tabata':
      return list([`tabata ${f.bouts} bouts`]);
    case 'one-minute':
      return list(['one minute stations', ...roundsOf(f)]);
    case 'amrap':
      return list([`AMRAP ${f.capSeconds} seconds`, f.led && 'led together']);
    case 'emom':
      return list([
        f.everySeconds === undefined
          ? `EMOM ${f.minutes} minutes`
          : `every ${f.everySeconds} seconds, ${f.minutes} times`,
        f.order === 'station by station' ? `${f.stationRestSeconds} s between stations` : 'in turn',
        f.growBy !== undefined && `adding ${f.growBy} each turn`,
      ]);
    case 'for time':
      return list([
        `${f.rounds} rounds for time`,
        f.capSeconds !== undefined && `cap ${f.capSeconds} seconds`,
        f.led && 'led together',
      ]);
    case 'rounds':
      return list([
        f.mostRounds ? `${f.rounds} to ${f.mostRounds} rounds` : `${f.rounds} rounds`,
        `${f.restSeconds} s rest`,
        f.roundRestSeconds > 0 && `${f.roundRestSeconds} s between rounds`,
      ]);
    case 'sets':
      return list([
        `${f.sets} sets`,
        `${f.restSeconds} s rest`,
        `${f.stationRestSeconds} s between stations`,
      ]);
    case 'superset':
      return list([
        `superset x ${f.sets}`,
        `${f.restSeconds} s rest`,
        `${f.pairRestSeconds} s between rounds`,
      ]);
    case 'pyramid':
      return list([
        `pyramid ${f.from} to ${f.to} by ${f.by}${f.timed ? ' seconds' : ''}`,
        f.way === 'up and down' ? 'and back down' : f.way === 'down' && 'downwards',
        f.holdSeconds > 0 && `${f.holdSeconds} s hold after each`,
        f.stepRestSeconds > 0 && `${f.stepRestSeconds} s rest`,
      ]);
    case 'descending':
      return list([
        `${f.from} down to ${f.to} by ${f.by}`,
        f.rounds > 1 && `${f.rounds} rounds`,
        f.capSeconds !== undefined && `cap ${f.capSeconds} seconds`,
      ]);
    case 'flow':
      return f.restSeconds > 0 ? `${f.restSeconds} s rest` : '';
  }
}

const nameOf = (library: Library, move: string) => library.move(move)?.name ?? move.replace(/-/g, ' ');
function stationWords(name: string, dose: Dose | undefined): string {
  const count =
    dose?.reps !== undefined
      ? `${dose.reps} x `
      : dose?.seconds !== undefined
        ? `${dose.seconds} s `
        : dose?.metres !== undefined
          ? `${dose.metres} metres `
          : '';
  const sets = dose?.sets !== undefined ? `${dose.sets} ${dose.sets === 1 ? 'set' : 'sets'} of ` : '';
  return [
    `${sets}${count.replace(/ x $/, sets && count ? ' ' : ' x ')}${name}`,
    dose?.each === true && 'each side',
    dose?.each === false && 'in all',
    dose?.tempo !== undefined && `tempo ${dose.tempo}`,
    dose?.loadKg !== undefined && `@ ${dose.loadKg} kg`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** What is done in the rests, in words that are read back as the same. */
const REST_LINES: Readonly<Record<RestStyle, string>> = {
  moving: 'Keep moving in the rests',
  jogging: 'Jog on the spot in the rests',
  marching: 'March on the spot in the rests',
  shaking: 'Shake out in the rests',
  standing: 'Stand still in the rests',
  sitting: 'Sit down in the rests',
};

function blockWords(library: Library, block: Block, many: boolean): string[] {
  const role = roleOf(block);
  const clock = clockWords(block.format);
  const named = block.name?.trim();
  return [
    many || role !== 'circuit' ? `${named && role === 'circuit' ? named : ROLES[role]}: ${clock}` : clock,
    ...(block.resting ? [REST_LINES[block.resting]] : []),
    ...block.stations.map((station) =>
      [
        stationWords(nameOf(library, station.move), station.dose),
        ...(station.chain ?? []).map((part) => stationWords(nameOf(library, part.move), part.dose)),
      ].join(' + '),
    ),
    ...(block.after
      ? [`Rest ${block.after.seconds} s${block.after.mostSeconds ? ` to ${block.after.mostSeconds} s` : ''}`]
      : []),
    '',
  ];
}

/** A session as plain text: what is read back from it is the same session, as far as plain words can say it. */
export function plainText(library: Library, plan: Pick<Plan, 'title' | 'blocks' | 'aim'>): string {
  return [
    plan.title,
    ...(plan.aim ? [aimLine(plan.aim)] : []),
    '',
    ...plan.blocks.flatMap((block) => blockWords(library, block, plan.blocks.length > 1)),
  ]
    .join('\n')
    .trimEnd();
}
