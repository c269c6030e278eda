import {
  checkLadder,
  hardnessOn,
  type Library,
  leverWords,
  libraryWith,
  rungDemand,
} from '@inner-rung/core/ladder';
import { PATTERNS } from '@inner-rung/core/move';
import {
  type Answers,
  type Draft,
  describeMove,
  draftLadder,
  draftOf,
  QUESTIONS,
} from '@inner-rung/core/propose';
import { formName } from '@inner-rung/core/words';
import { Search } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { MovePicker } from '../plan/move-picker.tsx';
import { useOwn, useShelf } from '../store/data.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { laneStyle, lookOf } from './rung-look.ts';
import { useEdits } from './use-edits.ts';

const FIRST: Omit<Answers, 'name'> = {
  pattern: 'squat',
  base: 'standing',
  like: 'squat',
  counted: 'slowly',
  feet: 'stay',
  holds: 'nothing',
  arms: 'low',
  knees: 'half',
  back: 'long',
  sides: 'both',
};

/** A whole ladder from one move: one the library has, or the trainer's own described in a few answers. */
export default function NewLadderScreen() {
  const { library, failed } = useShelf();
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const known = search.get('from');
  // A name that was pasted and isn't known comes along.
  const named = search.get('name') ?? '';
  const [answers, setAnswers] = useState<Answers>({ ...FIRST, name: named });
  const [own, setOwn] = useState(named !== '');
  const [picking, setPicking] = useState<'from' | 'like' | null>(null);
  const from = useMemo((): Draft | null => {
    if (!library) return null;
    if (!own) return known ? (draftOf(library, { move: known }) ?? null) : null;
    return answers.name.trim().length > 1 ? describeMove(library, answers) : null;
  }, [library, own, known, answers]);
  const draft = useMemo(() => (library && from ? draftLadder(library, from) : null), [library, from]);
  if (failed) return <ServerAway />;
  if (!library || !reference) return <Waiting />;
  const tab = (on: boolean) => `btn touch ${on ? 'btn-neutral' : ''}`;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-6xl px-4 py-4 md:px-6">
        <h1 className="text-3xl">A ladder from one move</h1>
        <p className="quiet">Three rungs down and two up, with ways round; change anything afterwards.</p>
        <div className="mt-3 flex flex-wrap gap-2">
          <button type="button" className={tab(!own)} aria-pressed={!own} onClick={() => setOwn(false)}>
            A move of the library
          </button>
          <button type="button" className={tab(own)} aria-pressed={own} onClick={() => setOwn(true)}>
            A move of my own
          </button>
        </div>
        <div className="mt-4 grid gap-8 lg:grid-cols-2">
          <section aria-label="The move">
            {own ? (
              <Questions
                answers={answers}
                library={library}
                onChange={setAnswers}
                onLike={() => setPicking('like')}
              />
            ) : (
              <button type="button" className="btn btn-primary touch" onClick={() => setPicking('from')}>
                <Search size={18} aria-hidden /> {known ? library.move(known)?.name : 'Which move?'}
              </button>
            )}
          </section>
          <section aria-label="The drafted ladder" aria-live="polite">
            {!draft && (
              <p className="text-lg">
                {own
                  ? 'Give it a name, and the ladder comes up here.'
                  : 'Choose a move, and its ladder comes up here.'}
              </p>
            )}
            {draft && (
              <>
                <Preview
                  library={libraryWith(library, draft.moves, draft.ladders)}
                  draft={draft}
                  from={from!.move.id}
                />
                <button
                  type="button"
                  className="btn btn-primary touch mt-3"
                  onClick={() => {
                    edits.keep(`New ladder: ${draft.ladders[0]!.name}`, draft.ladders, draft.moves);
                    void navigate(`/ladders/${draft.ladders[0]!.id}`);
                  }}
                >
                  Keep this ladder
                </button>
              </>
            )}
          </section>
        </div>
      </main>
      {picking && (
        <MovePicker
          library={library}
          title={picking === 'from' ? 'Which move?' : 'Which move asks about as much?'}
          onClose={() => setPicking(null)}
          onPick={(id) => {
            if (picking === 'from') setSearch({ from: id }, { replace: true });
            else setAnswers({ ...answers, like: id, pattern: library.move(id)!.pattern });
            setPicking(null);
          }}
        />
      )}
    </div>
  );
}

