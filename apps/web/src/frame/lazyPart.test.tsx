import { act, fireEvent, render, screen } from '@testing-library/react';
import { lazyPart, useFetchAhead } from './lazyPart.tsx';

function Page() {
  useFetchAhead();
  return <p>The page</p>;
}

test('a part that cannot be fetched says so in its own place, and comes when it is tried again', async () => {
  let away = true;
  const Staff = lazyPart('The staff', () =>
    away
      ? Promise.reject(new TypeError('no network'))
      : Promise.resolve(({ of }: { of: string }) => <p>Staff of {of}</p>),
  );
  render(
    <main>
      <p>The page</p>
      <Staff of="F" />
    </main>,
  );
  await screen.findByText(/The staff cannot be shown: the Same Song server does not answer/);
  expect(screen.getByText('The page')).toBeDefined();
  away = false;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  await screen.findByText('Staff of F');
});

test('parts are fetched once the page stands, one that fails takes none with it, and then they need no server', async () => {
  jest.useFakeTimers();
  let away = false;
  const fetched: string[] = [];
  const part = (name: string) => () => {
    if (away) return Promise.reject(new TypeError('no network'));
    fetched.push(name);
    return Promise.resolve(() => <p>{name}</p>);
  };
  lazyPart('None', () => Promise.reject(new TypeError('never')));
  const First = lazyPart('First', part('first'));
  lazyPart('Second', part('second'));
  render(<Page />);
  await act(() => jest.advanceTimersByTimeAsync(2_000));
  expect(fetched).toEqual([]);
  await act(() => jest.advanceTimersByTimeAsync(4_000));
  expect(fetched).toEqual(['first', 'second']);
  away = true;
  render(<First />);
  // At once, without so much as a frame in between.
  expect(screen.getByText('first')).toBeDefined();
  jest.useRealTimers();
});
