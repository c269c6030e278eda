import type { Library } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import { people, useSend } from '../store/index.ts';

/** What a correction may become: a rule that stands on the person's page, where it is taken back. */
const RULES = [
  {
    list: 'never',
    says: (move: string) => `Never ${move} for them`,
    step: (name: string, move: string) => `${name}: never ${move}`,
    holds: (move: string) => `${move}: never, by your rule.`,
  },
  {
    list: 'dislikes',
    says: (move: string) => `Rather not ${move}, ever`,
    step: (name: string, move: string) => `${name} would rather not do ${move}`,
    holds: (move: string) => `${move} only where nothing else is open to them.`,
  },
  {
    list: 'likes',
    says: (move: string) => `They like ${move}`,
    step: (name: string, move: string) => `${name} likes ${move}`,
    holds: (move: string) => `${move} is one they like.`,
  },
] as const;

/** Somebody with a rule more; one move is under one rule. */
function ruled(person: Person, list: (typeof RULES)[number]['list'], move: string): Person {
  const without = (moves: readonly string[]) => moves.filter((m) => m !== move);
  const next = {
    ...person,
    never: without(person.never),
    dislikes: without(person.dislikes),
    likes: without(person.likes),
  };
  return { ...next, [list]: [...next[list], move] };
}

/** What may hold of a move for somebody from now on, and what does already. */
export function FromNowOn(props: {
  library: Library;
  person: Person;
  move: string;
  /** Only what keeps it from them: it was just put aside. */
  against?: boolean;
  /** A rule was made: in words. */
  onDone: (says: string) => void;
}) {
  const { person, move } = props;
  const send = useSend();
  const rules = RULES.filter(({ list }) => !props.against || list !== 'likes');
  const name = props.library.move(move)?.name ?? move;
  return (
    <>
      <p className="quiet text-sm">From now on</p>
      {rules
        .filter((rule) => !person[rule.list].includes(move))
        .map((rule) => (
          <button
            key={rule.list}
            type="button"
            className="btn touch justify-start"
            onClick={() => {
              send(
                people.step({ says: rule.step(person.name, name), put: [ruled(person, rule.list, move)] }),
              );
              props.onDone(rule.holds(name));
            }}
          >
            {rule.says(name.toLowerCase())}
          </button>
        ))}
      {rules
        .filter((rule) => person[rule.list].includes(move))
        .map((rule) => (
          <p key={rule.list}>{rule.holds(name)}</p>
        ))}
    </>
  );
}
