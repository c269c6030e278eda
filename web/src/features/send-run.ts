import type { Run } from '@inner-rung/core/run';

/** Puts a run on the server; the sentence of what went wrong where it couldn't. */
export async function sendRun(run: Run): Promise<string | null> {
  try {
    const answer = await fetch('/api/runs', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(run),
    });
    if (answer.ok) return null;
    return ((await answer.json()) as { detail?: string }).detail ?? 'The run couldn’t be made.';
  } catch {
    return 'The server is away: a run is made there. Start Inner Rung again and press once more.';
  }
}
