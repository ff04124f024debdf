import { sceneToSvg } from '@same-song/core/instruments';
import { melodyOf, songSheet, type Song, type SongView } from '@same-song/core/song';
import { writeAbc } from './abc/writeAbc.ts';
import { writeJson } from './json.ts';
import { writeMidi } from './midi/writeMidi.ts';
import { writeMusicXml } from './musicxml/writeMusicXml.ts';
import type { WordsUnder } from './wordsUnder.ts';
import { writeCsv } from './writeCsv.ts';

/** Kinds of files that songs are written as, with what programs call them; some show how an instrument plays it. */
export const WRITTEN_FORMATS = Object.freeze({
  abc: { label: 'ABC', extension: 'abc', type: 'text/vnd.abc', onInstrument: false },
  musicxml: {
    label: 'MusicXML',
    extension: 'musicxml',
    type: 'application/vnd.recordare.musicxml+xml',
    onInstrument: false,
  },
  midi: { label: 'MIDI', extension: 'mid', type: 'audio/midi', onInstrument: false },
  csv: { label: 'Notes as a table (CSV)', extension: 'csv', type: 'text/csv', onInstrument: false },
  json: { label: 'Same Song (JSON)', extension: 'song.json', type: 'application/json', onInstrument: false },
  tab: { label: 'Tab as text', extension: 'txt', type: 'text/plain', onInstrument: true },
  svg: { label: 'Tab as a drawing (SVG)', extension: 'svg', type: 'image/svg+xml', onInstrument: true },
} as const);
export type WrittenFormat = keyof typeof WRITTEN_FORMATS;

/** A song on an instrument, whose tab is then written with the notes. */
export interface OnInstrument {
  readonly view: Pick<SongView, 'song' | 'line' | 'keyName' | 'tabText'>;
  /** Name of the instrument. */
  readonly on: string;
}

/**
 * A song as a file; what the format cannot hold is told by `losses`.
 * @param played how an instrument plays it, the song then being that of its view @throws for what needs an instrument without one
 */
export function writeFile(song: Song, as: WrittenFormat, played?: OnInstrument): string | Uint8Array {
  const options = played ? { wordsUnder: tabUnder(played) } : {};
  if (as === 'tab' || as === 'svg') {
    if (!played) throw new Error(`writeFile: ${as} without an instrument`);
    const { view, on } = played;
    if (as === 'svg') return sceneToSvg(songSheet(view, on));
    return `${view.song.title} in ${view.keyName}, ${on}\n\n${view.tabText}\n`;
  }
  switch (as) {
    case 'abc':
      return writeAbc(song, options);
    case 'musicxml':
      return writeMusicXml(song, options);
    case 'midi':
      return writeMidi(song);
    case 'csv':
      return writeCsv(song, options.wordsUnder);
    case 'json':
      return writeJson(song);
  }
}

/** The tab of each note of the melody, without spaces: words under notes have none. */
function tabUnder({ view }: OnInstrument): WordsUnder {
  const tab = new Map(view.line.map((note) => [note.id, note.inTab.replace(/\s+/g, '')]));
  return (note, voice) => (voice === view.song.melody ? tab.get(note.id) : undefined);
}

/** What of a song a format cannot hold, as sentences. */
export function losses(song: Song, as: WrittenFormat): readonly string[] {
  const lost: string[] = [];
  const notes = song.parts.flatMap((part) => part.voices.flatMap((voice) => voice.notes));
  const say = (when: boolean, text: string) => when && lost.push(text);
  if (as === 'json') return [];
  if (as === 'tab' || as === 'svg')
    return notes.length > melodyOf(song).voice.notes.length ? ['Only the melody.'] : [];
  if (as === 'csv') return ['Repeats, keys, metres and tempos are left out: a table holds the notes.'];
  if (as === 'midi') {
    say(song.chords.length > 0, 'Chord symbols are left out: MIDI has no word for them.');
    say(
      notes.some(({ lyrics }) => lyrics),
      'Words are left out.',
    );
    say(
      notes.some(({ grace, touches, marks = [] }) => grace ?? touches ?? marks.includes('roll')),
      'Grace notes and ornaments are left out.',
    );
    say(
      song.bars.some((bar) => bar.repeatEnd ?? bar.jump),
      'Repeats and jumps are played out.',
    );
  }
  if (as === 'abc') {
    say(
      song.bars.some(({ repeatEnd = 2 }) => repeatEnd !== 2),
      'What is played three times or more is written as played twice.',
    );
    say(
      song.parts.some(({ percussion }) => percussion),
      'Percussion is left out.',
    );
  }
  say(song.phrases.length > 0, 'Where phrases end is left out.');
  say(as === 'musicxml' && (song.order?.length ?? 0) > 0, 'The order of sections is left out.');
  return lost;
}
