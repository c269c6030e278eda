import { createScaler, type Use } from '@inner-rung/core/engine';
import { compileLibrary, formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, subjectOf } from '@inner-rung/core/limits';
import { planOf, readSession } from '@inner-rung/core/read';
import { READY_ROOMS } from '@inner-rung/core/room';
import { AS_WRITTEN, entriesOf } from '@inner-rung/core/session';
import { shipped } from '../generated.ts';
import { CIRCUITS } from './circuits.ts';
import { ON, PUPILS } from './people.ts';
import { RULES, type Seat, USUAL } from './rules.ts';

/**
 * What a careful coach would refuse of what people are given: every pupil through every circuit in a hall and in a
 * front room, each station held against rules with a reason each. `--refused RULE` lists the seats that a rule refuses.
 */
const library = shipped();
const index = compileLibrary(library);
const rooms = READY_ROOMS.filter(({ id }) =>
  ['ready-hall', 'ready-living-room', 'ready-garden'].includes(id),
);
const refused = new Map<string, string[]>(RULES.map(({ id }) => [id, []]));
let seats = 0;
let accepted = 0;

for (const room of rooms) {
  const scaler = createScaler(index, room);
  const law = lawIn(library, room);
  for (const { name, text, writtenFor } of CIRCUITS) {
    const plan = planOf(readSession(library, text))!;
    const entries = entriesOf(plan.blocks);
    for (const pupil of PUPILS) {
      const subject = subjectOf(pupil.person, library, ON);
      const dials = { ...AS_WRITTEN, ability: 'own rungs' as const };
      const version = scaler.scale({
        session: { blocks: plan.blocks, forWhom: plan.forWhom },
        writtenFor,
        dials,
        subject,
      });
      const c = compileConstraints(subject, dials);
      const open = (move: string) => formsOf(law.table, move).some((f) => law.isOpen(f, c));
      version.original.forEach((written, i) => {
        if (!written) return;
        const use: Use | null = version.uses[i] ?? null;
        const pattern = library.move(written.move)!.pattern;
        const usual = USUAL[written.move] ?? [];
        const seat: Seat = {
          library,
          pupil,
          written,
          use,
          reason: version.reasons.find((reason) => reason.entry === i) ?? null,
          sameFor: version.uses.flatMap((other, k) =>
            k !== i &&
            other &&
            use &&
            other.move === use.move &&
            JSON.stringify(other.settings) === JSON.stringify(use.settings)
              ? [version.original[k]?.move ?? written.move]
              : [],
          ),
          patternOpen: library.moves.some((move) => move.pattern === pattern && open(move.id)),
          usual,
          usualOpen: usual.filter((move) => library.move(move) && open(move)),
          loadKg:
            use &&
            use.move === written.move &&
            library.move(use.move)!.needs.some((need) => need.what === 'hand load')
              ? (entries[i]?.dose?.loadKg ?? null)
              : null,
        };
        seats++;
        const against = RULES.filter((rule) => rule.refuses(seat));
        if (against.length === 0) accepted++;
        for (const rule of against)
          refused
            .get(rule.id)!
            .push(
              `${room.name}, ${name}, ${pupil.who}: ${written.move} → ${use ? `${use.move}${use.pace === null ? '' : ` at ${use.pace}`}` : 'rest'}`,
            );
      });
    }
  }
}
const share = (n: number) => `${((100 * n) / seats).toFixed(1)} %`;
const at = process.argv.indexOf('--refused');
if (at > 0) for (const line of refused.get(process.argv[at + 1] ?? '') ?? []) console.log(line);
else {
  console.log(
    `${PUPILS.length} people × ${CIRCUITS.length} circuits × ${rooms.length} rooms, ${seats} seats; accepted ${share(accepted)}`,
  );
  for (const { id, says } of RULES)
    console.log(`${id}: ${refused.get(id)!.length} (${share(refused.get(id)!.length)}): ${says}`);
}
