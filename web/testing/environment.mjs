import { TestEnvironment } from 'jest-environment-jsdom';

/** jsdom with what browsers have and it has not. */
export default class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    const { TextEncoder, TextDecoder, structuredClone, Request, Response } = globalThis;
    Object.assign(this.global, { TextEncoder, TextDecoder, structuredClone, Request, Response });
  }
}
