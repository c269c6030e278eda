import type { How } from '@inner-rung/core/class';
import { whoWords } from '@inner-rung/core/paper';
import { blockName, isCircuit } from '@inner-rung/core/session';
import { ArrowLeft, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useClassToday } from '../features/class-today.ts';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { WaitingLine } from '../features/waiting-line.tsx';
import { useShelf } from '../store/data.ts';
import { useGroupFromAddress } from '../store/group-address.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { Choice } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Out } from './put-out.tsx';
import { useSharing } from './use-sharing.ts';

/** Before you start: what to put out and where, which stand-ins to announce, who gets what. */
export default function SetupScreen() {
  const { id = '' } = useParams();
  useGroupFromAddress();
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const groupId = useApp((state) => state.view.group);
  // In waves or halves is a matter of the floor; all at one or going round is the class's own.
  const [split, setSplit] = useState<'waves' | 'halves' | null>(null);
  const [ahead, setAhead] = useState<number>();
  const send = useSend();
  const circuits = useMemo(
    () => (plan?.blocks ?? []).flatMap((b, i) => (isCircuit(b) ? [i] : [])),
    [plan?.blocks],
  );
  const [picked, setPicked] = useState<number>();
  const block = circuits.includes(picked ?? -1) ? picked! : (circuits[0] ?? 0);
  const group = groups.find((g) => g.id === groupId) ?? null;
  const inClass = useClassToday(shipped, plan, id, group, people, rooms);
  const { room, who, answer } = inClass;
  const how: How = split ?? inClass.how;
  const { taking: takers, waiting } = who;
  const out = useSharing(shipped, plan, block, room, answer, how, ahead);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  return (
    <div className="min-h-dvh">
      <header className="no-print flex flex-wrap items-center gap-3 border-b-2 border-base-300 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <Choice
          legend="How the class goes round"
          name="how"
          value={how}
          of={[
            { value: 'together', says: 'Everybody at one station' },
            { value: 'waves', says: 'In two waves' },
            { value: 'halves', says: 'In two halves' },
            { value: 'rotation', says: 'Rotating' },
          ]}
          onChoose={(next) => {
            setSplit(next === 'waves' || next === 'halves' ? next : null);
            if (next === 'together' || next === 'rotation') inClass.setWays({ how: next });
            setAhead(undefined);
          }}
        />
        <Link
          to={`/plan/${id}/paper?what=setup&how=${how}&part=${block}`}
          className="btn btn-primary touch ml-auto"
        >
          <Printer size={18} aria-hidden /> On paper
        </Link>
      </header>
      <main className="mx-auto max-w-6xl px-4 py-3 md:px-6">
        <h1 className="text-3xl">Before you start: {plan.title}</h1>
        {circuits.length > 1 && (
          <Choice
            legend="Which part"
            name="part"
            value={block}
            of={circuits.map((b) => ({ value: b, says: blockName(plan.blocks, b) }))}
            onChoose={setPicked}
          />
        )}
        <p className="quiet">{whoWords(takers, group?.name ?? null, room)}</p>
        <WaitingLine waiting={waiting} className="mt-1" />
        {takers.length === 0 ? (
          <p className="mt-4 text-lg">
            Nobody to plan for yet.{' '}
            <Link to="/people" className="underline underline-offset-4">
              Add them, by name or by number
            </Link>
            .
          </p>
        ) : out === null ? (
          <p className="quiet mt-4" role="status">
            Giving out what is there…
          </p>
        ) : (
          <Out
            library={library}
            plan={plan}
            block={block}
            room={room}
            takers={takers}
            out={out}
            how={how}
            ahead={ahead ?? Math.floor(plan.blocks[block]!.stations.length / 2)}
            onFix={(fix) => {
              if (fix.kind === 'start ahead') setAhead(fix.by);
              else {
                const order = plan.blocks[block]!.stations.map((_, i) => i);
                const [a, b] = fix.stations;
                [order[a], order[b]] = [b, a];
                send(planEvents.stationsOrdered({ block, order }));
              }
            }}
          />
        )}
      </main>
    </div>
  );
}
