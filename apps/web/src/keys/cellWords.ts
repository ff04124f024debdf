import { counted } from '@same-song/core';
import type { Family } from '@same-song/core/instruments';
import { noteText, parseNote, scaleById } from '@same-song/core/music';
import type { Demands, KeyCell } from '@same-song/core/route';
import { callIn } from '../question/questionWords.ts';

/** `2 octaves`, `no whole octave`, or `every note of the scale` of a set of pitches that has no octave in a row. */
export function octavesText({ octaves: { length }, lies }: KeyCell): string {
  if (length > 0) return counted(length, 'octave');
  return lies ? 'every note of the scale' : 'no whole octave';
}

/** Octaves that lack only their last note, which players count as well: `and a high one that lacks only its last note`. */
export function almostText({ almost, octaves, lies }: KeyCell): string {
  const home = almost[almost.length - 1];
  const [lowest] = octaves;
  if (home === undefined || (lies && !lowest)) return '';
  const which = !lowest ? 'but one' : home > lowest.from ? 'and a high one' : 'and a low one';
  return `${which} that lacks only its last note`;
}

export function tonicText(code: string): string {
  const note = parseNote(code);
  return note.ok ? noteText(note.value) : code;
}

export function scaleName(id: string): string {
  const scale = scaleById(id);
  return scale.ok ? scale.value.name : id;
}

/** Where a cell's octaves lie: `E♭4–E♭5, E♭5–E♭6`. */
export function whereText(cell: KeyCell): string {
  const call = callIn(cell);
  return cell.octaves.map((octave) => `${call(octave.from)}–${call(octave.from + 12)}`).join(', ');
}

/** Labels of the hard techniques of the best octave. */
export function hardText(cell: KeyCell, family: Family): string {
  const best = cell.best === undefined ? undefined : cell.octaves[cell.best];
  return (best?.hard ?? []).map((id) => family.techniques.find((t) => t.id === id)?.label ?? id).join(', ');
}

/** `14 of 15 notes, not without blow bends`. */
export function notesText(cell: KeyCell, family: Family): string {
  const hard = hardText(cell, family);
  return `${cell.have} of ${cell.of} notes${hard && `, not without ${hard}`}`;
}

/** Sums below this are not felt over an octave. */
const FELT = 0.5;

export function partsText(demands: Demands): string {
  const felt = demands.filter((part) => part.count >= FELT);
  return felt.map((part) => `${part.label} ${part.count}`).join(', ') || 'next to nothing';
}

/** What the best octave asks, part by part. */
export function demandsText(cell: KeyCell): string {
  return cell.best === undefined ? '' : partsText(cell.demands);
}
