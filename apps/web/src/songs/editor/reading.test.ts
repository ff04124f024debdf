import { inWorker, kindOf } from './reading.ts';

test.each([
  ['X:1\nT:t\nK:C\nCDE', 'abc'],
  ['CDEF | G2 A2 |', 'abc'],
  ['1 2 3 -', 'degrees'],
  ['key: Em\n1 b3 5', 'degrees'],
  ['|: 5, | 1 2_ :|', 'degrees'],
  ['4 draw, 3 draw ″, 4 blow', 'tab'],
  ['−4 −3″ 4', 'tab'],
  ['xxx ooo, xxx xxo', 'tab'],
])('%j is taken for %s', (text, kind) => {
  expect(kindOf(text)).toBe(kind);
});

describe('the worker that reads', () => {
  /** Answers nothing until it is told to; the page ends it otherwise. */
  class Busy extends EventTarget {
    static readonly all: Busy[] = [];
    ended = false;
    constructor() {
      super();
      Busy.all.push(this);
    }
    postMessage() {
      // It is busy.
    }
    terminate() {
      this.ended = true;
    }
  }
  const never = () => new Promise<never>(() => undefined);

  beforeEach(() => {
    jest.useFakeTimers();
    (globalThis as { Worker: unknown }).Worker = Busy;
  });
  afterEach(() => jest.useRealTimers());

  test('is ended when it takes too long, and begun anew for the next job', async () => {
    const job = inWorker(never, 10_000);
    const failed = expect(job).rejects.toThrow('longer than 10 seconds');
    const mine = Busy.all.at(-1)!;
    jest.advanceTimersByTime(9_999);
    expect(mine.ended).toBe(false);
    jest.advanceTimersByTime(1);
    await failed;
    expect(mine.ended).toBe(true);
    expect(await inWorker(() => Promise.resolve('read'), 10_000)).toBe('read');
    expect(Busy.all.at(-1)).not.toBe(mine);
  });

  test('has half a second to end what is not wanted any more', async () => {
    const stop = new AbortController();
    const failed = expect(inWorker(never, 10_000, stop.signal)).rejects.toThrow();
    const mine = Busy.all.at(-1)!;
    stop.abort();
    await failed;
    jest.advanceTimersByTime(499);
    expect(mine.ended).toBe(false);
    jest.advanceTimersByTime(1);
    expect(mine.ended).toBe(true);
    // What is done by then goes on with the same worker.
    let answer = (_: string) => undefined as unknown;
    const again = new AbortController();
    const quick = inWorker(() => new Promise<string>((resolve) => (answer = resolve)), 10_000, again.signal);
    const next = Busy.all.at(-1)!;
    again.abort();
    await expect(quick).rejects.toThrow();
    answer('done');
    await Promise.resolve();
    await jest.advanceTimersByTimeAsync(1_000);
    expect(next.ended).toBe(false);
  });

  test('does what else it was asked to do anew when it was ended', async () => {
    const stop = new AbortController();
    const unwanted = expect(inWorker(never, 10_000, stop.signal)).rejects.toThrow();
    const asked: Busy[] = [];
    /** Answered by every reader but the one that is ended. */
    const wanted = inWorker(() => {
      const by = Busy.all.at(-1)!;
      asked.push(by);
      return asked.length === 1 ? never() : Promise.resolve('read');
    }, 10_000);
    stop.abort();
    await unwanted;
    jest.advanceTimersByTime(500);
    expect(await wanted).toBe('read');
    expect(asked).toHaveLength(2);
    expect(asked[0]!.ended).toBe(true);
    expect(asked[1]!.ended).toBe(false);
  });
});
