import { doingOf, type MoveNow, type Present, type Run } from '@inner-rung/core/run';

/** All that somebody does in a round, with how much of it: first what the buttons are for; the rest as far as it goes, whole when opened. */
export function Round(props: {
  run: Run;
  person: Present;
  moves: readonly MoveNow[];
  entry: number;
  changed: boolean;
}) {
  const { run, person, entry } = props;
  const all = props.moves.map((move) => doingOf(run, person, move.entry));
  const one = ({ does }: (typeof all)[number]) => (
    <>
      {does ? does.name : 'easy movement'}
      {does?.dose && <span className="quiet font-normal"> {does.dose}</span>}
    </>
  );
  const own = all.filter((doing) => doing.entry === entry);
  const others = all.filter((doing) => doing.entry !== entry);
  return (
    <details className={`group text-sm leading-tight ${props.changed ? 'text-primary' : ''}`} data-does>
      <summary className="cursor-pointer truncate group-open:whitespace-normal">
        {own.map((doing) => (
          <span key={doing.entry} className="font-semibold">
            {one(doing)}
          </span>
        ))}
        {others.map((doing) => (
          <span key={doing.entry}>
            <span className="quiet"> · </span>
            {one(doing)}
          </span>
        ))}
      </summary>
    </details>
  );
}

/** What the coach has to know of somebody: a line of it, the rest when it is opened. */
export function Cautions({ lines }: { lines: readonly string[] }) {
  return (
    <details
      className="quiet group min-w-24 flex-1 basis-0 text-sm leading-tight open:basis-full"
      data-cautions
    >
      <summary className="cursor-pointer truncate group-open:whitespace-normal">
        {lines.length > 1 && <span className="underline">{lines.length} cautions:</span>} {lines[0]}
      </summary>
      {lines.length > 1 && (
        <ul className="ml-4 list-disc">
          {lines.slice(1).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </details>
  );
}
