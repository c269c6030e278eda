/**
 * The engine's first thread, begun by the page's first and smallest script: it reads its own script while the page
 * reads what is shown.
 */
const begin = (): Worker => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });

let ahead: Worker | null = begin();

/** A thread for the engine: the one begun ahead, to whoever asks first. */
export function thread(): Worker {
  const one = ahead ?? begin();
  ahead = null;
  return one;
}
