import { planClass } from '@inner-rung/core/class';
import { createScaler, type Use } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { REGIONS, RUNG_STEP, rungDemand } from '@inner-rung/core/ladder';
import { lawIn, subjectOf } from '@inner-rung/core/limits';
import { middle } from '@inner-rung/core/move';
import { planOf, readSession } from '@inner-rung/core/read';
import { READY_ROOMS } from '@inner-rung/core/room';
import { entriesOf } from '@inner-rung/core/session';
import { shipped } from '../generated.ts';
import { CIRCUITS } from './circuits.ts';
import { CLASSES, ON, PUPILS, type Pupil } from './people.ts';
import { RULES, type Seat } from './rules.ts';
import { DIALS, seatsOf } from './seats.ts';

/**
 * What a careful coach would refuse of what people are given: every pupil through every circuit in a hall, a front
 * room and a garden, and whole classes with one, two, three and four forms a station, each station held against rules
 * with a reason each. `--refused RULE` lists the seats that a rule refuses, `--classes` those of classes alone.
 */
const library = shipped();
const index = compileLibrary(library);
const rooms = READY_ROOMS.filter(({ id }) =>
  ['ready-hall', 'ready-living-room', 'ready-garden', 'ready-school-hall'].includes(id),
);

class Score {
  seats = 0;
  accepted = 0;
  readonly refused = new Map<string, string[]>();
  add(seat: Seat, says: string, against: readonly string[]): void {
    this.seats++;
    if (against.length === 0) this.accepted++;
    for (const id of against)
      this.refused.set(id, [
        ...(this.refused.get(id) ?? []),
        `${says}: ${seat.written.move} → ${seat.use ? `${seat.use.move}${seat.use.pace === null ? '' : ` at ${seat.use.pace}`}` : 'rest'}`,
      ]);
  }
  share = (n: number) => `${((100 * n) / this.seats).toFixed(1)} %`;
}

const against = (seat: Seat) => RULES.filter((rule) => rule.refuses(seat)).map(({ id }) => id);
const plans = CIRCUITS.map(({ name, text, writtenFor }) => {
  const plan = planOf(readSession(library, text))!;
  const session = { blocks: plan.blocks, forWhom: plan.forWhom };
  return { name, writtenFor, session, entries: entriesOf(plan.blocks) };
});
const requestOf = (of: (typeof plans)[number], pupil: Pupil) => ({
  session: of.session,
  writtenFor: of.writtenFor,
  dials: DIALS,
  subject: subjectOf(pupil.person, library, ON),
});

const alone = new Score();
for (const room of rooms.slice(0, 3)) {
  const scaler = createScaler(index, room);
  const law = lawIn(library, room);
  for (const plan of plans)
    for (const pupil of PUPILS) {
      const request = requestOf(plan, pupil);
      const { original, uses, reasons } = scaler.scale(request);
      const { subject } = request;
      for (const seat of seatsOf(
        { library, law, entries: plan.entries, pupil, subject, original },
        uses,
        reasons,
      ))
        alone.add(seat, `${room.name}, ${plan.name}, ${pupil.who}`, against(seat));
    }
}

/** Rungs by which one form asks less than another of what governs it most; above nought it is held down. */
function rungsBelow(given: Use, own: Use): number {
  const [a, b] = [given, own].map((use) => rungDemand(library, { move: use.move, settings: use.settings })!);
  const strengths = REGIONS.filter((region) => region.startsWith('strength.'));
  const governs = strengths.reduce((best, one) =>
    middle(b![one]) / RUNG_STEP[one] > middle(b![best]) / RUNG_STEP[best] ? one : best,
  );
  return (middle(b![governs]) - middle(a![governs])) / RUNG_STEP[governs];
}

const classes = new Score();
let able = 0;
let within = 0;
for (const room of rooms)
  for (const { name, who } of CLASSES)
    for (const most of [1, 2, 3, 4]) {
      const scaler = createScaler(index, room);
      const law = lawIn(library, room);
      for (const plan of plans) {
        const people = who.map((pupil, i) => ({
          id: `${String(i).padStart(2, '0')} ${pupil.who}`,
          pupil,
          request: requestOf(plan, pupil),
        }));
        const { uses, shortOf } = planClass(scaler, room, { people, most, besides: true });
        for (const { id, pupil, request } of people) {
          const own = scaler.scale(request);
          const given = uses[id]!;
          const { subject } = request;
          const seats = seatsOf(
            { library, law, entries: plan.entries, pupil, subject, original: own.original },
            given,
            own.reasons,
          );
          seats.forEach((seat, k) => {
            // There aren't enough of something: somebody has to do without.
            const short = shortOf.some((one) => one.person === id && one.entry === k);
            // A form less to show has its price: what trades name is asked where forms are free.
            const found = against(seat).filter(
              (rule) => (most >= 3 && !short) || (rule !== 'not the usual easier' && rule !== 'off pattern'),
            );
            const mine = own.uses[own.original.indexOf(seat.written)] ?? own.uses[k] ?? null;
            if ((pupil.is === 'fit' || pupil.is === 'general') && seat.use && mine && most >= 2 && !short) {
              able++;
              if (rungsBelow(seat.use, mine) <= 1) within++;
              else found.push('held down in class');
            }
            classes.add(seat, `${room.name}, ${name}, at most ${most}, ${plan.name}, ${pupil.who}`, found);
          });
        }
      }
    }

const at = process.argv.indexOf('--refused');
const only = process.argv.includes('--classes') ? [classes] : [alone, classes];
if (at > 0)
  for (const score of only)
    for (const line of score.refused.get(process.argv[at + 1] ?? '') ?? []) console.log(line);
else {
  console.log(
    `one by one: ${PUPILS.length} people × ${CIRCUITS.length} circuits × 3 rooms, ${alone.seats} seats; accepted ${alone.share(alone.accepted)}`,
  );
  console.log(
    `in classes: ${CLASSES.length} classes × ${CIRCUITS.length} circuits × ${rooms.length} rooms × 4, ${classes.seats} seats; accepted ${classes.share(classes.accepted)}; the able within a rung of their own ${((100 * within) / able).toFixed(1)} %`,
  );
  const rules = [
    ...RULES,
    {
      id: 'held down in class',
      says: 'more than a rung below what they would do by themselves, two forms and more',
    },
  ];
  for (const { id, says } of rules) {
    const [one, many] = [alone, classes].map((score) => score.refused.get(id)?.length ?? 0);
    console.log(`${id}: ${one} (${alone.share(one!)}), ${many} (${classes.share(many!)}): ${says}`);
  }
}
