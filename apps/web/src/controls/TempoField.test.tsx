import { useState } from 'react';
import { fireEvent, render, screen } from '@testing-library/react';
import { TempoField } from './TempoField.tsx';

function Tried({ told }: { told: (tempo: number) => void }) {
  const [tempo, setTempo] = useState(92);
  return (
    <TempoField
      tempo={tempo}
      onTempo={(now) => {
        told(now);
        setTempo(now);
      }}
    />
  );
}

test('beats a minute are typed digit by digit; what is no tempo yet is kept on screen and told to nobody', () => {
  const told = jest.fn();
  render(<Tried told={told} />);
  const field = screen.getByLabelText<HTMLInputElement>(/Beats a minute/);
  const type = (text: string) => fireEvent.change(field, { target: { value: text } });
  for (const text of ['1', '13', '132']) type(text);
  expect(field.value).toBe('132');
  expect(told.mock.calls).toEqual([[132]]);
  type('');
  expect([field.value, field.getAttribute('aria-invalid')]).toEqual(['', 'true']);
  fireEvent.blur(field);
  expect([field.value, field.getAttribute('aria-invalid')]).toEqual(['132', 'false']);
});

test.each([
  ['19', []],
  ['20', [[20]]],
  ['21', [[21]]],
  ['300', [[300]]],
  ['301', []],
  ['60.5', []],
  ['-60', []],
])('%s typed tells %j', (text, calls) => {
  const told = jest.fn();
  render(<Tried told={told} />);
  fireEvent.change(screen.getByLabelText(/Beats a minute/), { target: { value: text } });
  expect(told.mock.calls).toEqual(calls);
});
