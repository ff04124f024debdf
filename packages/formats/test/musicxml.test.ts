import { expectOk } from '@same-song/core';
import { played } from '@same-song/core/song';
import { readMusicXml } from '../src/index.ts';
import {
  note,
  rest,
  grace,
  START,
  measures,
  score,
  one,
  left,
  right,
  AGAIN,
  words,
  sound,
  whole,
  triplet,
  transposing,
} from './scoreText.ts';
import { sounds } from './sounds.ts';

/** Each holds one difficulty; what it must give was written by hand. */
const FILES: readonly (readonly [name: string, text: string, expected: string])[] = [
  [
    'a gap at the end of a bar',
    one(note('C4', 2) + '<forward><duration>24</duration></forward>', whole('D4')),
    'C4*2 -*2 D4*4',
  ],
  ['plain notes', one(note('C4') + note('F#4') + note('Bb4', 2)), 'C4 F#4 A#4*2'],
  ['double signs', one(note('F##4', 2) + note('Bbb4', 2)), 'G4*2 A4*2'],
  ['rests', one(note('C4') + rest(1) + note('D4', 2)), 'C4 - D4*2'],
  ['a rest of a whole bar', one(rest(4, ' measure="yes"'), whole('C4')), '-*4 C4*4'],
  [
    'a whole-bar rest as long as four in three',
    one(
      note('C4', 4),
      `<attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes>${rest(4, ' measure="yes"')}`,
      note('D4', 3),
    ),
    'C4*4 -*3 D4*3',
  ],
  [
    'type and dots may be wrong or missing',
    one(note('C4', 3, '~<type>whole</type>') + note('D4')),
    'C4*3 D4',
  ],
  [
    'a pickup',
    score({
      P1: `<measure number="0" implicit="yes">${START}${note('G4')}</measure>${measures(whole('C5'))}`,
    }),
    'G4 C5*4',
  ],
  ['a short bar in the middle', one(whole('C4'), note('D4'), whole('E4')), 'C4*4 D4 E4*4'],
  ['a chord', one(note('C4', 2) + note('E4', 2, '<chord/>') + note('G4', 2)), 'C4+E4*2 G4*2'],
  [
    'two voices with backup',
    one(
      `${note('C5', 2, '~<voice>1</voice>')}${note('D5', 2, '~<voice>1</voice>')}<backup><duration>48</duration></backup>${note('C4', 4, '~<voice>2</voice>')}`,
    ),
    'C5*2 D5*2 / C4*4',
  ],
  [
    'a voice with a gap',
    one(
      `${note('C5', 4, '~<voice>1</voice>')}<backup><duration>48</duration></backup><forward><duration>24</duration></forward>${note('C4', 2, '~<voice>2</voice>')}`,
    ),
    'C5*4 / -*2 C4*2',
  ],
  [
    'one voice on two staves overlapping itself',
    one(
      `${note('C5', 4, '~<voice>1</voice>')}<backup><duration>48</duration></backup>${note('C4', 2, '~<voice>1</voice>')}${note('D4', 2, '~<voice>1</voice>')}`,
    ),
    'C5*4 / C4*2 D4*2',
  ],
  [
    'two parts',
    score({
      P1: measures(START + whole('C5')),
      P2: measures(
        `<attributes><divisions>1</divisions></attributes><note><pitch><step>C</step><octave>3</octave></pitch><duration>4</duration></note>`,
      ),
    }),
    'C5*4 / C3*4',
  ],
  [
    'a tie over a bar',
    one(
      note('C4', 2) + note('D4', 2, '~<tie type="start"/>'),
      note('D4', 2, '~<tie type="stop"/>') + note('E4', 2),
    ),
    'C4*2 D4*4 E4*2',
  ],
  [
    'a tie told by its notation alone',
    one(
      note('D4', 4, '~<notations><tied type="start"/></notations>'),
      note('D4', 4, '~<notations><tied type="stop"/></notations>'),
    ),
    'D4*8',
  ],
  [
    'a tie to another pitch ends the note',
    one(note('D4', 4, '~<tie type="start"/>'), whole('E4')),
    'D4*4 E4*4',
  ],
  [
    'a tie in a chord',
    one(
      note('C4', 4, '~<tie type="start"/>') + note('E4', 4, '<chord/>'),
      note('C4', 4, '~<tie type="stop"/>'),
    ),
    'C4*8 E4*4',
  ],
  [
    'a tie over a repeat seam',
    one(left('<repeat direction="forward"/>') + note('C4', 4, '~<tie type="start"/>') + AGAIN, whole('C4')),
    'C4*12',
  ],
  [
    'a triplet',
    one(note('C4', 1 / 3, triplet) + note('D4', 1 / 3, triplet) + note('E4', 1 / 3, triplet) + note('F4', 3)),
    'C4*1/3 D4*1/3 E4*1/3 F4*3',
  ],
  [
    'grace notes before and after',
    one(grace('B3') + note('C4', 2) + note('D4', 2) + grace('E4')),
    'C4*2 D4*2',
  ],
  ['cue notes are silent', one(note('C4', 2) + note('D4', 2, '<cue/>'), whole('E4')), 'C4*2 -*2 E4*4'],
  ['a transposing part', score({ P1: measures(START + transposing(-2) + whole('D5')) }), 'C5*4'],
  ['a part an octave lower', score({ P1: measures(START + transposing(0, -1) + whole('C5')) }), 'C4*4'],
  [
    'a part that changes its transposition',
    one(transposing(-2) + whole('D5'), transposing(3) + whole('D5')),
    'C5*4 F5*4',
  ],
  [
    'transposition of one staff',
    one(
      `${transposing(-12, 0, ' number="2"')}${note('C5', 4, '~<voice>1</voice><staff>1</staff>')}<backup><duration>48</duration></backup>${note('C5', 4, '~<voice>5</voice><staff>2</staff>')}`,
    ),
    'C5*4 / C4*4',
  ],
  [
    'an octave clef does not move what is written as it sounds',
    one(
      `<attributes><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>${whole('C4')}`,
    ),
    'C4*4',
  ],
  [
    'a repeat',
    one(left('<repeat direction="forward"/>') + whole('C4'), whole('D4') + AGAIN, whole('E4')),
    'C4*4 D4*4 C4*4 D4*4 E4*4',
  ],
  ['a repeat from the beginning', one(whole('C4') + AGAIN, whole('D4')), 'C4*4 C4*4 D4*4'],
  [
    'three times',
    one(whole('C4') + right('<repeat direction="backward" times="3"/>'), whole('D4')),
    'C4*4 C4*4 C4*4 D4*4',
  ],
  [
    'endings',
    one(
      whole('C4'),
      left('<ending number="1" type="start"/>') +
        whole('D4') +
        right('<ending number="1" type="stop"/><repeat direction="backward"/>'),
      left('<ending number="2" type="start"/>') +
        whole('E4') +
        right('<ending number="2" type="discontinue"/>'),
      whole('F4'),
    ),
    'C4*4 D4*4 C4*4 E4*4 F4*4',
  ],
  [
    'an ending of two bars for two times',
    one(
      whole('C4'),
      left('<ending number="1, 2" type="start"/>') + whole('D4'),
      whole('E4') + right('<ending number="1, 2" type="stop"/><repeat direction="backward"/>'),
      left('<ending number="3" type="start"/>') + whole('F4') + right('<ending number="3" type="stop"/>'),
    ),
    'C4*4 D4*4 E4*4 C4*4 D4*4 E4*4 C4*4 F4*4',
  ],
  [
    'da capo al fine by sound',
    one(whole('C4') + sound('fine="yes"'), whole('D4') + sound('dacapo="yes"')),
    'C4*4 D4*4 C4*4',
  ],
  [
    'da capo al fine by words',
    one(whole('C4') + words('Fine'), whole('D4') + words('D.C. al Fine')),
    'C4*4 D4*4 C4*4',
  ],
  [
    'dal segno al coda',
    one(
      whole('C4'),
      sound('segno="s"') + whole('D4') + sound('tocoda="c"'),
      whole('E4') + sound('dalsegno="s"'),
      sound('coda="c"') + whole('F4'),
    ),
    'C4*4 D4*4 E4*4 D4*4 F4*4',
  ],
  [
    'signs of the coda without sound',
    one(
      whole('C4'),
      `<direction><direction-type><segno/></direction-type></direction>${whole('D4')}<direction><direction-type><coda/></direction-type></direction>`,
      whole('E4') + words('D.S. al Coda'),
      `<direction><direction-type><coda/></direction-type></direction>${whole('F4')}`,
    ),
    'C4*4 D4*4 E4*4 D4*4 F4*4',
  ],
  [
    'divisions that change',
    one(
      whole('C4'),
      `<attributes><divisions>1</divisions></attributes><note><pitch><step>D</step><octave>4</octave></pitch><duration>4</duration></note>`,
    ),
    'C4*4 D4*4',
  ],
  [
    'chord symbols are not played',
    one(`<harmony><root><root-step>C</root-step></root><kind>major</kind></harmony>${whole('C4')}`),
    'C4*4',
  ],
  [
    'percussion is set aside',
    score({
      P1: measures(START + whole('C4')),
      D: measures(
        `<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>4</duration></note>`,
      ),
    }),
    'C4*4',
  ],
  ['an empty bar', one(whole('C4'), '', whole('D4')), 'C4*4 D4*4'],
  [
    'by time instead of by part',
    `<score-timewise version="3.0"><part-list><score-part id="A"><part-name>A</part-name></score-part></part-list><measure number="1"><part id="A">${START}${whole('C4')}</part></measure><measure number="2"><part id="A">${whole('D4')}</part></measure></score-timewise>`,
    'C4*4 D4*4',
  ],
  [
    'line ends of other systems and a byte-order mark',
    `\ufeff${one(whole('C4')).replaceAll('>', '>\r\n')}`,
    'C4*4',
  ],
];

