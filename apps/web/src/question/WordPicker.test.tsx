import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { WordPicker, type Choice } from './WordPicker.tsx';

const CHOICES: readonly Choice[] = ['major', 'minor', 'Dorian', 'Mixolydian'].map((label, i) => ({
  id: `id-${label}`,
  label,
  group: i < 2 ? 'Main' : 'Modes',
  current: label === 'minor',
}));

function search(text: string) {
  if (text === '?') return { choices: [], error: 'This cannot be read.' };
  return { choices: CHOICES.filter(({ label }) => label.toLowerCase().includes(text)) };
}

function opened() {
  const chosen: [string, string][] = [];
  const considered: string[] = [];
  function Page() {
    const [open, setOpen] = useState(false);
    return (
      <WordPicker
        name="scale"
        word="minor"
        shortcut="s"
        search={search}
        placeholder="type"
        onChoose={(id, typed) => chosen.push([id, typed])}
        onConsider={(id) => considered.push(id)}
        open={open}
        onOpen={setOpen}
      />
    );
  }
  render(<Page />);
  const open = () => fireEvent.click(screen.getByRole('button', { name: 'scale: minor', hidden: true }));
  open();
  const field = () => screen.getByRole('combobox');
  return {
    chosen,
    considered,
    open,
    field,
    type: (value: string) => fireEvent.change(field(), { target: { value } }),
    press: (...pressed: string[]) => pressed.forEach((key) => fireEvent.keyDown(field(), { key })),
    active: () => screen.getAllByRole('option').find((o) => o.getAttribute('aria-selected') === 'true')!,
  };
}
const isOpen = () => screen.queryByRole('combobox') !== null;

test('it begins at what stands now, and its groups have headings', () => {
  const picker = opened();
  expect(picker.active().textContent).toBe('minor · now');
  expect(screen.getByText('Main')).toBeTruthy();
  expect(screen.getByText('Modes')).toBeTruthy();
  expect(document.activeElement).toBe(picker.field());
  expect(picker.field().getAttribute('aria-activedescendant')).toBe(picker.active().id);
});

test('arrows move between the first and the last, Enter takes and closes', () => {
  const picker = opened();
  picker.press('ArrowUp', 'ArrowUp', 'ArrowUp');
  expect(picker.active().textContent).toContain('major');
  picker.press('PageDown', 'ArrowDown');
  expect(picker.active().textContent).toContain('Mixolydian');
  picker.press('ArrowUp', 'Enter');
  expect(picker.chosen).toEqual([['id-Dorian', '']]);
  expect(isOpen()).toBe(false);
});

test('what a text or an arrow leads to is considered, what stands there by itself is not', () => {
  const picker = opened();
  expect(picker.considered).toEqual([]);
  picker.type('d');
  picker.type('do');
  expect(picker.considered).toEqual(['id-Dorian']);
  picker.type('');
  picker.press('ArrowDown');
  expect(picker.considered.at(-1)).toBe('id-Dorian');
  fireEvent.pointerDown(screen.getAllByRole('option')[0]!);
  expect(picker.considered.at(-1)).toBe('id-major');
  expect(picker.chosen).toEqual([]);
});

test('typing narrows, the best stands first, and what was typed goes along', () => {
  const picker = opened();
  picker.press('ArrowDown');
  picker.type('m');
  expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual([
    'major',
    'minor · now',
    'Mixolydian',
  ]);
  expect(picker.active().textContent).toBe('major');
  expect(screen.queryByText('Modes')).toBeNull();
  picker.type('mix');
  picker.press('Enter');
  expect(picker.chosen).toEqual([['id-Mixolydian', 'mix']]);
});

test('what fits nothing or cannot be read is said, and Enter then changes nothing', () => {
  const picker = opened();
  picker.type('xyz');
  expect(screen.getByText(/Nothing fits “xyz”/)).toBeTruthy();
  picker.press('Enter', 'ArrowDown');
  picker.type('?');
  expect(screen.getByRole('alert').textContent).toBe('This cannot be read.');
  expect(screen.queryByText(/Nothing fits/)).toBeNull();
  picker.press('Enter');
  expect(picker.chosen).toEqual([]);
  expect(isOpen()).toBe(true);
});

test('Escape leaves all as it was, and each opening begins anew', () => {
  const picker = opened();
  picker.type('mix');
  picker.press('Escape');
  expect([isOpen(), picker.chosen]).toEqual([false, []]);
  picker.open();
  expect((picker.field() as HTMLInputElement).value).toBe('');
  expect(picker.active().textContent).toBe('minor · now');
});

test('a choice is taken by mouse', () => {
  const picker = opened();
  fireEvent.click(screen.getByRole('option', { name: /Dorian/ }));
  expect(picker.chosen).toEqual([['id-Dorian', '']]);
  expect(isOpen()).toBe(false);
});
