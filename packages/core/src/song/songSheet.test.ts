import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { sceneIds, type Shape, type TextShape } from '../scene/scene.ts';
import { quarters } from '../time/ticks.ts';
import { plainPlan } from './arrangement.ts';
import { songSheet } from './songSheet.ts';
import { songView } from './songView.ts';

const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const sheetOf = (song: ReturnType<typeof songOf>) =>
  songSheet(
    songView(harmonica, song, plainPlan(families.diatonic), { naming: 'key', dialect: 'words' }),
    'a C harmonica',
  );
const texts = (shapes: readonly Shape[]): TextShape[] =>
  shapes.flatMap((s) => (s.kind === 'group' ? texts(s.shapes) : s.kind === 'text' ? [s] : []));

test('every note of the melody has its chip, blown above drawn, and what cannot be had is told', () => {
  const { shapes } = sheetOf(songOf('C5 D5 | C1 C5'));
  expect(sceneIds(shapes)).toEqual(['n1', 'n2', 'n3', 'n4']);
  const top = (id: string) => {
    const chip = shapes.find((shape) => shape.kind === 'group' && shape.id === id);
    return chip?.kind === 'group' ? chip.box!.y : NaN;
  };
  expect(top('n1')).toBeLessThan(top('n3'));
  expect(top('n3')).toBeLessThan(top('n2'));
  expect(texts(shapes).map(({ text }) => text)).toContain('—');
});

test('a chord stands over its note, one that comes while a note sounds that much further right', () => {
  const chords = [
    { at: 0, symbol: 'Am' },
    { at: quarters(2), symbol: 'F' },
    { at: quarters(5), symbol: 'G7' },
  ];
  const { shapes } = sheetOf(songOf('C5*4 | - D5*3', { chords }));
  const at = (symbol: string) => texts(shapes).find(({ text }) => text === symbol)!.x;
  const chip = (id: string) => {
    const group = shapes.find((shape) => shape.kind === 'group' && shape.id === id);
    return group?.kind === 'group' ? group.box!.x : NaN;
  };
  expect(at('Am')).toBe(chip('n1'));
  expect(at('F')).toBeGreaterThan(chip('n1') + 5);
  expect(at('F')).toBeLessThan(chip('n2'));
  expect(at('G7')).toBe(chip('n2'));
});

test('long songs go on row by row within the page, a bar too long for a row included', () => {
  const long = sheetOf(
    songOf([...Array(12).fill('C5 D5 E5 D5'), Array(30).fill('C5').join(' ')].join(' | ')),
  );
  const right = long.shapes.map((s) => (s.kind === 'group' ? s.box!.x + s.box!.width : 0));
  expect(Math.max(...right)).toBeLessThanOrEqual(long.widthMm);
  const bottom = long.shapes.map((s) => (s.kind === 'group' ? s.box!.y + s.box!.height : 0));
  expect(Math.max(...bottom)).toBeLessThan(long.heightMm);
  expect(long.heightMm).toBeGreaterThan(sheetOf(songOf('C5')).heightMm * 3);
});
