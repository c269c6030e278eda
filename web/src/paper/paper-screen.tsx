import { floorPlan, HOW, type How } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import {
  cardsOf,
  classSheetOf,
  classSheetPages,
  type Page,
  personCards,
  runSheetOf,
  runSheetPages,
  SIZE_IDS,
  type SizeId,
  setupPages,
  setupSheetOf,
  stationCards,
  stationsOf,
} from '@inner-rung/core/paper';
import type { Group, Person } from '@inner-rung/core/person';
import { ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { isCircuit } from '@inner-rung/core/session';
import { PencilLine } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useClassToday } from '../features/class-today.ts';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { useScaled } from '../features/use-scaled.ts';
import { useSharing } from '../rooms/use-sharing.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { useApp } from '../store/index.ts';
import { Chip, Choice } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { PaperShell, SizeChoice, useType } from './paper-shell.tsx';
import { useCardCodes } from './use-card-codes.ts';
import { WordsDialog } from './words-dialog.tsx';

const WHAT = [
  { value: 'cards', says: 'a card for each' },
  { value: 'stations', says: 'a card for each station' },
  { value: 'class', says: 'class sheet, for you' },
  { value: 'run', says: 'run sheet' },
  { value: 'setup', says: 'set-up list' },
] as const;
type What = (typeof WHAT)[number]['value'];

interface Ground {
  readonly library: Library;
  readonly plan: Plan;
  readonly room: Room;
  readonly group: Group | null;
  readonly people: readonly Person[];
  readonly rooms: readonly Room[];
  readonly size: SizeId;
  /** What is chosen above every paper. */
  readonly choices: ReactNode;
}

/** Everything of a session on paper: seen first, then printed or as a PDF. */
export default function PaperScreen() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const groupId = useApp((state) => state.view.group);
  const what: What = WHAT.find(({ value }) => value === search.get('what'))?.value ?? 'cards';
  const asked = SIZE_IDS.find((size) => size === search.get('size')) ?? 'A4';
  // What hangs on a wall isn't read from a small sheet.
  const sizes = SIZE_IDS.filter((size) => what !== 'stations' || size !== 'A5');
  const size = sizes.includes(asked) ? asked : 'A4';
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  const put = (key: string, value: string) =>
    setSearch((now) => {
      const next = new URLSearchParams(now);
      next.set(key, value);
      return next;
    });
  const ground: Ground = {
    library,
    plan,
    people,
    rooms,
    size,
    group: groups.find((g) => g.id === groupId) ?? null,
    room: rooms.find((r) => r.id === plan.room) ?? ROOM_EXAMPLE,
    choices: (
      <>
        <Choice legend="Paper" name="what" value={what} of={WHAT} onChoose={(value) => put('what', value)} />
        <SizeChoice size={size} of={sizes} onSize={(value) => put('size', value)} />
      </>
    ),
  };
  if (what === 'run') return <RunPaper {...ground} />;
  if (what === 'setup')
    return (
      <SetupPaper
        {...ground}
        how={(Object.keys(HOW) as How[]).find((how) => how === search.get('how')) ?? 'together'}
        part={Number(search.get('part') ?? Number.NaN)}
      />
    );
  return <ClassPaper {...ground} what={what} />;
}

