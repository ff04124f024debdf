import { fireEvent, render, screen } from '@testing-library/react';
import { expectOk } from '@same-song/core';
import { families, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { scaleById } from '@same-song/core/music';
import { defaultPreferences, keyTable, type KeyCell } from '@same-song/core/route';
import { KeyGrid } from './KeyGrid.tsx';

const instrument = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const scales = ['major', 'dorian', 'blues-six'].map((id) => expectOk(scaleById(id)));
const table = keyTable(instrument, scales, defaultPreferences(families.diatonic));

function shown(more: Partial<Parameters<typeof KeyGrid>[0]> = {}) {
  const chosen: KeyCell[] = [];
  const sorted: string[] = [];
  const removed: string[] = [];
  const { container } = render(
    <KeyGrid
      rows={table.rows}
      scales={table.scales}
      holds={() => true}
      heat={() => 1}
      selected={undefined}
      onChoose={(cell) => chosen.push(cell)}
      sortedBy={undefined}
      onSort={(scale) => sorted.push(scale)}
      onRemove={(scale) => removed.push(scale)}
      {...more}
    />,
  );
  const cell = (at: string) => container.querySelector<HTMLButtonElement>(`[data-cell="${at}"]`)!;
  return { container, chosen, sorted, removed, cell };
}
const at = () => document.activeElement!.getAttribute('data-cell');

test('every cell says aloud what it shows', () => {
  const { cell } = shown();
  for (const [r, row] of table.rows.entries()) {
    for (const [c, { octaves, have, of, best }] of row.entries()) {
      const name = cell(`${r},${c}`).title;
      expect(name).toContain(`${have} of ${of} notes`);
      expect(name.includes('nothing hard')).toBe(best !== undefined && octaves[best]!.hard.length === 0);
      expect(cell(`${r},${c}`).querySelector('b')!.textContent).toBe(String(octaves.length));
    }
  }
});

test('arrow keys walk from cell to cell and stop at the edges; other keys are left alone', () => {
  const { cell } = shown();
  const stops = () => screen.getAllByRole('button').filter(({ tabIndex }) => tabIndex === 0);
  expect(stops()).toHaveLength(2);
  cell('0,0').focus();
  const press = (key: string) => fireEvent.keyDown(document.activeElement!, { key });
  press('ArrowDown');
  press('ArrowRight');
  press('ArrowRight');
  expect(at()).toBe('1,2');
  press('ArrowRight');
  expect(at()).toBe('1,2');
  press('ArrowUp');
  press('ArrowUp');
  press('ArrowLeft');
  expect(at()).toBe('0,1');
  expect(stops()).toContain(cell('0,1'));
  expect(stops()).toHaveLength(2);
  expect(press('k')).toBe(true);
  expect(press('ArrowDown')).toBe(false);
});

test('a cell chosen, a scale sorted by and one taken out are told; what is ruled out is faint', () => {
  const ruledOut = table.rows[3]![1]!;
  const { cell, chosen, sorted, removed } = shown({
    holds: (c) => c !== ruledOut,
    selected: table.rows[0]![2]!,
    sortedBy: 'dorian',
  });
  fireEvent.click(cell('5,1'));
  expect(chosen).toEqual([table.rows[5]![1]]);
  expect(cell('3,1').className).toContain('ruled-out');
  expect(cell('3,2').className).not.toContain('ruled-out');
  expect(cell('0,2').getAttribute('aria-pressed')).toBe('true');
  fireEvent.click(screen.getByRole('button', { name: 'major' }));
  fireEvent.click(screen.getByRole('button', { name: 'Take six-note blues out of the table' }));
  expect([sorted, removed]).toEqual([['major'], ['blues-six']]);
  const heads = screen.getAllByRole('columnheader');
  expect(heads.map((h) => h.getAttribute('aria-sort'))).toEqual([null, null, 'ascending', null]);
});
