import { cardsOf, personCards, pictureCard, type SizeId } from '@inner-rung/core/paper';
import { everybodyIn, outlookOf } from '@inner-rung/core/person';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useClassToday } from '../features/class-today.ts';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { useScaled } from '../features/use-scaled.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { useApp } from '../store/index.ts';
import { Choice } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { NotYet } from './not-yet.tsx';
import { PaperShell, SizeChoice, useType } from './paper-shell.tsx';

/** The card of whom the floor shows. */
export default function CardScreen() {
  const { id = '' } = useParams();
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const [size, setSize] = useState<SizeId>('A4');
  const person =
    people.find((p) => p.id === plan?.person) ??
    groups.flatMap((group) => everybodyIn(group, people)).find((p) => p.id === plan?.person) ??
    null;
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  const groupId = useApp((state) => state.view.group);
  const group = groups.find((one) => one.id === groupId) ?? null;
  const [alone, setAlone] = useState(false);
  // In a class somebody does what the class page, the sheet and the run say, one by one as well.
  const inClass =
    group !== null && person !== null && everybodyIn(group, people).some((p) => p.id === person.id);
  const together = useClassToday(inClass ? shipped : null, plan, id, group, people, rooms);
  const picture = useScaled(plan, shipped, person, room);
  const type = useType();
  const pages = useMemo(() => {
    if (!library || !type || !plan) return null;
    if (inClass && !alone) {
      const { answer } = together;
      const at = answer?.taking.findIndex((one) => one.person.id === person?.id) ?? -1;
      if (answer && at >= 0 && answer.switches) {
        const cards = cardsOf(library, plan, together.room, answer, today());
        return personCards(cards.slice(at, at + 1), size, type.measure);
      }
      if (!answer || at >= 0) return null;
    }
    return picture?.settled && picture.plan.id === plan.id
      ? personCards([pictureCard(library, picture, room, person, today())], size, type.measure)
      : null;
  }, [library, type, picture, plan, room, person, size, inClass, alone, together]);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  const back = { to: `/plan/${id}`, says: 'Back to the floor' };
  const outlook = person && outlookOf(person, today());
  if (outlook && !outlook.mayTrain)
    return <NotYet what="card" person={person} outlook={outlook} back={back} />;
  return (
    <PaperShell
      title={`Card for ${person?.name ?? 'a lane'}`}
      name={`${id}-card.pdf`}
      pages={pages}
      lacks={type?.lacks}
      back={back}
    >
      <SizeChoice size={size} onSize={setSize} />
      {inClass && (
        <Choice
          legend="What it says"
          name="whose"
          value={alone ? 'alone' : 'class'}
          of={[
            { value: 'class', says: `as in ${group.name}` },
            { value: 'alone', says: 'as on their own' },
          ]}
          onChoose={(value) => setAlone(value === 'alone')}
        />
      )}
    </PaperShell>
  );
}
