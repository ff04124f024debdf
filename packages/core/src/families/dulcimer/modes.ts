import { pitchClass } from '../../pitch/pitch.ts';
import { fitsFrom } from '../../scale/identify.ts';
import { ownNamer } from '../../scale/namer.ts';
import type { FactTable } from '../layoutPart.ts';
import type { DulcimerLayout } from './layout.ts';
import type { Fret } from './tables.ts';

/** Semitones from home to its fifth, to which the middle string is tuned. */
const FIFTH = 7;

/**
 * Which mode begins at which fret when the ½ frets are left alone, and how the strings are tuned so that its home is the
 * bass string's: the first page of a dulcimer lesson. Where a 6½ is fitted, what it gives instead of 6 stands beside.
 */
export function modeTable({ strings, frets }: DulcimerLayout): FactTable {
  const whole = frets.filter(({ name }) => !name.includes('½') && Number(name) <= 6);
  const half = frets.find(({ name }) => name === '6½');
  const starts: readonly Fret[] = [{ name: '0', semitones: 0 }, ...whole];
  const withHalf = half && [...starts.filter(({ name }) => name !== '6'), half];
  const call = ownNamer(pitchClass(strings.bass));
  return {
    id: 'modes',
    title: 'Modes by the fret where they begin',
    about: 'On the melody string without the ½ frets; tuned so, the bass string is home.',
    columns: ['fret', 'mode', 'tuned', ...(half ? ['with 6½ for 6'] : [])],
    rows: starts.map((start) => {
      const melody = strings.bass - start.semitones;
      const tuned = [strings.bass, strings.bass + FIFTH, melody].map(call.bare);
      const instead = withHalf && start.name !== '6' ? modeOn(withHalf, start) : '';
      return {
        cells: [start.name, modeOn(starts, start), tuned.join(' '), ...(half ? [instead] : [])],
        wayIds: [`melody.${start.name}`],
      };
    }),
  };
}

/** The scale that frets give from one of them on; empty where it has no name. */
function modeOn(frets: readonly Fret[], start: Fret): string {
  const set = new Set(frets.map(({ semitones }) => pitchClass(semitones)));
  return fitsFrom(set, pitchClass(start.semitones), 0)[0]?.scale.name ?? '';
}
