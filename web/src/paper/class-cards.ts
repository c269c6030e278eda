import { formatWords, lengthWords, rangeOf } from '@inner-rung/core/clock';
import { shownFor } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import type { PersonCard, StationCard } from '@inner-rung/core/paper';
import { BANDS, bandOfRpe, effortOn, outlookOf } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { formName, type Use } from '@inner-rung/core/scale';
import { blockName, type Entry, entriesOf, factsIn, type Plan, timelineOf } from '@inner-rung/core/session';
import { today } from '../app/day.ts';
import { thingsOf } from '../card/things.ts';
import { spoken } from '../class/spoken.ts';
import type { ClassAnswer } from '../class/use-class.ts';
import { doesOf } from '../run/make-run.ts';
import { OWN_STOP } from '../ui/stop-words.ts';

/** A form's own drawing; none where it would be another move's. */
function drawing(library: Library, form: { move: string; settings?: Use['settings'] | undefined }) {
  const shown = shownFor(library, form);
  return shown && !shown.like ? shown.figure : null;
}

/** What is said at an entry: the trainer's own words for them, or for the station, else the move's cues. */
function cuesAt(
  library: Library,
  plan: Plan,
  entry: Entry,
  use: Use | null,
  person: string,
): readonly string[] {
  const block = plan.blocks[entry.block]!;
  const { id, words } = block.stations[entry.inBlock]!;
  if (entry.part === 0) {
    const own = plan.wordsFor?.find(
      (one) => one.block === block.id && one.station === id && one.person === person,
    );
    const said = own?.words ?? words;
    if (said) return [said];
  }
  return use ? (library.move(use.move)?.cues ?? []) : ['Walk gently until the next station'];
}

const said = (library: Library, use: Use | null): string | null =>
  use ? formName(library, use.move, use.settings).toLowerCase() : null;

/** Everybody's card of a planned class, in the order of the class. */
export function cardsOf(library: Library, plan: Plan, room: Room, answer: ClassAnswer): PersonCard[] {
  const entries = entriesOf(plan.blocks);
  const whole = lengthWords(rangeOf(timelineOf(plan, factsIn(library)).segments));
  return answer.taking.map((one): PersonCard => {
    const outlook = outlookOf(one.person, today());
    const uses = answer.plan.uses[one.id] ?? [];
    const does = doesOf(library, plan, uses);
    const most = effortOn(outlook);
    return {
      name: spoken(one).name,
      session: plan.title,
      whole,
      effort: `How hard: up to ${most} of 10. You can still ${BANDS[bandOfRpe(most)].can}.`,
      lines: entries.map((entry, i) => {
        const use = uses[i] ?? null;
        const switches = answer.switches?.[one.id]?.[i];
        return {
          number: entry.part === 0 ? String(entry.station + 1) : 'then',
          form: does[i]?.name ?? 'Easy movement, or a breather',
          dose: does[i]?.dose ?? '',
          cues: cuesAt(library, plan, entry, use, one.person.id),
          easier: said(library, switches?.down ?? null),
          harder: said(library, switches?.up ?? null),
          figure: use ? drawing(library, use) : null,
        };
      }),
      care: outlook.cautions,
      ready: thingsOf(library, room, one.person, uses).map((thing) => thing.toLowerCase()),
      stop: OWN_STOP,
    };
  });
}

/** A card a station for the wall: what is shown there, nobody's name. */
export function stationsOf(library: Library, plan: Plan, answer: ClassAnswer): StationCard[] {
  return entriesOf(plan.blocks).flatMap((entry, i): StationCard[] => {
    if (entry.part > 0) return [];
    const block = plan.blocks[entry.block]!;
    const taught = answer.plan.entries[i]?.forms ?? [];
    return [
      {
        number: String(entry.station + 1),
        session:
          plan.blocks.length > 1 ? `${plan.title}, ${blockName(plan.blocks, entry.block)}` : plan.title,
        clock: formatWords(block.format),
        forms: taught.slice(0, 4).map(({ form, people }) => {
          const id = people[0];
          const uses = id ? (answer.plan.uses[id] ?? []) : [];
          return {
            name: formName(library, form.move, form.settings),
            dose: id ? (doesOf(library, plan, uses)[i]?.dose ?? '') : '',
            figure: drawing(library, form),
          };
        }),
      },
    ];
  });
}
