import { NO_CHORD, parseChord } from '../harmony/chord.ts';
import { barStarts, holdingAt, type Song } from './song.ts';
import { barOffsets, metreAt } from './barOffset.ts';
import type { PerformedBar } from './performance.ts';
import type { Form, FormChord } from '../groove/form.ts';

/** A part of a written bar as it is played; ticks as it is written, `offset` those of its measure before it. */
type Stretch = Pick<PerformedBar, 'bar' | 'from' | 'to' | 'offset'>;

/**
 * A song's own chords as a form to play along with; undefined where it has none.
 * @param stretches its bars as they are played; each once as it is written when left out
 */
export function songForm(song: Song, stretches: readonly Stretch[] = written(song)): Form | undefined {
  const { tonic } = song.keys[0]!;
  const known = new Map<string, FormChord['chord']>();
  const chordOf = (symbol: string) => {
    const read = known.get(symbol) ?? parsed(symbol, tonic);
    known.set(symbol, read);
    return read;
  };
  const chords: FormChord[] = [];
  const bars: { at: number; beats: number; before: number }[] = [];
  let at = 0;
  stretches.forEach(({ from, to, offset }, bar) => {
    const { beat } = metreAt(song, from);
    const changes = song.chords.filter((chord) => chord.at > from && chord.at < to).map((chord) => chord.at);
    const cuts = [from, ...changes, to];
    cuts.slice(0, -1).forEach((cut, i) => {
      const symbol = holdingAt(song.chords, cut)?.symbol;
      chords.push({
        bar,
        chord: symbol === undefined ? NO_CHORD : chordOf(symbol),
        at: at + (cut - from) / beat,
        beats: (cuts[i + 1]! - cut) / beat,
      });
    });
    bars.push({ at, beats: (to - from) / beat, before: offset / beat });
    at += (to - from) / beat;
  });
  return chords.some(({ chord }) => chord.root) ? { bars, chords } : undefined;
}

function written(song: Song): readonly Stretch[] {
  const starts = barStarts(song);
  const offsets = barOffsets(song);
  return song.bars.map((_, bar) => ({
    bar,
    from: starts[bar]!,
    to: starts[bar + 1]!,
    offset: offsets[bar]!,
  }));
}

function parsed(symbol: string, tonic: Song['keys'][number]['tonic']) {
  const chord = parseChord(symbol, tonic);
  return chord.ok ? chord.value : NO_CHORD;
}
