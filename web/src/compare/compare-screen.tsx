import { everybodyIn, outlookOf } from '@inner-rung/core/person';
import { ArrowLeft } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { useScaled } from '../features/use-scaled.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { useApp } from '../store/index.ts';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Beside } from './beside.tsx';

/** The original beside any versions: station by station, in figures and in pictures. */
export default function CompareScreen() {
  const { id = '' } = useParams();
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const groupId = useApp((state) => state.view.group);
  const group = groups.find((g) => g.id === groupId) ?? null;
  const everybody = useMemo(
    () => (group ? everybodyIn(group, people) : people).filter((p) => outlookOf(p, today()).mayTrain),
    [group, people],
  );
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  // The session as written; who is compared comes beside it.
  const forAll = useMemo(
    () => plan && { ...plan, person: null, dials: { ...plan.dials, ability: 'as written' as const } },
    [plan],
  );
  const picture = useScaled(forAll, shipped, null, room, everybody);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library || !picture?.settled || picture.plan.id !== plan.id) return <Waiting />;
  return (
    <div className="min-h-dvh bg-base-200">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <h1 className="text-2xl">{plan.title}, side by side</h1>
      </header>
      <Beside key={id} library={library} picture={picture} everybody={everybody} first={plan.person} />
    </div>
  );
}
