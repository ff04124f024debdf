import { expectOk } from '@same-song/core';
import { openInstrument, specFromPreset } from '@same-song/core/instruments';
import { checkQuestion, defaultQuestion, mapView } from '@same-song/core/route';
import { noteSelection, readSelection, waySelection } from './selection.ts';

const instrument = expectOk(openInstrument(specFromPreset('chromatic', '58-12')));
const question = expectOk(checkQuestion(instrument.family, defaultQuestion(instrument.family, instrument)));
const view = mapView(instrument, question, { naming: 'key', dialect: 'words' });

test('a note of the line brings its way and all that sounds the same', () => {
  const { note, way, related } = readSelection(view, noteSelection(view.line[0]!.id));
  expect(note!.index).toBe(0);
  expect(way!.id).toBe(note!.wayId);
  expect([...related].every((id) => view.ways.find((w) => w.id === id)!.pitch === note!.pitch)).toBe(true);
  expect(related.size).toBe(view.ways.filter((w) => w.pitch === note!.pitch).length);
});

test('a way by itself is no note of the line', () => {
  const { note, way } = readSelection(view, waySelection('12ds'));
  expect(note).toBeUndefined();
  expect(way!.id).toBe('12ds');
});

test.each([[undefined], ['99'], ['-1'], ['way.77b'], ['x'], ['']])('%j marks nothing', (at) => {
  expect(readSelection(view, at)).toMatchObject({ way: undefined });
  expect(readSelection(view, at).related.size).toBe(0);
});
