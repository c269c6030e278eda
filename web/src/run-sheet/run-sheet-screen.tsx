import { clockText, formatWords, lengthWords, SEGMENT_KINDS } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { shortName } from '@inner-rung/core/person';
import { formName, laneName, tempoWords, type Use, writtenDose } from '@inner-rung/core/scale';
import {
  blockName,
  entriesOf,
  estimateOf,
  factsIn,
  REST_STYLES,
  SHOWING,
  type SheetLine,
  sheetLines,
  showSecondsIn,
  timelineOf,
} from '@inner-rung/core/session';
import { ArrowLeft, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { type Picture, useScaled } from '../plan/use-scaled.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { Chip } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';

/** The session read aloud, minute by minute: what is now, what is next, what to say, what each lane does. */
export default function RunSheetScreen() {
  const { id = '' } = useParams();
  const { library, people, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const [lanes, setLanes] = useState(true);
  const person = people.find((p) => p.id === plan?.person) ?? null;
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  // What is read aloud is the session as written, with its lanes; one person's own stands on the card.
  const forAll = useMemo(
    () => plan && { ...plan, person: null, dials: { ...plan.dials, ability: 'as written' as const } },
    [plan],
  );
  const picture = useScaled(forAll, library, null, room);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library || !picture || picture.plan.id !== plan.id) return <Waiting />;
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <header className="no-print sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <Chip on={lanes} onTurn={() => setLanes(!lanes)}>
          What each lane does
        </Chip>
        <button type="button" className="btn btn-primary touch ml-auto" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </header>
      <main className="mx-auto max-w-4xl bg-base-100 px-5 py-5 md:my-4 md:px-10 print:m-0 print:max-w-none print:p-0 print:text-black">
        <Sheet library={library} picture={picture} lanes={lanes} who={person ? shortName(person) : null} />
      </main>
    </div>
  );
}

interface Told {
  readonly library: Library;
  readonly picture: Picture;
  readonly lanes: boolean;
}

function Sheet(props: Told & { who: string | null }) {
  const { library, picture } = props;
  const { plan } = picture;
  const facts = useMemo(() => factsIn(library), [library]);
  const timeline = useMemo(() => timelineOf(plan, facts), [plan, facts]);
  const entries = useMemo(() => entriesOf(plan.blocks), [plan.blocks]);
  const lines = useMemo(
    () => sheetLines(plan, timeline.segments, (entry) => facts(entries[entry]!.move).sided),
    [plan, timeline, entries, facts],
  );
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b-4 border-current pb-2">
        <h1 className="text-3xl">{plan.title}</h1>
        <p className="display text-2xl">{lengthWords(timeline.range)}</p>
      </div>
      {plan.notes && <p className="mt-2 whitespace-pre-line">{plan.notes}</p>}
      {plan.blocks.map((block, b) => {
        const own = lines.filter((line) => line.segment.block === b);
        const estimate = estimateOf(plan, b, facts);
        const time = timeline.blocks[b]!;
        return (
          <section key={block.id} aria-labelledby={`run-${block.id}`} className="mt-5">
            <h2
              id={`run-${block.id}`}
              className="flex flex-wrap items-baseline gap-x-4 border-b-2 border-current text-2xl"
            >
              <span className="w-16 text-right">{clockText(time.startSeconds)}</span>
              {blockName(plan.blocks, b)}
            </h2>
            <p className="pl-[4.75rem]">
              {formatWords(block.format)}, {lengthWords(time.range)}
            </p>
            {estimate && <p className="quiet text-sm print:text-black">Expect {estimate.says}.</p>}
            {block.showing && (
              <p className="text-sm">
                Show the forms {SHOWING[block.showing]}: about{' '}
                {clockText(Math.ceil(showSecondsIn(block) / 10) * 10)}.
              </p>
            )}
            {own.some((line) => line.entries.length > 1) &&
            own.filter((l) => l.segment.kind === 'work').length === 1 ? (
              <Together {...props} line={own.find((l) => l.segment.kind === 'work')!} />
            ) : (
              <ol>
                {own.map((line) => (
                  <Line key={line.startSeconds} {...props} line={line} b={b} />
                ))}
              </ol>
            )}
          </section>
        );
      })}
      <p className="mt-6 border-t-2 border-current pt-2 text-sm">
        Stop anybody with chest pain or pressure, faintness, sharp joint pain or unusual breathlessness. What
        their clinician or your house says comes first.
      </p>
    </>
  );
}

/** What somebody does first at an entry, with its dose as written. */
function useWords(props: Told) {
  const { library, picture } = props;
  const entries = entriesOf(picture.plan.blocks);
  const name = (use: Use | null | undefined, entry: number) =>
    use
      ? formName(library, use.move, use.settings)
      : library.move(entries[entry]!.move) && picture.version.uses[entry] === null
        ? 'Easy movement'
        : (library.move(entries[entry]!.move)?.name ?? entries[entry]!.move);
  return {
    entries,
    name,
    dose: (entry: number) => {
      const { dose, move } = entries[entry]!;
      return writtenDose(dose, library.move(move)?.sides === 'one');
    },
    tempo: (entry: number) => {
      const { tempo } = entries[entry]!.dose ?? {};
      return tempo ? tempoWords(tempo) : '';
    },
    cues: (entry: number) =>
      library.move(picture.version.uses[entry]?.move ?? entries[entry]!.move)?.cues ?? [],
    fault: (entry: number) =>
      library.move(picture.version.uses[entry]?.move ?? entries[entry]!.move)?.faults[0],
    /** What the inner lanes do, where it differs. */
    laneForms: (entry: number) =>
      (picture.settled?.lanes.lanes ?? []).flatMap((lane) => {
        const use = lane.uses[entry];
        const own = picture.version.uses[entry];
        const same =
          use?.move === own?.move && JSON.stringify(use?.settings) === JSON.stringify(own?.settings);
        return same
          ? []
          : [
              `${laneName(lane.position)}: ${use ? formName(library, use.move, use.settings) : 'easy movement'}`,
            ];
      }),
  };
}

