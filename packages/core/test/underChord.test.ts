/** Which notes of a chord are played under a note of the melody, by hand. */
import { families, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { soundingPitch } from '../src/pitch/spelledPitch.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import { accompaniment, type Fullness } from '../src/song/accompany.ts';
import { plainPlan } from '../src/song/arrangement.ts';
import { melodyLine } from '../src/song/songLine.ts';
import { songOf } from './samples/song.ts';

describe('what lies under a note of the melody, by hand', () => {
  const under = (id: FamilyId, preset: string, text: string, symbol: string, fullness: Fullness = 'full') => {
    const instrument = expectOk(openInstrument(specFromPreset(id, preset)));
    const melody = songOf(text, { chords: [{ at: 0, symbol }] });
    const line = melodyLine(melody);
    const context = routingContext(instrument, plainPlan(families[id]).preferences);
    const added = accompaniment(context, melody, line, {
      style: 'chords',
      fullness,
      without: [],
    });
    return line.map((note) => added.flatMap((one) => (one.under === note.id ? [one.pitch] : [])));
  };
  const lowest = (chords: readonly (readonly number[])[]) => chords.map((chord) => chord[0]);

  test.each([
    // Root, third, seventh: the melody has the fifth.
    ['harp', 'c-34', 'D5', 'G7', [43, 71, 65].map((pitch) => pitch % 12)],
    ['harp', 'c-34', 'A5', 'Dm7', [50, 53, 60].map((pitch) => pitch % 12)],
    // A slash asks for its bass.
    ['harp', 'c-34', 'D5', 'G7/B', [11, 7, 5]],
    ['harp', 'c-34', 'E5', 'Am/C', [0, 9, 4]],
  ] as const)('%s %s: %s over %s', (id, preset, text, symbol, classes) => {
    expect(under(id, preset, text, symbol)[0]!.map((pitch) => pitch % 12)).toEqual(classes);
  });

  test('a bass stays where it is as long as its chord lasts', () => {
    const tune = 'G4 C5 E5 G5 | E5 C5 G4 E4 | C4*4';
    expect(new Set(lowest(under('harp', 'c-34', tune, 'C')))).toEqual(new Set([36]));
    expect(new Set(lowest(under('harp', 'c-34', 'A4 C5 E5 A5 | E5 C5 A4 E4', 'Am')))).toEqual(new Set([45]));
    expect(new Set(lowest(under('anglo', 'C-G-sharp-on-push', 'G4 C5 E5 G5 | E5', 'C')))).toEqual(
      new Set([48]),
    );
  });

  test('a seventh that the melody has is not doubled, and the third is there', () => {
    expect(under('english', 'treble', 'B♭4', 'C7')).toEqual([[60, 64]]);
    expect(under('harp', 'c-34', 'C5', 'D7')[0]!.map((pitch) => pitch % 12)).not.toContain(0);
  });

  test('the leading note is not doubled: G and D under B in C', () => {
    expect(under('harp', 'c-34', 'B4*4', 'G')[0]!.map((pitch) => pitch % 12)).toEqual([7, 2]);
    // E is not the leading note of C.
    expect(under('harp', 'c-34', 'E4*4', 'C')[0]!.map((pitch) => pitch % 12)).toEqual([0, 7, 4]);
  });

  test('nothing lies a semitone from a note beside the chord, nor below the root', () => {
    for (const [text, symbol] of [
      ['B4*4', 'C7'],
      ['A♭4*4', 'F'],
      ['D♭5*4', 'B♭'],
    ] as const) {
      const [chord] = under('english', 'tenor-treble', text, symbol);
      const [melody] = songOf(text).parts[0]!.voices[0]!.notes.map(({ pitch }) => soundingPitch(pitch));
      expect(chord!.length).toBeGreaterThan(0);
      for (const pitch of chord!) expect([1, 11]).not.toContain((melody! - pitch) % 12);
    }
    // A treble begins at G3: nothing under C4, and no G3 or B♭3 under E4.
    expect(under('english', 'treble', 'G4 E4 C4', 'C')).toEqual([[60, 64], [60], []]);
    expect(under('english', 'treble', 'E4', 'C7')).toEqual([[60]]);
  });
});
