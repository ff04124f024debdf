import { Jobs } from './jobs.ts';

/** A worker whose jobs end when the test says so. */
function slowWorker() {
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const job = (name: string) => () => {
    begun.push(name);
    return new Promise<string>((resolve) => ends.set(name, () => resolve(`answer to ${name}`)));
  };
  const end = async (name: string) => {
    ends.get(name)!();
    await new Promise((resolve) => setTimeout(resolve));
  };
  return { begun, job, end };
}

test('one job is under way at a time, questions in the order in which they came', async () => {
  const { begun, job, end } = slowWorker();
  const jobs = new Jobs();
  const answers = ['a', 'b', 'c'].map((name) => jobs.ask(name, job(name)));
  expect(begun).toEqual(['a']);
  await end('a');
  await end('b');
  await end('c');
  expect(begun).toEqual(['a', 'b', 'c']);
  expect(await Promise.all(answers)).toEqual(['answer to a', 'answer to b', 'answer to c']);
});

test('a question that nobody waits for any more is not begun; one that others wait for is', async () => {
  const { begun, job, end } = slowWorker();
  const jobs = new Jobs();
  void jobs.ask('now', job('now'));
  const [gone, stays] = [new AbortController(), new AbortController()];
  const older = jobs.ask('older', job('older'), gone.signal);
  const shared = jobs.ask('shared', job('shared'), gone.signal);
  const second = jobs.ask('shared', job('shared'), stays.signal);
  gone.abort(new Error('gone'));
  await expect(older).rejects.toThrow('gone');
  await expect(shared).rejects.toThrow('gone');
  await end('now');
  await end('shared');
  expect(begun).toEqual(['now', 'shared']);
  expect(await second).toBe('answer to shared');
  await expect(jobs.ask('late', job('late'), gone.signal)).rejects.toThrow('gone');
  expect(begun).toHaveLength(2);
});

test('what was stopped while it was under way leaves the worker to the next', async () => {
  const { begun, job, end } = slowWorker();
  const jobs = new Jobs();
  const gone = new AbortController();
  const stopped = jobs.ask('long', job('long'), gone.signal);
  gone.abort(new Error('gone'));
  await expect(stopped).rejects.toThrow('gone');
  const next = jobs.ask('next', job('next'));
  expect(begun).toEqual(['long']);
  await end('long');
  await end('next');
  expect(await next).toBe('answer to next');
});

test('a guess gives way to a question and to a newer guess, and is the question when that comes', async () => {
  const { begun, job, end } = slowWorker();
  const jobs = new Jobs();
  void jobs.ask('now', job('now'));
  const guesses = ['first', 'second'].map((name) => jobs.guess(name, job(name)));
  expect(await guesses[0]).toBeUndefined();
  const asked = jobs.ask('second', job('second'));
  const third = jobs.guess('third', job('third'));
  const other = jobs.ask('other', job('other'));
  expect(await third).toBeUndefined();
  await end('now');
  await end('second');
  await end('other');
  expect(begun).toEqual(['now', 'second', 'other']);
  expect(await Promise.all([guesses[1], asked, other])).toEqual([
    'answer to second',
    'answer to second',
    'answer to other',
  ]);
});

test('a failure is told to who asked, troubles nobody over a guess, and the next job is begun', async () => {
  const jobs = new Jobs();
  const fails = () => Promise.reject(new Error('too big'));
  const asked = jobs.ask('fails', fails);
  jobs.guess('fails too', fails).catch(() => undefined);
  await expect(asked).rejects.toThrow('too big');
  expect(await jobs.ask('next', () => Promise.resolve('fine'))).toBe('fine');
});
