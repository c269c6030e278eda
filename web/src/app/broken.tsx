import { Component, type ReactNode } from 'react';
import { Link } from 'react-router';

/** What stands in place of a page that couldn't be shown: what it was, what is safe, and two ways on. */
function CouldNot({ error }: { error: unknown }) {
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div className="max-w-prose">
        <h1 className="text-3xl">This page couldn’t be shown</h1>
        <p className="quiet mt-2">
          What is saved stays saved, and edits that weren’t yet are kept in this browser. Loading it again
          often helps. If it doesn’t, these are the words to pass on:
        </p>
        <p className="mt-2 border-l-4 border-error px-3 text-left font-mono text-sm break-words" role="alert">
          {error instanceof Error ? error.message : String(error)}
        </p>
        <p className="mt-4 flex justify-center gap-3">
          <button type="button" className="btn btn-primary" onClick={() => location.reload()}>
            Load it again
          </button>
          <Link to="/" className="btn" reloadDocument>
            To the floor
          </Link>
        </p>
      </div>
    </main>
  );
}

interface Held {
  readonly children: ReactNode;
  /** Where one is: going somewhere else is another try. */
  readonly at: string;
}
/** Shows what is in it; once that has thrown, that it couldn't be shown. React has this for classes alone. */
export class Broken extends Component<Held, { threw: { error: unknown } | null }> {
  override state: { threw: { error: unknown } | null } = { threw: null };
  static getDerivedStateFromError(error: unknown) {
    return { threw: { error } };
  }
  override componentDidUpdate({ at }: Held) {
    if (at !== this.props.at && this.state.threw) this.setState({ threw: null });
  }
  override render() {
    return this.state.threw ? <CouldNot error={this.state.threw.error} /> : this.props.children;
  }
}
