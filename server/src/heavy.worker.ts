import { parentPort, workerData } from 'node:worker_threads';
import type { LibraryFile } from '@inner-rung/core/ladder';
import { byValue } from './by-value.ts';
import { type Asked, answer } from './thread.ts';

const ground = byValue(workerData as LibraryFile[]);
parentPort?.on('message', ({ number, what, body }: Asked) => {
  parentPort?.postMessage({ number, answer: answer(ground, what, body) });
});
