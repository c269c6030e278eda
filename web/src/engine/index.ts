import type { Answers, Asks, QuestionId } from '@inner-rung/core/ask';
import type { Library } from '@inner-rung/core/ladder';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { createClient, type LibrarySource, type Port } from './client.ts';
import { thread } from './worker.ts';

const sources = new WeakMap<Library, LibrarySource>();
/** Remembers what a library was made of, so that the engine can make it too. */
export function madeFrom(library: Library, source: LibrarySource): Library {
  sources.set(library, source);
  return library;
}

/** The page's own engine. */
export const engine = createClient(
  () => thread() as Port,
  (library) => sources.get(library),
);

/** An answer with the question it is to; while the next is worked out it is the one before. */
export interface Answered<K extends QuestionId> {
  readonly answer: Answers<K>;
  readonly to: Asks<K>;
}

/**
 * The newest answer to a question that changes; null until there is one. The question is asked anew when it is another
 * object; null asks nothing. Stages come as they are worked out.
 */
export function useAnswer<K extends QuestionId>(
  library: Library | null,
  id: K,
  question: Asks<K> | null,
): Answered<K> | null {
  const [answered, setAnswered] = useState<Answered<K> | null>(null);
  const channel = useMemo(() => engine.channel(), []);
  useEffect(() => () => channel.drop(), [channel]);
  useEffect(() => {
    if (!library || !question) return;
    // A picture is drawn in slices: whatever is pressed meanwhile comes first.
    channel.ask(library, id, question, (answer) =>
      startTransition(() => setAnswered({ answer, to: question })),
    );
  }, [channel, library, id, question]);
  return answered;
}
