import { useEffect, useState } from 'react';
import { useDebounce } from 'use-debounce';
import type { Problem } from '@same-song/core';
import type { InstrumentSpec } from '@same-song/core/instruments';
import type { Pin } from '@same-song/core/route';
import type { Read } from '@same-song/formats';
import { readText, type TextKind } from './reading.ts';

/** After typing stops, in ms. */
const PAUSE = 250;

/** What became of a text; `of` is the text itself, which may have been typed on since. */
export type TextReading = { readonly of: string } & (
  | {
      readonly read: Read;
      readonly tunes: number;
      readonly pins: readonly Pin[];
      readonly problems?: undefined;
    }
  | { readonly read?: undefined; readonly problems: readonly Problem[] }
);

/** Reads a text once its writer pauses. @param spec and dialect: of tab @returns undefined for an empty text */
export function useTextReading(
  text: string,
  kind: TextKind,
  spec: InstrumentSpec | undefined,
  dialect: string,
): TextReading | undefined {
  const [settled] = useDebounce(text, PAUSE);
  const [reading, setReading] = useState<TextReading | undefined>(undefined);
  useEffect(() => {
    if (settled.trim() === '') {
      setReading(undefined);
      return undefined;
    }
    const unwanted = new AbortController();
    const { signal } = unwanted;
    const answer = (made: TextReading) => {
      if (!signal.aborted) setReading(made);
    };
    void readText(kind, settled, spec, dialect, signal).then(
      (read) =>
        answer(
          read.ok
            ? { of: settled, read: read.value, tunes: read.tunes, pins: read.pins ?? [] }
            : { of: settled, problems: read.problems },
        ),
      (error: Error) => answer({ of: settled, problems: [{ field: '', wrong: '', message: error.message }] }),
    );
    return () => unwanted.abort();
  }, [settled, kind, spec, dialect]);
  return reading;
}
