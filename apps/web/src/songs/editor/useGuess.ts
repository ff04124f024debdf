import { useEffect, useMemo, useState } from 'react';
import type { InstrumentRecord } from '../../api/records.ts';
import { specOf } from '../../api/records.ts';
import { guessText, type TextKind } from './reading.ts';
import type { TextReading } from './useTextReading.ts';

/** What a text is taken for that is not what it looked like. */
export interface Taken {
  readonly kind: TextKind;
  readonly instrumentId?: string;
  readonly dialect?: string;
}

/**
 * Guesses what a text is once it cannot be read as what it looks like; the guess holds while the text is typed on, until
 * nothing is left of it. @param cabinet the instrument that was shown last first
 */
export function useGuess(
  reading: TextReading | undefined,
  cabinet: readonly InstrumentRecord[],
  isWanted: boolean,
): Taken | undefined {
  const [taken, setTaken] = useState<Taken | undefined>(undefined);
  const instruments = useMemo(() => oneOfEachFamily(cabinet), [cabinet]);
  const text = reading?.problems && isWanted ? reading.of : undefined;
  const isEmpty = reading === undefined;
  useEffect(() => {
    if (isEmpty) setTaken(undefined);
  }, [isEmpty]);
  useEffect(() => {
    if (text === undefined) return undefined;
    const unwanted = new AbortController();
    const { signal } = unwanted;
    void guessText(text, instruments.map(specOf), signal).then(
      (guess) => {
        if (signal.aborted || !guess || guess.explains < LEAST) return;
        const instrument = instruments[guess.instrument ?? -1];
        setTaken({
          kind: guess.kind,
          ...(instrument && { instrumentId: instrument.id }),
          ...(guess.dialect !== undefined && { dialect: guess.dialect }),
        });
      },
      // Without a guess the text stays what it looks like.
      () => undefined,
    );
    return () => unwanted.abort();
  }, [text, instruments]);
  return taken;
}

/** Share of a text that a guess must explain. */
const LEAST = 0.5;

function oneOfEachFamily(cabinet: readonly InstrumentRecord[]): readonly InstrumentRecord[] {
  const families = new Set<string>();
  return cabinet.filter(({ family }) => {
    const isFirst = !families.has(family);
    families.add(family);
    return isFirst;
  });
}