function Questions(props: {
  answers: Answers;
  library: Library;
  onChange: (answers: Answers) => void;
  onLike: () => void;
}) {
  const { answers, library, onChange } = props;
  const id = useId();
  const set = (patch: Partial<Answers>) => onChange({ ...answers, ...patch });
  return (
    <div className="grid gap-3">
      <label className="block">
        <span className="display text-lg">What do you call it?</span>
        <input
          className="input touch mt-1 w-full"
          value={answers.name}
          maxLength={60}
          placeholder="plough squat"
          onChange={(event) => set({ name: event.target.value })}
        />
      </label>
      <div>
        <p className="display text-lg" id={`${id}-like`}>
          Which move asks about as much, of the same muscles?
        </p>
        <button
          type="button"
          className="btn touch mt-1"
          aria-describedby={`${id}-like`}
          onClick={props.onLike}
        >
          <Search size={17} aria-hidden /> {library.move(answers.like)?.name}
        </button>
      </div>
      <label className="block">
        <span className="display text-lg">Where is the body?</span>
        <select
          className="select touch mt-1 w-full"
          value={answers.base}
          onChange={(e) => set({ base: e.target.value })}
        >
          {[...library.bases]
            .filter(([base]) => base !== 'quiet')
            .map(([base, { says }]) => (
              <option key={base} value={base}>
                {says}
              </option>
            ))}
        </select>
      </label>
      <label className="block">
        <span className="display text-lg">What does it train?</span>
        <select
          className="select touch mt-1 w-full"
          value={answers.pattern}
          onChange={(e) => set({ pattern: e.target.value as Answers['pattern'] })}
        >
          {PATTERNS.map((pattern) => (
            <option key={pattern} value={pattern}>
              {pattern}
            </option>
          ))}
        </select>
      </label>
      {Object.entries(QUESTIONS).map(([key, question]) => (
        <fieldset key={key}>
          <legend className="display text-lg">{question.asks}</legend>
          <div className="mt-1 flex flex-wrap gap-1">
            {question.answers.map((answer) => {
              const on = answers[key as keyof Answers] === answer;
              return (
                <label
                  key={answer}
                  className={`btn btn-sm min-h-11 font-normal has-focus-visible:outline-3 ${on ? 'btn-neutral' : ''}`}
                >
                  <input
                    type="radio"
                    className="sr-only"
                    name={`${id}-${key}`}
                    checked={on}
                    onChange={() => set({ [key]: answer } as Partial<Answers>)}
                  />
                  {answer}
                </label>
              );
            })}
          </div>
        </fieldset>
      ))}
    </div>
  );
}

function Preview(props: { library: Library; draft: ReturnType<typeof draftLadder>; from: string }) {
  const { library, draft } = props;
  const made = new Set(draft.moves.map((m) => m.move.id));
  const doubts = draft.ladders.flatMap((l) => checkLadder(library, l)).filter((f) => f.severity !== 'note');
  return (
    <div className="grid gap-5 sm:grid-cols-2">
      {draft.ladders.map((ladder) => (
        <div key={ladder.id}>
          <h2 className="text-lg leading-tight">{ladder.name}</h2>
          <ol
            reversed
            className="mt-1 border-x-4 border-base-content/80"
            aria-label={`${ladder.name}, top rung first`}
          >
            {[...ladder.rungs].reverse().map((rung, k) => {
              const i = ladder.rungs.length - 1 - k;
              return (
                <li key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}>
                  <div
                    className={`border-y border-base-content/60 px-2 py-1 leading-tight ${rung.move === props.from ? 'outline-2 -outline-offset-2 outline-primary' : ''}`}
                    style={laneStyle(lookOf(library, rung).lane)}
                    title={`${Math.round(hardnessOn(ladder.measures, rungDemand(library, rung)!))} points`}
                  >
                    <span className="font-semibold">{formName(library, rung.move, rung.settings)}</span>
                    {made.has(rung.move) && <span className="ml-1 text-sm">new</span>}
                  </div>
                  {i > 0 && (
                    <p className="quiet px-2 text-xs">
                      ↑ {leverWords(rung.levers, library.move(rung.move)).join(' · ')}
                    </p>
                  )}
                </li>
              );
            })}
          </ol>
        </div>
      ))}
      <p className="quiet text-sm sm:col-span-2">
        {made.size === 0
          ? 'Every rung stands in the library already.'
          : `${made.size} ${made.size === 1 ? 'move is' : 'moves are'} new and will be yours.`}{' '}
        {doubts.length > 0 &&
          `${doubts.length} ${doubts.length === 1 ? 'doubt' : 'doubts'} to look at once it is kept.`}
      </p>
    </div>
  );
}
