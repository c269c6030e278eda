import { ArrowLeft, IdCard, Monitor, Play, Printer } from 'lucide-react';
import { Link } from 'react-router';
import type { Ways } from '../features/class-today.ts';
import { BehindMore } from '../ui/behind-more.tsx';
import { Chip, Choice } from '../ui/choice.tsx';
import { SearchButton } from '../ui/searching.tsx';

/** How the class is planned and shown, and the ways on: cards, print, the run. */
export function ClassBar(props: {
  id: string;
  ways: Ways;
  onWays: (ways: Partial<Ways>) => void;
  wall: boolean;
  onWall: (wall: boolean) => void;
  onRun: (() => void) | null;
}) {
  const { id, wall } = props;
  const { most, how } = props.ways;
  return (
    <header className="no-print z-10 flex flex-wrap items-center gap-x-2 gap-y-1 border-b-2 md:gap-x-4 md:sticky md:top-0 border-base-300 bg-base-100 px-4 py-2">
      <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
        <ArrowLeft size={18} aria-hidden /> Back to the floor
      </Link>
      <BehindMore>
        <Choice
          legend="Other forms, at most"
          name="most"
          value={most}
          of={[1, 2, 3, 4].map((n) => ({ value: n, says: String(n) }))}
          onChoose={(most) => props.onWays({ most })}
        />
        <Choice
          legend="At the stations"
          name="how"
          value={how}
          of={[
            { value: 'together', says: 'all at one' },
            { value: 'rotation', says: 'going round' },
          ]}
          onChoose={(how) => props.onWays({ how })}
        />
        <Chip on={wall} onTurn={() => props.onWall(!wall)}>
          <Monitor size={17} className="mr-1 inline" aria-hidden />
          For the wall
        </Chip>
        <SearchButton className="md:ml-auto" />
        <Link to={`/plan/${id}/paper`} className="btn touch">
          <IdCard size={18} aria-hidden /> Cards
        </Link>
        <button type="button" className="btn touch" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </BehindMore>
      <button
        type="button"
        className="btn btn-primary touch max-md:grow"
        disabled={props.onRun === null}
        onClick={() => props.onRun?.()}
      >
        <Play size={18} aria-hidden /> Run it
      </button>
    </header>
  );
}
