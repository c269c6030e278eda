import { formsAt, type Run } from '@inner-rung/core/run';
import type { Live } from './use-live.ts';

export const Act = (props: { onClick: () => void; children: React.ReactNode }) => (
  <button type="button" className="btn touch text-base-content" onClick={props.onClick}>
    {props.children}
  </button>
);

/** One thing to say, one thing to look out for: of the move that most do. */
export function Cue(props: { run: Run; all: Live; entry: number }) {
  const { run, all, entry } = props;
  const [most] = formsAt(run, all.people, entry)
    .filter((form) => form.does)
    .sort((a, b) => b.people.length - a.people.length);
  const cue = most?.does && run.cues[most.does.move];
  if (!cue) return null;
  return (
    <p className="mt-1 text-sm leading-snug">
      {cue.say}. {cue.see && `Look out: ${cue.see}. “${cue.fix}”`}
    </p>
  );
}
