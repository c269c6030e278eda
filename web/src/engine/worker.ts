const begin = (): Worker => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });

let ahead: Worker | null = null;

/** The engine's first thread reads its own script while the page reads what is shown. */
export function beginAhead(): void {
  ahead ??= begin();
}

/** A thread for the engine: the one begun ahead, to whoever asks first. */
export function thread(): Worker {
  const one = ahead ?? begin();
  ahead = null;
  return one;
}
