import { personCards, pictureCard, type SizeId } from '@inner-rung/core/paper';
import { everybodyIn, outlookOf } from '@inner-rung/core/person';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { useOwnWords } from '../plan/use-own-words.ts';
import { useScaled } from '../plan/use-scaled.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
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
  const picture = useScaled(plan, shipped, person, room);
  const type = useType();
  const pages = useMemo(
    () =>
      library && type && picture?.settled && picture.plan.id === plan?.id
        ? personCards([pictureCard(library, picture, room, person, today())], size, type.measure)
        : null,
    [library, type, picture, plan?.id, room, person, size],
  );
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
    </PaperShell>
  );
}
