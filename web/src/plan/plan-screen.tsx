import { useParams } from 'react-router';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useShelf } from '../store/data.ts';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Workbench } from './workbench.tsx';

/** A session on its floor, as a sheet or being built, once all that it stands on is here. */
export default function PlanScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  return <Workbench plan={plan} shipped={library} />;
}
