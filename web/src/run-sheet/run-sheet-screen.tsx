import type { RunRow } from '@inner-rung/core/paper';
import { runSheetOf } from '@inner-rung/core/paper';
import { ArrowLeft, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { useScaled } from '../features/use-scaled.ts';
import { useShelf } from '../store/data.ts';
import { Chip } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';

/** The session read aloud, minute by minute: what is now, what is next, what to say, what each lane does. */
export default function RunSheetScreen() {
  const { id = '' } = useParams();
  const { library: shipped, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const [lanes, setLanes] = useState(true);
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  // What is read aloud is the session as written, with its lanes; one person's own stands on the card.
  const forAll = useMemo(
    () => plan && { ...plan, person: null, dials: { ...plan.dials, ability: 'as written' as const } },
    [plan],
  );
  const picture = useScaled(forAll, shipped, null, room);
  const sheet = useMemo(
    () => (library && picture ? runSheetOf(library, picture, lanes) : null),
    [library, picture, lanes],
  );
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !sheet || picture?.plan.id !== plan.id) return <Waiting />;
  return (
    <div className="min-h-dvh bg-base-200">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <Chip on={lanes} onTurn={() => setLanes(!lanes)}>
          What each lane does
        </Chip>
        <Link to={`/plan/${id}/paper?what=run`} className="btn btn-primary touch ml-auto">
          <Printer size={18} aria-hidden /> On paper
        </Link>
      </header>
      <main className="mx-auto max-w-4xl bg-base-100 px-5 py-5 md:my-4 md:px-10">
        <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b-4 border-current pb-2">
          <h1 className="text-3xl">{sheet.title}</h1>
          <p className="display text-2xl">{sheet.whole}</p>
        </div>
        {sheet.notes && <p className="mt-2 whitespace-pre-line">{sheet.notes}</p>}
        {sheet.blocks.map((block, b) => (
          <section key={plan.blocks[b]!.id} aria-labelledby={`run-${plan.blocks[b]!.id}`} className="mt-5">
            <h2
              id={`run-${plan.blocks[b]!.id}`}
              className="flex flex-wrap items-baseline gap-x-4 border-b-2 border-current text-2xl"
            >
              <span className="w-16 text-right">{block.at}</span>
              {block.name}
            </h2>
            {block.about.map((line) => (
              <p key={line} className="pl-[4.75rem]">
                {line}
              </p>
            ))}
            <ol>
              {block.rows.map((row, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
                <Row key={i} row={row} />
              ))}
            </ol>
          </section>
        ))}
        <p className="mt-6 border-t-2 border-current pt-2 text-sm">{sheet.stop}</p>
      </main>
    </div>
  );
}

/** Parts run together as they are printed: a space between them but before what clings. */
const gapBefore = (text: string, i: number) => (i === 0 || /^[,.;:) ]/.test(text) ? '' : ' ');

function Row({ row }: { row: RunRow }) {
  const works = row.kind === 'work';
  return (
    <li
      className={`grid grid-cols-[4.5rem_1fr] gap-x-3 ${works ? 'py-0.5' : 'quiet text-sm'}`}
      data-line={row.kind}
    >
      <span className={works ? 'display text-right text-lg' : 'text-right'}>{row.at}</span>
      <div className="leading-snug">
        <p>
          {row.main.map(({ text, bold }, i) => {
            const said = `${gapBefore(text, i)}${text}`;
            // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place
            return bold ? <strong key={i}>{said}</strong> : <span key={i}>{said}</span>;
          })}
        </p>
        {row.small.map((line) => (
          <p key={line} className="text-sm">
            {line}
          </p>
        ))}
      </div>
    </li>
  );
}
