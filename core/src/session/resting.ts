import { formatWords, type Segment } from '../clock/index.ts';
import { type Block, REST_STYLES, type RestStyle } from './plan.ts';

const INSIDE: ReadonlySet<Segment['kind']> = new Set(['rest', 'round rest', 'change']);
const BEHIND: ReadonlySet<Segment['kind']> = new Set(['block rest', 'drink']);

/** What is asked for in a stretch that is no work: the block's rests, or the one behind it; null where nothing is. */
export const restStyleIn = (
  block: Pick<Block, 'resting' | 'after'>,
  { kind }: Pick<Segment, 'kind'>,
): RestStyle | null =>
  (INSIDE.has(kind) ? block.resting : BEHIND.has(kind) ? block.after?.style : undefined) ?? null;

/** A block's clock in words, with what is done in its rests. */
export const clockOfBlock = ({ format, resting }: Pick<Block, 'format' | 'resting'>): string =>
  `${formatWords(format)}${resting ? `; in the rests ${REST_STYLES[resting].says}` : ''}`;
