export { asReleased, RELEASED, type Released } from './since.ts';
