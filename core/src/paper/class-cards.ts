import { planMark } from '../class/index.ts';
import { formatWords, lengthWords, rangeOf } from '../clock/index.ts';
import type { Switches, Use } from '../engine/index.ts';
import { shownFor } from '../figure/index.ts';
import type { Library } from '../ladder/index.ts';
import { BANDS, bandOfRpe, dayWords, effortOn, outlookOf, type Person } from '../person/index.ts';
import type { Room } from '../room/index.ts';
import { aimOf, doesOf } from '../run/index.ts';
import {
  blockName,
  clockOfBlock,
  type Entry,
  entriesOf,
  factsIn,
  type Plan,
  REST_STYLES,
  timelineOf,
} from '../session/index.ts';
import { restingSays } from '../ways/index.ts';
import { formName, OWN_STOP, restingName, spokenAs } from '../words/index.ts';
import type { CardLine, PersonCard, StationCard } from './cards.ts';
import type { PlannedClass, ScaledSession } from './planned.ts';
import { thingsOf } from './things.ts';

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
  person: string | null,
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

/** What a card is made of: what somebody does at each entry, and where they go from there. */
interface Done {
  readonly library: Library;
  readonly plan: Plan;
  readonly room: Room | null;
  readonly person: Person | null;
  readonly name: string;
  readonly uses: readonly (Use | null)[];
  readonly switches: readonly Switches[] | null;
  readonly whole: string;
  readonly on: string;
  /** How hard it is meant to feel for them, where it is meant to feel like anything. */
  readonly aim: number | null;
  /** Which plan of the class it is; without it, a card by itself. */
  readonly mark?: string;
}

const effortLine = (most: number | null, aim: number | null): string =>
  most === null
    ? ''
    : aim === null
      ? `How hard: up to ${most} of 10. You can still ${BANDS[bandOfRpe(most)].can}.`
      : `How hard: about ${aim} of 10${aim < most ? `, never over ${most}` : ''}. You can still ${BANDS[bandOfRpe(aim)].can}.`;

/** What they do in rests, where something is asked for: their own, where what is meant isn't open to them. */
function restLine({ library, plan, person, on }: Done): string {
  const styles = [...new Set(plan.blocks.flatMap(({ resting }) => resting ?? []))];
  const own = person ? restingSays(library, person, on, styles) : {};
  const says = styles.map((style) => own[style] ?? REST_STYLES[style].says);
  return says.length > 0 ? `In the rests: ${[...new Set(says)].join(', or ')}.` : '';
}

function cardOf(of: Done): PersonCard {
  const { library, plan, person, uses, on } = of;
  const entries = entriesOf(plan.blocks);
  const does = doesOf(library, plan, uses);
  const outlook = person && outlookOf(person, on);
  const most = outlook && effortOn(outlook);
  return {
    name: of.name,
    session: of.mark === undefined ? plan.title : `${plan.title} · ${dayWords(on)} · plan ${of.mark}`,
    whole: of.whole,
    effort: [effortLine(most, of.aim), restLine(of)].filter(Boolean).join(' '),
    lines: entries.map((entry, i): CardLine => {
      const use = uses[i] ?? null;
      const switches = of.switches?.[i];
      const begins = entry.inBlock === 0 && entry.part === 0 && (entry.round ?? 0) === 0;
      const round = (entry.round ?? 0) > 0 ? `Round ${entry.round! + 1}: ` : '';
      return {
        ...(begins && plan.blocks.length > 1
          ? {
              part: `${blockName(plan.blocks, entry.block)}: ${formatWords(plan.blocks[entry.block]!.format)}`,
            }
          : {}),
        number: entry.part === 0 ? String(entry.inBlock + 1) : 'then',
        form: `${round}${does[i]?.name ?? (library.move(entry.move) ? 'Easy movement, or a breather' : restingName(library, entry.move))}`,
        dose: does[i]?.dose ?? '',
        cues: cuesAt(library, plan, entry, use, person?.id ?? null),
        easier: said(library, switches?.down ?? null),
        harder: said(library, switches?.up ?? null),
        figure: use ? drawing(library, use) : null,
      };
    }),
    care: outlook?.cautions ?? [],
    ready: thingsOf(library, of.room, person, uses).map((thing) => thing.toLowerCase()),
    stop: OWN_STOP,
  };
}

/** Everybody's card of a planned class, in the order of the class. */
export function cardsOf(
  library: Library,
  plan: Plan,
  room: Room,
  answer: PlannedClass,
  on: string,
  /** Whether they say of which plan of the class they are. */
  marked = true,
): PersonCard[] {
  const whole = lengthWords(rangeOf(timelineOf(plan, factsIn(library)).segments));
  const mark = planMark(answer.plan);
  return answer.taking.map((one) =>
    cardOf({
      ...(marked ? { mark } : {}),
      library,
      plan,
      room,
      person: one.person,
      name: spokenAs(one.person).name,
      uses: answer.plan.uses[one.id] ?? [],
      switches: answer.switches?.[one.id] ?? null,
      whole,
      on,
      aim: aimOf(plan, one, on),
    }),
  );
}

/** The card of whom the floor shows: one person, or nobody by name. */
export function pictureCard(
  library: Library,
  picture: ScaledSession,
  room: Room | null,
  person: Person | null,
  on: string,
): PersonCard {
  return cardOf({
    library,
    plan: picture.plan,
    room,
    person,
    name: person?.name ?? 'For a lane',
    uses: picture.version.uses,
    switches: picture.settled?.switches ?? null,
    whole: lengthWords(picture.sums.range),
    on,
    aim: person && aimOf(picture.plan, { id: person.id, person }, on),
  });
}

/** What was written, and as many others as a class may have. */
const MOST_SHOWN = 5;
/** A card a station for the wall: what is shown there, nobody's name. */
export function stationsOf(library: Library, plan: Plan, answer: PlannedClass): StationCard[] {
  const mark = planMark(answer.plan);
  return entriesOf(plan.blocks).flatMap((entry, i): StationCard[] => {
    if (entry.part > 0) return [];
    const block = plan.blocks[entry.block]!;
    const taught = answer.plan.entries[i]?.forms ?? [];
    return [
      {
        number: String(entry.station + 1),
        session: `${plan.blocks.length > 1 ? `${plan.title}, ${blockName(plan.blocks, entry.block)}` : plan.title} · plan ${mark}`,
        clock: clockOfBlock(block),
        forms: taught.slice(0, MOST_SHOWN).map(({ form, people }) => {
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