/** A stretch without a clock inside: all that is done in it, one under another. */
function Together(props: Told & { line: SheetLine }) {
  const { line } = props;
  const words = useWords(props);
  return (
    <div className="grid grid-cols-[4.5rem_1fr] gap-x-3 py-1">
      <span className="display text-right text-lg">{clockText(line.startSeconds)}</span>
      <div>
        <p className="quiet text-sm print:text-black">
          {line.open ? 'about ' : ''}
          {clockText(line.lengthSeconds)}, {line.segment.note}
        </p>
        <ol>
          {line.entries.map((entry) => (
            <li key={entry} className="border-b border-base-300 py-0.5">
              <strong>{words.name(props.picture.version.uses[entry], entry)}</strong>
              {words.dose(entry) && `, ${words.dose(entry)}`}
              <span className="quiet text-sm print:text-black">
                {' '}
                {words.cues(entry).slice(0, 2).join('. ')}.
              </span>
              {props.lanes && <Lanes list={words.laneForms(entry)} />}
            </li>
          ))}
        </ol>
        <Says line={line} />
      </div>
    </div>
  );
}

const Lanes = (props: { list: readonly string[] }) =>
  props.list.length > 0 ? (
    <span className="block pl-4 text-sm">{[...new Set(props.list)].join(' · ')}</span>
  ) : null;

const Says = (props: { line: SheetLine }) =>
  props.line.says.length > 0 ? (
    <p className="text-sm">
      {props.line.says.map((one) => `at ${clockText(one.at)} “${one.words}”`).join(', ')}
    </p>
  ) : null;

function Line(props: Told & { line: SheetLine; b: number }) {
  const { line, picture } = props;
  const words = useWords(props);
  const { segment } = line;
  const { plan } = picture;
  const block = plan.blocks[props.b]!;
  if (segment.kind !== 'work') {
    const last = segment.kind === 'block rest' || segment.kind === 'drink';
    const style = last && block.after?.style ? `, ${REST_STYLES[block.after.style]}` : '';
    return (
      <li
        className="quiet grid grid-cols-[4.5rem_1fr] gap-x-3 text-sm print:text-black"
        data-line={segment.kind}
      >
        <span className="text-right">{clockText(line.startSeconds)}</span>
        <span>
          {SEGMENT_KINDS[segment.kind]} {line.lengthSeconds} s{segment.open ? ` to ${segment.open.hi} s` : ''}
          {block.after?.untilReady && last ? ', until they are ready' : ''}
          {style}
          {line.next.length > 0 && (
            <>
              . Next:{' '}
              <strong>
                {line.next.map((entry) => words.name(picture.version.uses[entry], entry)).join(', then ')}
              </strong>
            </>
          )}
        </span>
      </li>
    );
  }
  // Cues and lanes stand at a station's first time; later rounds are one line.
  const first = segment.round === 0 && segment.side !== 'right';
  // Where the whole stretch is the dose, its length says it already.
  const doseOf = (entry: number) =>
    words.entries[entry]!.dose?.seconds === line.lengthSeconds ? '' : words.dose(entry);
  return (
    <li className="grid grid-cols-[4.5rem_1fr] gap-x-3 break-inside-avoid py-0.5" data-line="work">
      <span className="display text-right text-lg">{clockText(line.startSeconds)}</span>
      <div className="leading-snug">
        <p>
          {line.entries.map((entry, k) => (
            <span key={entry}>
              {k > 0 && ', then '}
              <strong>{words.name(picture.version.uses[entry], entry)}</strong>
              {doseOf(entry) && `, ${doseOf(entry)}`}
            </span>
          ))}
          {segment.side && `, ${segment.side} side`}
          <span className="quiet print:text-black">
            {' '}
            {line.open ? `about ${clockText(line.lengthSeconds)}` : `${line.lengthSeconds} s`}
            {segment.note ? `, ${segment.note}` : ''}
            {segment.round > 0 && !segment.note ? `, round ${segment.round + 1}` : ''}
          </span>
        </p>
        <Says line={line} />
        {first &&
          line.entries.slice(0, 1).map((entry) => (
            <div key={entry} className="text-sm">
              <p>
                {words.tempo(entry) && `${words.tempo(entry)}. `}
                {words.cues(entry).join('. ')}.
                {words.fault(entry) &&
                  ` Watch for: ${words.fault(entry)!.see.replace(/\.$/, '').toLowerCase()}. Say “${words.fault(entry)!.say.replace(/\.$/, '')}”.`}
              </p>
              {props.lanes && <Lanes list={words.laneForms(entry)} />}
            </div>
          ))}
      </div>
    </li>
  );
}
