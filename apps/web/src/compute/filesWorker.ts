import { expose } from 'comlink';
import { expectOk, type Problem, type Result } from '@same-song/core';
import { openInstrument, type InstrumentSpec } from '@same-song/core/instruments';
import { readTabLine, type Pin } from '@same-song/core/route';
import { typedPins } from '@same-song/core/song';
import {
  guessReading,
  type Guess,
  readDegrees,
  readFirstTune,
  readFile,
  songOfPitches,
  type Step,
  type FileRead,
  type Read,
} from '@same-song/formats';

export type TextKind = 'abc' | 'degrees' | 'tab';

/** What became of a typed text. */
export type TextRead =
  | {
      readonly ok: true;
      readonly value: Read;
      /** Tunes that the text holds: the song is the first of them. */
      readonly tunes: number;
      /** Pins with which the notes of tab are played as they were typed. */
      readonly pins?: readonly Pin[];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export type FileAnswer =
  | { readonly ok: true; readonly value: FileRead }
  | { readonly ok: false; readonly problems: readonly Problem[] };

function counted(read: Result<Read>, tunes = 1): TextRead {
  return read.ok ? { ...read, tunes } : read;
}

const api = {
  /** A typed text as a song; tab is read on an instrument, in a dialect, and has no rhythm yet. */
  text(kind: TextKind, text: string, spec: InstrumentSpec | undefined, dialect: string): TextRead {
    if (kind === 'abc') {
      const { read, tunes } = readFirstTune(text);
      return counted(read, tunes);
    }
    if (kind === 'degrees') return counted(readDegrees(text));
    if (!spec)
      return {
        ok: false,
        problems: [{ field: '', wrong: '', message: 'Choose the instrument of the tab.' }],
      };
    const instrument = expectOk(openInstrument(spec));
    const items = readTabLine(instrument, text, dialect);
    if (!items.ok) return items;
    const steps = items.value.flatMap((item): Step[] => {
      if (item.kind === 'figure') return [];
      if (item.kind === 'way') return [item.way.pitch];
      if (item.kind === 'touched') return [{ touched: item.way.pitch }];
      return [item.kind === 'missing' ? item.pitch : item.kind];
    });
    const read = songOfPitches(steps);
    if (!read.ok) return read;
    const typed = items.value.flatMap((item) =>
      item.kind === 'way' ? [item.way.id] : item.kind === 'missing' ? [undefined] : [],
    );
    return { ...read, tunes: 1, pins: typedPins(instrument, read.value.song, typed) };
  },
  /** What a text may be, if it is not what it was taken for: tab of which of some instruments, or degrees. */
  guess(text: string, specs: readonly InstrumentSpec[]): Guess | undefined {
    const opened = specs.map(openInstrument);
    return guessReading(text, opened.every((one) => one.ok) ? opened.map(expectOk) : []);
  },
  file(name: string, bytes: Uint8Array): FileAnswer {
    return readFile(name, bytes);
  },
};

export type FilesWork = typeof api;
expose(api);