const read = (text: string) => expectOk(readMusicXml(text));

test.each(FILES)('%s', (_, text, expected) => {
  expect(sounds(read(text).song)).toBe(expected);
});

test('tuplets, one within another, with what stands in them', () => {
  const nested = (marks: string, actual: number, normal: number) =>
    `~<time-modification><actual-notes>${actual}</actual-notes><normal-notes>${normal}</normal-notes></time-modification><notations>${marks}</notations>`;
  const tuplet = (type: string, number: number) => `<tuplet type="${type}" number="${number}"/>`;
  const ratio = (a: number, n: number) =>
    `<tuplet-actual><tuplet-number>${a}</tuplet-number></tuplet-actual><tuplet-normal><tuplet-number>${n}</tuplet-number></tuplet-normal>`;
  const { song } = read(
    one(
      note('C4', 2 / 3, nested(`<tuplet type="start" number="1">${ratio(3, 2)}</tuplet>`, 3, 2)) +
        note('D4', 2 / 9, nested(`<tuplet type="start" number="2">${ratio(3, 2)}</tuplet>`, 9, 4)) +
        note('E4', 2 / 9, nested('', 9, 4)) +
        note('F4', 2 / 9, nested(tuplet('stop', 2), 9, 4)) +
        note('G4', 2 / 3, nested(tuplet('stop', 1), 3, 2)) +
        note('A4', 2),
    ).replaceAll('<duration>2.6666666666666665<', '<duration>2.6666667<'),
  );
  expect(sounds(song)).toBe('C4*2/3 D4*2/9 E4*2/9 F4*2/9 G4*2/3 A4*2');
  expect(song.parts[0]!.voices[0]!.tuplets).toEqual([
    { onset: 0, length: 10080, actual: 3, normal: 2 },
    { onset: 3360, length: 3360, actual: 3, normal: 2 },
  ]);
});

