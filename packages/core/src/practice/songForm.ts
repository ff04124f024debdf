import { NO_CHORD, parseChord } from '../harmony/chord.ts';
import { barStarts, holdingAt, type Song } from '../song/song.ts';
import { metreAt } from '../song/performance.ts';
import type { Form, FormChord } from './backing.ts';

/** A song's own chords as a form to play along with, each bar once as it is written; undefined where it has none. */
export function songForm(song: Song): Form | undefined {
  const starts = barStarts(song);
  const { tonic } = song.keys[0]!;
  const known = new Map<string, FormChord['chord']>();
  const chordOf = (symbol: string) => {
    const read = known.get(symbol) ?? parsed(symbol, tonic);
    known.set(symbol, read);
    return read;
  };
  const chords: FormChord[] = [];
  const bars: { at: number; beats: number }[] = [];
  let at = 0;
  song.bars.forEach(({ length }, bar) => {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const { beat } = metreAt(song, from);
    const changes = song.chords.filter((chord) => chord.at > from && chord.at < to).map((chord) => chord.at);
    const cuts = [from, ...changes, to];
    cuts.slice(0, -1).forEach((cut, i) => {
      const symbol = holdingAt(song.chords, cut)?.symbol;
      chords.push({
        ...{ bar, chord: symbol === undefined ? NO_CHORD : chordOf(symbol) },
        ...{ at: at + (cut - from) / beat, beats: (cuts[i + 1]! - cut) / beat },
      });
    });
    bars.push({ at, beats: length / beat });
    at += length / beat;
  });
  return chords.some(({ chord }) => chord.root) ? { bars, chords } : undefined;
}

function parsed(symbol: string, tonic: Song['keys'][number]['tonic']) {
  const chord = parseChord(symbol, tonic);
  return chord.ok ? chord.value : NO_CHORD;
}