function ClassPaper(props: Ground & { what: 'cards' | 'stations' | 'class' }) {
  const { library, plan, group, people, rooms, what, size } = props;
  const { room, who, answer } = useClassToday(library, plan, plan.id, group, people, rooms);
  const [wording, setWording] = useState(false);
  const [coded, setCoded] = useState(false);
  const type = useType();
  const cards = useMemo(
    () => (what === 'cards' && answer?.switches ? cardsOf(library, plan, room, answer, today()) : null),
    [library, plan, room, answer, what],
  );
  const whose = useMemo(() => answer?.taking.map((one) => one.person.id) ?? [], [answer]);
  const codes = useCardCodes(cards, whose, coded);
  // Printed ones too: whoever holds such a card is asked to bring it back.
  const endCodes = async () => {
    const answer = await fetch('/api/cards', { method: 'DELETE' }).catch(() => null);
    if (answer?.ok) setCoded(false);
  };
  const pages = useMemo((): readonly Page[] | null => {
    if (!answer?.switches || !type || codes.is === 'making') return null;
    if (what === 'stations') return stationCards(stationsOf(library, plan, answer), size, type.measure);
    if (what === 'class')
      return classSheetPages(
        classSheetOf(library, plan, answer, group?.name ?? null, today()),
        size,
        type.measure,
      );
    if (!cards) return null;
    const all = cards.map((card, i) =>
      codes.is === 'made' && codes.cells[i] ? { ...card, code: codes.cells[i] } : card,
    );
    return personCards(all, size, type.measure);
  }, [library, plan, answer, type, what, size, group, cards, codes]);
  return (
    <PaperShell
      title={plan.title}
      name={`${plan.id}-${what}.pdf`}
      pages={pages}
      lacks={type?.lacks}
      back={{ to: `/plan/${plan.id}/class`, says: 'The class' }}
    >
      {props.choices}
      {what === 'cards' && (
        <>
          <button type="button" className="btn touch" onClick={() => setWording(true)}>
            <PencilLine size={18} aria-hidden /> Words
          </button>
          <Chip on={coded} onTurn={() => setCoded(!coded)}>
            A code for phones
          </Chip>
          {codes.is === 'made' && (
            <button type="button" className="btn touch" onClick={() => void endCodes()}>
              End every code
            </button>
          )}
          {codes.is === 'not' && (
            <p role="alert" className="max-w-sm text-sm font-semibold text-error">
              {codes.says}
            </p>
          )}
        </>
      )}
      {wording && (
        <WordsDialog
          library={library}
          plan={plan}
          people={[...new Map(who.taking.map((one) => [one.person.id, one.person])).values()]}
          onClose={() => setWording(false)}
        />
      )}
    </PaperShell>
  );
}

function RunPaper(props: Ground) {
  const { library, plan, size, room } = props;
  const [lanes, setLanes] = useState(true);
  const type = useType();
  // What is read aloud is the session as written; one person's own stands on their card.
  const forAll = useMemo(
    () => ({ ...plan, person: null, dials: { ...plan.dials, ability: 'as written' as const } }),
    [plan],
  );
  const picture = useScaled(forAll, library, null, room);
  const pages = useMemo(
    () =>
      type && picture?.settled && picture.plan.id === plan.id
        ? runSheetPages(runSheetOf(library, picture, lanes), size, type.measure)
        : null,
    [type, picture, plan.id, library, lanes, size],
  );
  return (
    <PaperShell
      title={plan.title}
      name={`${plan.id}-run.pdf`}
      pages={pages}
      lacks={type?.lacks}
      back={{ to: `/plan/${plan.id}/run-sheet`, says: 'The run sheet' }}
    >
      {props.choices}
      <Chip on={lanes} onTurn={() => setLanes(!lanes)}>
        What each lane does
      </Chip>
    </PaperShell>
  );
}

function SetupPaper(props: Ground & { how: How; part: number }) {
  const { library, plan, size, group, people, rooms, how } = props;
  const type = useType();
  const { room, who, answer } = useClassToday(library, plan, plan.id, group, people, rooms);
  const takers = who.taking;
  const block = plan.blocks[props.part] ? props.part : Math.max(0, plan.blocks.findIndex(isCircuit));
  const out = useSharing(library, plan, block, room, answer, how, undefined);
  const pages = useMemo(() => {
    if (!type || !out) return null;
    const floor = floorPlan(library, room, plan.blocks[block]!.stations.length, out.sharing.shared, how);
    return setupPages(
      setupSheetOf(library, plan, block, room, takers, out, floor, group?.name ?? null, today()),
      size,
      type.measure,
    );
  }, [type, out, library, room, plan, block, takers, group, how, size]);
  return (
    <PaperShell
      title={plan.title}
      name={`${plan.id}-setup.pdf`}
      pages={pages}
      lacks={type?.lacks}
      back={{ to: `/plan/${plan.id}/setup`, says: 'Set up' }}
    >
      {props.choices}
    </PaperShell>
  );
}
