import { TestEnvironment } from 'jest-environment-jsdom';

/** A worker that never answers: what is computed in it is tested where it is computed. */
class SilentWorker extends EventTarget {
  postMessage() {}
  terminate() {}
}

/** A page without a screen, with the parts of a browser that jsdom leaves out. */
export default class BrowserLike extends TestEnvironment {
  async setup() {
    await super.setup();
    const { global } = this;
    Object.assign(global, {
      TextEncoder,
      TextDecoder,
      structuredClone,
      Request,
      Response,
      Headers,
      Worker: SilentWorker,
      // React's own switch for tests that wait for what they cause.
      IS_REACT_ACT_ENVIRONMENT: true,
    });
    global.Element.prototype.scrollIntoView = () => undefined;
  }
}
