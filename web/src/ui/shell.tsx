/** What stands in place of a page while what it shows is fetched. */
export function Waiting() {
  return (
    <p className="quiet grid min-h-dvh place-items-center" role="status">
      Laying out the floor…
    </p>
  );
}

export function ServerAway() {
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-3xl">The server isn’t answering</h1>
        <p className="quiet mt-2">
          Start it again, then load this page. Edits not yet saved are kept in this browser.
        </p>
        <button type="button" className="btn btn-primary mt-4" onClick={() => location.reload()}>
          Try again
        </button>
      </div>
    </main>
  );
}
