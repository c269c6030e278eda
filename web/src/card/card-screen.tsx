import { formatWords, lengthWords } from '@inner-rung/core/clock';
import { shownFor } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import { BANDS, bandOfRpe, effortOn, everybodyIn, outlookOf } from '@inner-rung/core/person';
import { EQUIPMENT } from '@inner-rung/core/room';
import { formName, paceWords, type Use } from '@inner-rung/core/scale';
import { blockName } from '@inner-rung/core/session';
import { ArrowLeft, Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { today } from '../app/day.ts';
import { blockPicture, doseAt } from '../plan/block-picture.ts';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { useScaled } from '../plan/use-scaled.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { thingsOf } from './things.ts';

/** One A4 page for one person: stations, form, dose, cues, caution, in large print. */
export default function CardScreen() {
  const { id = '' } = useParams();
  const { library, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const person =
    people.find((p) => p.id === plan?.person) ??
    groups.flatMap((group) => everybodyIn(group, people)).find((p) => p.id === plan?.person) ??
    null;
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  const picture = useScaled(plan, library, person, room);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library || !picture || picture.plan.id !== plan.id) return <Waiting />;

  const outlook = person ? outlookOf(person, today()) : null;
  if (person && outlook && !outlook.mayTrain)
    return (
      <main className="mx-auto max-w-xl p-8">
        <h1 className="text-3xl">No card for {person.name} yet</h1>
        <p className="mt-2 text-lg">
          {outlook.today.is === 'not today' ? outlook.today.says[0] : outlook.standing.says}
        </p>
        <p className="mt-4 flex gap-2">
          <Link
            className="btn btn-primary touch"
            to={`/people/${person.id}/${outlook.today.is === 'not today' ? 'today' : 'screening'}`}
          >
            Settle it
          </Link>
          <Link className="btn touch" to={`/plan/${id}`}>
            Back to the floor
          </Link>
        </p>
      </main>
    );

  const { version, sums } = picture;
  const shown = picture.plan.blocks.map((_, b) => blockPicture(picture, b));
  const n = shown.reduce((sum, one) => sum + one.block.stations.length + (shown.length > 1 ? 0.7 : 0), 0);
  const dense = n > 10;
  const name = person?.name ?? 'For a lane';
  const warn = outlook?.cautions ?? [];
  const things = new Set(thingsOf(library, room, person, version.uses));
  const standIns = Object.values(EQUIPMENT).filter((e) => 'standIn' in e && things.has(e.name));
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <header className="no-print sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <p className="mr-auto">One A4 page, as it prints.</p>
        <button type="button" className="btn btn-primary touch" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </header>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: wider than a phone, so it must scroll by keyboard */}
      <main tabIndex={0} className="overflow-x-auto p-4 print:overflow-visible print:p-0">
        <article className="sheet-page mx-auto flex flex-col shadow-lg" aria-label={`Card for ${name}`}>
          <header className="flex items-end justify-between border-b-[3px] border-black pb-2">
            <div>
              <h1 className="text-[26pt] leading-none">{name}</h1>
              <p className="mt-1 text-[13pt]">{plan.title}</p>
            </div>
            <div className="text-right">
              <p className="display text-[24pt] leading-none">{lengthWords(sums.range)}</p>
              <p className="mt-1 text-[12pt]">
                {shown.length === 1 ? formatWords(shown[0]!.block.format) : `${shown.length} parts`}
              </p>
            </div>
          </header>
          {outlook && (
            <p className="mt-2 text-[12pt]">
              <strong>How hard:</strong> up to {effortOn(outlook)} of 10. You can still{' '}
              {BANDS[bandOfRpe(effortOn(outlook))].can}.
            </p>
          )}
          <ol className="mt-1 flex min-h-0 flex-1 flex-col">
            {shown.flatMap((one) => [
              ...(shown.length > 1
                ? [
                    <li key={one.block.id} className="flex items-baseline gap-3 pt-[1mm] text-[12pt]">
                      <strong className="display text-[13pt]">{blockName(plan.blocks, one.at)}</strong>
                      <span>
                        {formatWords(one.block.format)}, {lengthWords(sums.blocks[one.at]!.range)}
                      </span>
                    </li>,
                  ]
                : []),
              ...one.block.stations.map((station, i) => {
                const use = one.version.uses[i] ?? null;
                const move = use ? library.move(use.move) : undefined;
                const chain = one.chains[i]!;
                return (
                  <li
                    key={`${one.block.id}/${station.id}`}
                    className="flex min-h-0 flex-1 items-center gap-3 border-b border-black/40 py-[0.6mm]"
                  >
                    <span
                      className={`display w-[10mm] shrink-0 text-center leading-none ${n > 16 ? 'text-[13pt]' : dense ? 'text-[18pt]' : 'text-[22pt]'}`}
                    >
                      {i + 1}
                    </span>
                    {n <= 16 && (
                      <CardFigure library={library} use={use} className={dense ? 'h-[13mm]' : 'h-[17mm]'} />
                    )}
                    <div className="min-w-0 flex-1 leading-tight">
                      <p
                        className={`display ${n > 16 ? 'text-[12pt]' : dense ? 'text-[14pt]' : 'text-[16pt]'}`}
                      >
                        {use ? formName(library, use.move, use.settings) : 'Easy movement, or a breather'}
                        {chain.map(
                          (part) =>
                            `, then ${part.use ? formName(library, part.use.move, part.use.settings).toLowerCase() : 'easy movement'}`,
                        )}
                      </p>
                      {n <= 16 && (
                        <p className="text-[12pt]">
                          {move
                            ? `${move.cues.slice(0, dense ? 1 : 2).join('. ')}.`
                            : 'Walk gently until the next station.'}
                        </p>
                      )}
                    </div>
                    <p
                      className={`w-[38mm] shrink-0 text-right leading-tight ${dense ? 'text-[12pt]' : 'text-[13pt]'}`}
                    >
                      {doseAt(library, one, i, use)}
                      {use?.pace && !dense ? (
                        <span className="block text-[12pt]">{paceWords(use)}</span>
                      ) : null}
                    </p>
                  </li>
                );
              }),
            ])}
          </ol>
          <footer className="mt-2 grid gap-1 text-[12pt] leading-snug">
            {things.size > 0 && (
              <p>
                <strong>Have ready:</strong> {[...things].join(', ').toLowerCase()}.
                {standIns.map((s) => ` ${s.name}: ${'standIn' in s ? s.standIn : ''}.`)}
              </p>
            )}
            {warn.length > 0 && (
              <p className="border-l-[3px] border-black pl-2">
                <strong>Take care:</strong> {warn.join(' ')}
              </p>
            )}
            <p>
              Stop and tell your trainer at chest pain or pressure, faintness, sharp joint pain or unusual
              breathlessness. Your doctor’s and physiotherapist’s word comes first.
            </p>
          </footer>
        </article>
      </main>
    </div>
  );
}

/**
 * The form's first and furthest pose; an empty place where it has no drawing of its own, so that the names stay in line:
 * on paper nobody is shown another move.
 */
function CardFigure(props: { library: Library; use: Use | null; className: string }) {
  const shown = props.use && shownFor(props.library, props.use);
  return (
    <span className={`w-[27mm] shrink-0 ${props.className}`}>
      {shown && !shown.like && props.use && (
        <MoveFigure
          shown={shown}
          name={formName(props.library, props.use.move, props.use.settings)}
          className="h-full w-full"
        />
      )}
    </span>
  );
}
