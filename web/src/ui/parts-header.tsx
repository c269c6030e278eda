import type { ActionId } from '@inner-rung/core/team';
import { Settings, UserRound } from 'lucide-react';
import { Link } from 'react-router';
import { team } from '../store/api.ts';
import { useNotMine } from '../store/use-may.ts';
import { Mark } from './marks.tsx';
import { SearchButton } from './searching.tsx';

export type Part =
  | 'circuits'
  | 'people'
  | 'rooms'
  | 'ladders'
  | 'log'
  | 'find'
  | 'yours'
  | 'settings'
  | 'team'
  | 'none';

/** What is changed in a part: who may only look is told so before they try. */
const CHANGES: Readonly<Partial<Record<Part, ActionId>>> = {
  circuits: 'change-sessions',
  people: 'change-people',
  rooms: 'change-sessions',
  ladders: 'change-sessions',
  yours: 'change-sessions',
  log: 'change-records',
};

/** The way between the parts of the product that aren't one circuit. */
export function PartsHeader(props: { here: Part }) {
  const me = team.use().data?.me;
  const part = (to: string, label: string, name: Part) => (
    <Link
      to={to}
      aria-current={props.here === name ? 'page' : undefined}
      className={`display touch flex shrink-0 items-center rounded px-2 text-base whitespace-nowrap md:px-3 md:text-lg ${props.here === name ? 'bg-base-content text-base-100' : 'hover:bg-base-200'}`}
    >
      {label}
    </Link>
  );
  const notMine = useNotMine(CHANGES[props.here] ?? 'use-library');
  return (
    <>
      <header className="no-print flex items-center border-b-2 border-base-300 px-2 py-1.5 md:gap-2 md:px-3">
        <Link to="/" aria-label="Inner Rung: back to the floor" className="touch grid place-items-center">
          <Mark />
        </Link>
        <nav aria-label="Parts of Inner Rung" className="flex min-w-0 overflow-x-auto md:gap-1">
          {part('/circuits', 'Sessions', 'circuits')}
          {part('/people', 'People', 'people')}
          {part('/rooms', 'Rooms', 'rooms')}
          {part('/log', 'Log', 'log')}
          {part('/ladders', 'Ladders', 'ladders')}
          {part('/find', 'Find a form', 'find')}
          {part('/yours', 'Yours', 'yours')}
        </nav>
        <SearchButton className="ml-auto" />
        {me && (
          <Link
            to="/team"
            aria-label={`You are ${me.name}: team`}
            title={me.name}
            aria-current={props.here === 'team' ? 'page' : undefined}
            className={`btn btn-ghost btn-sm touch shrink-0 ${props.here === 'team' ? 'bg-base-content text-base-100' : ''}`}
          >
            <UserRound size={18} aria-hidden />
            <span className="hidden max-w-28 truncate lg:inline">{me.name}</span>
          </Link>
        )}
        <Link
          to="/settings"
          aria-label="Settings"
          aria-current={props.here === 'settings' ? 'page' : undefined}
          className={`btn btn-ghost btn-sm touch shrink-0 ${props.here === 'settings' ? 'bg-base-content text-base-100' : ''}`}
        >
          <Settings size={18} aria-hidden />
        </Link>
      </header>
      {notMine && (
        <p className="no-print quiet border-b border-base-300 px-3 py-1 text-sm" data-only-looks>
          {notMine}
        </p>
      )}
    </>
  );
}
