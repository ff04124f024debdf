import { notePitchClass, parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { isMinor, qualityById, qualityOf, QUALITIES, type QualityId } from './qualities.ts';

/** Every quality on C as a chord book spells it, and other ways to write it. */
const ON_C: Readonly<Record<QualityId, readonly [notes: string, also: string]>> = {
  '': ['C E G', 'maj M major'],
  m: ['C Eb G', 'min - mi minor'],
  '5': ['C G', ''],
  '6': ['C E G A', 'maj6 M6'],
  m6: ['C Eb G A', 'min6 -6 mi6'],
  '7': ['C E G Bb', 'dom7'],
  maj7: ['C E G B', 'M7 Δ Δ7 j7'],
  m7: ['C Eb G Bb', 'min7 -7 mi7'],
  mmaj7: ['C Eb G B', 'm(maj7) mM7 minmaj7 -Δ -Δ7 mΔ7'],
  '°': ['C Eb Gb', 'dim o'],
  '°7': ['C Eb Gb A', 'dim7 o7'],
  'm7♭5': ['C Eb Gb Bb', 'ø ø7 min7b5 -7b5 m7(b5) m7b5'],
  '+': ['C E G#', 'aug #5 (#5)'],
  '7♯5': ['C E G# Bb', '+7 aug7 7(#5) 7#5'],
  '7♭5': ['C E Gb Bb', '7(b5) 7b5'],
  '7♯9': ['C E G Bb D#', '7(#9) 7#9'],
  '7♭9': ['C E G Bb Db', '7(b9) 7b9'],
  '9': ['C E G Bb D', ''],
  m9: ['C Eb G Bb D', 'min9 -9'],
  maj9: ['C E G B D', 'M9 Δ9'],
  '6/9': ['C E G A D', '69 6(9)'],
  add9: ['C E G D', '(add9) (9) add2'],
  madd9: ['C Eb G D', 'm(add9) m(9)'],
  '11': ['C G Bb D F', ''],
  '13': ['C E G Bb D A', ''],
  sus4: ['C F G', 'sus'],
  sus2: ['C D G', ''],
  '7sus4': ['C F G Bb', '7sus'],
};

test.each(QUALITIES.map(({ id }) => id))(
  'C%s sounds as a chord book spells it, however it is written',
  (id) => {
    const [notes, also] = ON_C[id];
    const tones = notes.split(' ').map((note) => notePitchClass(expectOk(parseNote(note))));
    expect(qualityById(id).tones).toEqual(tones);
    for (const text of also.split(' ').filter((word) => word !== ''))
      expect(qualityOf(text)).toMatchObject({ id, tones });
    expect(isMinor(qualityById(id))).toBe(notes.includes('Eb'));
  },
);
