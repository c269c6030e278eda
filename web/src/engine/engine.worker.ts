import { type Asks, createGround, type Ground, type QuestionId, stagesOf } from '@inner-rung/core/ask';
import { decodeLibrary } from '@inner-rung/core/forms';
import { openOwn } from '@inner-rung/core/ladder';
import { createDispatcher } from './dispatcher.ts';
import type { ToEngine } from './protocol.ts';

let ground: Ground | undefined;

const dispatch = createDispatcher({
  begin: ({ id, question }) => {
    if (!ground) throw new Error('the library isn’t here yet');
    return stagesOf(ground, id, question as Asks<QuestionId>)[Symbol.iterator]();
  },
  tell: (message) => self.postMessage(message),
  now: () => performance.now(),
  later: (run, milliseconds) => setTimeout(run, milliseconds),
});

self.onmessage = ({ data }: MessageEvent<ToEngine>) => {
  if (data.is !== 'ground') {
    dispatch(data);
    return;
  }
  const reference = decodeLibrary(data.file);
  ground = createGround(data.changes.length > 0 ? openOwn(reference, data.changes).library : reference);
};
