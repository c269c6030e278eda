import { workerData } from 'node:worker_threads';
import { createGround, type QuestionId } from '@inner-rung/core/ask';
import { decodeLibrary } from '@inner-rung/core/forms';
import { type Answer, answered } from './pool.ts';

const ground = createGround(decodeLibrary((workerData as Uint8Array<ArrayBuffer>).slice().buffer));

/** One question answered in a thread of the pool. */
export default ({ id, body }: { id: QuestionId; body: unknown }): Answer => answered(ground, id, body);
