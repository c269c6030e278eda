import { libraryWith } from '@inner-rung/core/ladder';
import { type Draft, describeMove, draftLadder, draftOf, type MoveAnswers } from '@inner-rung/core/propose';
import { Search } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { MovePicker } from '../features/move-picker.tsx';
import { useEdits } from '../features/use-edits.ts';
import { useOwn, useShelf } from '../store/data.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Preview, Questions } from './new-ladder-parts.tsx';

const FIRST: Omit<MoveAnswers, 'name'> = {
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
  const [answers, setAnswers] = useState<MoveAnswers>({ ...FIRST, name: named });
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