test('a run in one ratio is a tuplet even where none is marked', () => {
  const { song } = read(
    one([1, 2, 3, 4, 5, 6].map(() => note('C4', 1 / 3, triplet)).join('') + note('D4', 2)),
  );
  expect(song.parts[0]!.voices[0]!.tuplets).toEqual([
    { onset: 0, length: 5040, actual: 3, normal: 2 },
    { onset: 5040, length: 5040, actual: 3, normal: 2 },
  ]);
});

test('keys, metres, tempos, chords and words', () => {
  const { song } = read(
    one(
      `<attributes><key><fifths>-3</fifths><mode>minor</mode></key><time><beats>6</beats><beat-type>8</beat-type></time></attributes>
       <direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>c. 90</per-minute></metronome></direction-type><sound tempo="135"/></direction>
       <harmony><root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>dominant</kind><bass><bass-step>D</bass-step></bass><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree></harmony>
       ${note('C4', 3, '~<lyric number="1"><syllabic>begin</syllabic><text>la</text></lyric><lyric number="2"><text>na</text></lyric>')}`,
    ),
  );
  expect(song.keys).toEqual([{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'natural-minor' }]);
  expect(song.metres).toEqual([{ at: 0, count: 6, unit: 8 }]);
  expect(song.tempos).toEqual([{ at: 0, beat: 7560, perMinute: 90 }]);
  expect(song.chords).toEqual([{ at: 0, symbol: 'B♭7♭9/D' }]);
  expect(song.parts[0]!.voices[0]!.notes[0]!.lyrics).toEqual([{ text: 'la', hyphen: true }, { text: 'na' }]);
});

test('the key of a transposing part is the one that sounds, and its notes are spelled in it', () => {
  const { song } = read(
    one(
      `${transposing(-2).replace('<transpose>', '<key><fifths>-1</fifths></key><transpose>')}${note('C5', 4)}`,
    ),
  );
  expect(song.keys[0]!.tonic).toEqual({ letter: 'E', accidental: -1 });
  expect(song.parts[0]!.voices[0]!.notes[0]!.pitch).toEqual({ letter: 'B', accidental: -1, octave: 4 });
});

test('percussion can be heard when it is asked for', () => {
  const { song, remarks } = read(
    score(
      { P1: measures(START + whole('C4')), D: measures(whole('C2')) },
      '<midi-instrument id="x"><midi-channel>10</midi-channel></midi-instrument>',
    ),
  );
  expect(remarks.map(({ text }) => text)).toContain('The percussion part “D” is set aside.');
  expect(played(song).notes).toEqual([]);
  expect(played(song, { percussion: true }).notes).toHaveLength(2);
});

test.each([
  ['not XML', 'hello', 'no well-formed XML'],
  ['cut off', one(whole('C4')).slice(0, -60), 'unclosed tag'],
  ['an entity of its own', '<!DOCTYPE a [<!ENTITY x "y">]><a>&x;</a>', 'undefined entity'],
  ['another document', '<html><body/></html>', 'it holds “html”'],
  ['no notes', one(''), 'no notes'],
  ['too deep', '<score-partwise>' + '<a>'.repeat(5000), 'within one another'],
  ['nothing', '', 'root element'],
])('%s is refused with a sentence', (_, text, message) => {
  const result = readMusicXml(text);
  expect(result.ok ? '' : result.problems[0]!.message).toContain(message);
});
