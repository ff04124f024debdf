import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation, useNavigationType } from 'react-router';
import { undo } from '../../test/history.ts';
import { useLink } from './useLink.ts';

const inRouter = ({ children }: { readonly children: ReactNode }) => (
  <MemoryRouter initialEntries={['/songs/x?on=a']}>{children}</MemoryRouter>
);

function opened() {
  const { result } = renderHook(
    () => ({ link: useLink(), at: useLocation().search, how: useNavigationType() }),
    { wrapper: inRouter },
  );
  const now = () => result.current;
  const set = (name: string, value: string) => {
    const next = now().link.current();
    next.set(name, value);
    return next;
  };
  return { now, set };
}

test('two changes before the page is drawn again both hold, and each is undone by itself', async () => {
  const { now, set } = opened();
  act(() => {
    now().link.write(set('by', '2'), 'moving the song');
    now().link.write(set('with', 'air'), 'how it is played');
  });
  expect(now().at).toBe('?on=a&by=2&with=air');
  await act(async () => expect(await undo()).toBe('how it is played'));
  expect(now().at).toBe('?on=a&by=2');
  await act(async () => expect(await undo()).toBe('moving the song'));
  expect(now().at).toBe('?on=a');
});

test('what is only marked has no step of its own, and what stays the same none either', () => {
  const { now, set } = opened();
  act(() => now().link.replace(set('at', 'n3')));
  expect([now().at, now().how]).toEqual(['?on=a&at=n3', 'REPLACE']);
  act(() => now().link.write(set('at', 'n3'), 'nothing'));
  expect(now().how).toBe('REPLACE');
});

test('what is handed out is a copy: changing it changes nothing', () => {
  const { now } = opened();
  now().link.current().set('on', 'b');
  expect(now().link.current().get('on')).toBe('a');
});
