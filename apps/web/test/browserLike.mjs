import { TestEnvironment } from 'jest-environment-jsdom';

/** A worker that answers what a test lets it answer, and nothing to everything else. */
class TestWorker extends EventTarget {
  /** Every call so far, its name and what it was given, over all workers. */
  static calls = [];
  /** Answers by name of the call. */
  static answers = {};
  postMessage({ id, path, argumentList }) {
    const given = argumentList.map((argument) => argument.value);
    TestWorker.calls.push([...path, ...given]);
    const value = TestWorker.answers[path[0]]?.(...given) ?? null;
    const answer = Object.assign(new Event('message'), { data: { id, type: 'RAW', value } });
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
      Worker: TestWorker,
      // React's own switch for tests that wait for what they cause.
      IS_REACT_ACT_ENVIRONMENT: true,
    });
    global.Element.prototype.scrollIntoView = () => undefined;
  }
}
