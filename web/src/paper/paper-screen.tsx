import { type Page, personCards, SIZE_IDS, type SizeId, stationCards } from '@inner-rung/core/paper';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { PencilLine } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { useClass } from '../class/use-class.ts';
import { useWhoToday } from '../class/who-today.ts';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { useApp } from '../store/index.ts';
import { Choice } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { cardsOf, stationsOf } from './class-cards.ts';
import { PaperShell, useMeasure } from './paper-shell.tsx';
import { WordsDialog } from './words-dialog.tsx';

const WHAT = [
  { value: 'cards', says: 'a card for each' },
  { value: 'stations', says: 'a card for each station' },
] as const;
type What = (typeof WHAT)[number]['value'];
const MOST_FORMS = 3;

/** Paper for a class: seen first, then printed or as a PDF. */
export default function PaperScreen() {
  const { id = '' } = useParams();
  const { library, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const groupId = useApp((state) => state.view.group);
  const group = groups.find((g) => g.id === groupId) ?? null;
  const room = rooms.find((r) => r.id === plan?.room) ?? ROOM_EXAMPLE;
  const who = useWhoToday(id, group, people);
  const answer = useClass(library, plan, room, who.taking, MOST_FORMS, 'together');
  const [what, setWhat] = useState<What>('cards');
  const [wording, setWording] = useState(false);
  const [size, setSize] = useState<SizeId>('A4');
  const measure = useMeasure();
  const pages = useMemo((): readonly Page[] | null => {
    if (!library || !plan || !answer?.switches || !measure) return null;
    return what === 'cards'
      ? personCards(cardsOf(library, plan, room, answer), size, measure.by)
      : stationCards(stationsOf(library, plan, answer), size, measure.by);
  }, [library, plan, room, answer, measure, what, size]);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  return (
    <PaperShell
      title={plan.title}
      name={`${id}-${what}.pdf`}
      pages={pages}
      back={{ to: `/plan/${id}/class`, says: 'The class' }}
    >
      <Choice legend="Paper" name="what" value={what} of={WHAT} onChoose={setWhat} />
      <Choice
        legend="Size"
        name="size"
        value={size}
        of={SIZE_IDS.filter((s) => what === 'cards' || s !== 'A5').map((s) => ({ value: s, says: s }))}
        onChoose={setSize}
      />
      {what === 'cards' && (
        <button type="button" className="btn touch" onClick={() => setWording(true)}>
          <PencilLine size={18} aria-hidden /> Words
        </button>
      )}
      {wording && <WordsDialog library={library} plan={plan} onClose={() => setWording(false)} />}
    </PaperShell>
  );
}
