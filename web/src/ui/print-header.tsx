import { Link } from 'react-router';
import { SearchButton } from './searching.tsx';

/** Over a page that is handed over: the way back, and the printer. Neither is printed. */
export function PrintHeader(props: { to: string; back: string }) {
  return (
    <header className="no-print flex items-center gap-3 border-b-2 border-base-300 px-4 py-2">
      <Link to={props.to} className="btn btn-ghost btn-sm touch mr-auto">
        {props.back}
      </Link>
      <SearchButton />
      <button type="button" className="btn btn-primary touch" onClick={() => window.print()}>
        Print
      </button>
    </header>
  );
}
