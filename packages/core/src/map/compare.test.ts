import { checkQuestion, defaultQuestion, type StoredQuestion } from '../question/question.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { compareMaps } from './compare.ts';
import { mapView } from './mapView.ts';

function view(family: string, preset: string, change: Partial<StoredQuestion>) {
  const instrument = expectOk(openInstrument(specFromPreset(family, preset)));
  const question = expectOk(
    checkQuestion(instrument.family, { ...defaultQuestion(instrument.family, instrument), ...change }),
  );
  return mapView(instrument, question, { naming: 'key', dialect: instrument.family.dialects[0]!.id });
}

test('from major to Mixolydian on an A♭ harmonica one note goes and one comes, with its ways', () => {
  const first = view('diatonic', '56', { tonic: 'Eb', scale: 'major' });
  const second = view('diatonic', '56', { tonic: 'Eb', scale: 'mixolydian' });
  const { kept, dropped, added, notes } = compareMaps(first, second, true);
  expect(notes).toEqual({ kept: ['E♭', 'F', 'G', 'A♭', 'B♭', 'C'], dropped: ['D'], added: ['D♭'] });
  expect(added.map((w) => w.id).sort()).toEqual(['2d2', '5d', '9d']);
  expect(dropped.every((w) => w.note.startsWith('D') && !w.note.startsWith('D♭'))).toBe(true);
  expect(kept.length + added.length).toBe(
    second.ways.filter((w) => w.usable && ['home', 'chord', 'scale'].includes(w.role)).length,
  );
});

test('the same scale on two instruments: no ways in common, reach and effort of both', () => {
  const question = { tonic: 'D', scale: 'major' };
  const { kept, terms, coverage } = compareMaps(
    view('whistle', '74', question),
    view('harp', 'c-34', question),
    false,
  );
  expect(kept).toEqual([]);
  expect(coverage).toEqual(['8 of 8', '8 of 8']);
  expect(terms.find((p) => p.label === 'fingers moved')).toMatchObject({ second: 0 });
});

test('a layer leaves the rest aside in drawing, line and inventory', () => {
  const map = view('anglo', 'G-D-sharp-on-push', { tonic: 'D', layer: 'chord' });
  expect(new Set(map.line.map((note) => note.degree))).toEqual(new Set(['1', '3', '5']));
  expect(
    map.ways
      .filter((way) => way.degree === '4')
      .every((way) => way.role === 'outside' && way.music === 'leave'),
  ).toBe(true);
});
