import { checkLadder, hardnessOn, type Library, rungDemand, stepWords } from '@inner-rung/core/ladder';
import { PATTERNS } from '@inner-rung/core/move';
import { type draftLadder, MOVE_QUESTIONS, type MoveAnswers } from '@inner-rung/core/propose';
import { formName } from '@inner-rung/core/words';
import { Search } from 'lucide-react';
import { useId } from 'react';
import { laneStyle, lookOf } from '../features/rung-look.ts';

export function Questions(props: {
  answers: MoveAnswers;
  library: Library;
  onChange: (answers: MoveAnswers) => void;
  onLike: () => void;
}) {
  const { answers, library, onChange } = props;
  const id = useId();
  const set = (patch: Partial<MoveAnswers>) => onChange({ ...answers, ...patch });
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
          onChange={(e) => set({ pattern: e.target.value as MoveAnswers['pattern'] })}
        >
          {PATTERNS.map((pattern) => (
            <option key={pattern} value={pattern}>
              {pattern}
            </option>
          ))}
        </select>
      </label>
      {Object.entries(MOVE_QUESTIONS).map(([key, question]) => (
        <fieldset key={key}>
          <legend className="display text-lg">{question.asks}</legend>
          <div className="mt-1 flex flex-wrap gap-1">
            {question.answers.map((answer) => {
              const on = answers[key as keyof MoveAnswers] === answer;
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
                    onChange={() => set({ [key]: answer } as Partial<MoveAnswers>)}
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

export function Preview(props: { library: Library; draft: ReturnType<typeof draftLadder>; from: string }) {
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
                    <p className="quiet px-2 text-xs">↑ {stepWords(library, ladder.rungs, i).join(' · ')}</p>
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
