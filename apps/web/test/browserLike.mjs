import { TestEnvironment } from 'jest-environment-jsdom';

/** A worker that answers nothing to everything: what is computed in it is tested where it is computed. */
class EmptyWorker extends EventTarget {
  /** Every call so far, its name and what it was given, over all workers. */
  static calls = [];
  postMessage({ id, path, argumentList }) {
    EmptyWorker.calls.push([...path, ...argumentList.map((argument) => argument.value)]);
    const answer = Object.assign(new Event('message'), { data: { id, type: 'RAW', value: null } });
    setTimeout(() => this.dispatchEvent(answer));
  }
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
      Worker: EmptyWorker,
      // React's own switch for tests that wait for what they cause.
      IS_REACT_ACT_ENVIRONMENT: true,
    });
    global.Element.prototype.scrollIntoView = () => undefined;
  }
}
