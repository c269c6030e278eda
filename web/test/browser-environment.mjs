import { TextDecoder, TextEncoder } from 'node:util';
import { TestEnvironment } from 'jest-environment-jsdom';

/** jsdom with what every browser has and it lacks. */
export default class Browser extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, {
      TextDecoder,
      TextEncoder,
      Response,
      Request,
      Headers,
      fetch,
      structuredClone,
    });
  }
}
