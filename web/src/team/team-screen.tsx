import { useState } from 'react';
import { Link } from 'react-router';
import { team } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { useAsk } from '../store/use-ask.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { BeginTeam } from './begin-team.tsx';
import { Wrong } from './fields.tsx';
import { Members } from './members.tsx';
import { OwnPart } from './own-part.tsx';
import { Sheet } from './sheet.tsx';
import { SignIns } from './sign-ins.tsx';

/** What the owner does besides: the trail, a new sheet, the end of the team. */
function OwnersPart(props: { name: string }) {
  const { ask, wrong, busy } = useAsk('/api/team');
  const [sure, setSure] = useState(false);
  const [code, setCode] = useState<string | null>(null);
  if (code) return <Sheet code={code} owner={props.name} onKept={() => setCode(null)} />;
  return (
    <section aria-labelledby="besides-h" className="grid max-w-prose gap-3">
      <h2 id="besides-h" className="text-2xl">
        The owner’s
      </h2>
      <p>
        What each may do is one table. What was seen, changed, printed and erased stands in{' '}
        <Link to="/trail" className="link">
          who did what
        </Link>
        .
      </p>
      <Wrong says={wrong} />
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn touch"
          disabled={busy}
          onClick={() =>
            void ask('/sheet', { method: 'POST' }).then(
              async (answer) => answer && setCode(((await answer.json()) as { recovery: string }).recovery),
            )
          }
        >
          A new sheet for the way back in
        </button>
        <button
          type="button"
          className="btn touch"
          disabled={busy}
          onClick={() =>
            sure
              ? void ask('', { method: 'DELETE' }).then((answer) => answer && location.reload())
              : setSure(true)
          }
        >
          {sure ? 'Yes: everybody out, one trainer’s machine again' : 'End the team'}
        </button>
      </div>
    </section>
  );
}

/** The people of a small team, and who each may see. */
export default function TeamScreen() {
  const { data, failed } = team.use();
  const { groups } = useShelf();
  if (failed) return <ServerAway />;
  if (!data) return <Waiting />;
  const { on, me, may } = data;
  const mayManage = may.includes('manage-team');
  return (
    <div className="min-h-dvh">
      <PartsHeader here="team" />
      <main className="mx-auto grid max-w-4xl gap-6 px-4 py-6">
        <h1 className="text-3xl">Team</h1>
        {!on && <BeginTeam />}
        {on && mayManage && <Members team={data.team} groups={groups} onChanged={team.again} />}
        {me && <OwnPart me={me} team={data.team} />}
        {on && mayManage && <SignIns team={data.team} />}
        {on && mayManage && me && <OwnersPart name={me.name} />}
      </main>
    </div>
  );
}
