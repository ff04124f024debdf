import { noteText } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { families, FAMILY_IDS } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { ownNamer } from './namer.ts';

test('an instrument’s own key decides between sharps and flats', () => {
  expect(ownNamer(7).withOctave(66)).toBe('F♯4');
  expect(ownNamer(1).withOctave(66)).toBe('G♭4');
  expect(ownNamer(9).bare(61)).toBe('C♯');
  expect(ownNamer(3).bare(61)).toBe('D♭');
  expect(ownNamer(0).degree(67)).toBe('5');
  expect(() => ownNamer(12)).toThrow('12');
});

test.each(FAMILY_IDS)('%s: every way is called by a name that sounds as it does', (id) => {
  for (const preset of families[id].presets) {
    const instrument = expectOk(openInstrument(specFromPreset(id, preset.id)));
    for (const way of instrument.ways)
      expect(notePitchClass(instrument.nameOf(way))).toBe(pitchClass(way.pitch));
    for (const { called, pitch } of instrument.elements)
      if (called) expect(notePitchClass(called)).toBe(pitchClass(pitch!));
  }
});

test('an English concertina calls an accidental after the natural beside it, a harp a string by its letter', () => {
  const english = expectOk(openInstrument(specFromPreset('english', 'treble')));
  const called = (id: string) => noteText(english.nameOf(english.ways.find((w) => w.id === id)!));
  expect(['L1.1', 'L1.2', 'L4.1', 'R1.1', 'R4.3'].map(called)).toEqual(['C♯', 'G♯', 'A♭', 'G♯', 'C♯']);
  const harp = expectOk(openInstrument(specFromPreset('harp', families.harp.presets[0]!.id)));
  for (const way of harp.ways) {
    const letter = harp.elements.find((e) => e.id === `strings.${/^[LR]?(\d+)/.exec(way.id)![1]!}`)!.column;
    expect(harp.nameOf(way).letter).toBe(letter);
  }
});
