import { QUARTER, soundingPitch, spelledText } from '@same-song/core/music';
import { barAt, barNumbers, barStarts, holdingAt, sungText, type Song } from '@same-song/core/song';
import { csvText } from './csv.ts';
import type { WordsUnder } from './wordsUnder.ts';

const COLUMNS = Object.freeze([
  'part',
  'voice',
  'bar',
  'quarters in bar',
  'quarters from start',
  'length in quarters',
  'tied on',
  'note',
  'MIDI number',
  'chord',
  'words',
  'tab',
]);

/**
 * Every written note as a row, for a spreadsheet, in UTF-8. Times are in quarter
 * notes, bars counted as musicians do with 0 for an upbeat, each once as it is written.
 */
export function writeCsv(song: Song, wordsUnder: WordsUnder = () => undefined): string {
  const starts = barStarts(song);
  const numbers = barNumbers(song);
  const rows = song.parts.flatMap((part, i) =>
    part.voices.flatMap((voice) =>
      voice.notes.map((note) => {
        const bar = barAt(starts, note.onset);
        const words = (note.lyrics ?? []).map(sungText);
        return [
          part.name || String(i + 1),
          voice.id,
          numbers[bar]!,
          quarters(note.onset - starts[bar]!),
          quarters(note.onset),
          quarters(note.length),
          note.tied ? 'yes' : '',
          spelledText(note.pitch),
          part.percussion ? '' : soundingPitch(note.pitch),
          holdingAt(song.chords, note.onset)?.symbol ?? '',
          words.join(' / '),
          wordsUnder(note, voice.id) ?? '',
        ];
      }),
    ),
  );
  return csvText([COLUMNS, ...rows]);
}

/** Times with six digits behind the point at most, so that a third can be told from a quarter. */
function quarters(ticks: number): number {
  return Math.round((ticks / QUARTER) * 1e6) / 1e6;
}
