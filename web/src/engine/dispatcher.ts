import type { Asked, FromEngine, ToEngine } from './protocol.ts';

/** What is under way on a channel between two stages. */
interface UnderWay {
  readonly asked: Asked;
  readonly stages: Iterator<unknown>;
  readonly due: number;
}

/** What the dispatcher stands on: how a question is answered in stages, where answers go, and time. */
export interface Surroundings {
  readonly begin: (asked: Asked) => Iterator<unknown>;
  readonly tell: (message: FromEngine) => void;
  readonly now: () => number;
  /** Runs something later, so that what was sent meanwhile is heard first. */
  readonly later: (run: () => void, milliseconds: number) => void;
}

/**
 * Takes questions and gives answers, one stage at a time: a channel's newest question takes the place of those before
 * it, whether they wait or are between two stages; channels take turns in the order in which they asked.
 */
export function createDispatcher({ begin, tell, now, later }: Surroundings) {
  const waiting = new Map<number, Asked>();
  const underWay = new Map<number, UnderWay>();
  let scheduled: number | null = null;

  const schedule = () => {
    const due = waiting.size > 0 ? now() : Math.min(...[...underWay.values()].map((one) => one.due));
    if (!Number.isFinite(due)) return;
    if (scheduled !== null && scheduled <= due) return;
    scheduled = due;
    later(
      () => {
        if (scheduled === due) scheduled = null;
        step();
      },
      Math.max(0, due - now()),
    );
  };

  const stage = (asked: Asked, stages: Iterator<unknown>) => {
    const { channel, number } = asked;
    const next = stages.next();
    if (next.done) return;
    underWay.set(channel, { asked, stages, due: now() + asked.pause });
    tell({ is: 'answer', channel, number, answer: next.value });
  };

  const step = () => {
    const first = waiting.values().next().value;
    const resting = [...underWay.values()].find((one) => one.due <= now());
    const asked = first ?? resting?.asked;
    if (asked) {
      waiting.delete(asked.channel);
      underWay.delete(asked.channel);
      try {
        stage(asked, first ? begin(asked) : resting!.stages);
      } catch (error) {
        const message = error instanceof Error ? error.message : String(error);
        tell({ is: 'failed', channel: asked.channel, number: asked.number, message });
      }
    }
    schedule();
  };

  return (message: Exclude<ToEngine, { is: 'ground' }>): void => {
    underWay.delete(message.channel);
    waiting.delete(message.channel);
    if (message.is === 'ask') waiting.set(message.channel, message);
    schedule();
  };
}
