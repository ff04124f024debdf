import { expectOk } from '@same-song/core';
import { MAJOR_STEPS, notePitchClass, QUARTER, scaleById, type Pitch } from '@same-song/core/music';
import type { Song } from '@same-song/core/song';
import { readDegrees } from './readDegrees.ts';

/** Lengths that can be given to a note step by step: what stands behind its degree, and for how many beats it is held on. */
export const STEP_LENGTHS = Object.freeze({
  '¼': { suffix: '__', holds: 0, beats: 0.25 },
  '½': { suffix: '_', holds: 0, beats: 0.5 },
  '1': { suffix: '', holds: 0, beats: 1 },
  '1½': { suffix: '.', holds: 0, beats: 1.5 },
  '2': { suffix: '', holds: 1, beats: 2 },
  '3': { suffix: '', holds: 2, beats: 3 },
  '4': { suffix: '', holds: 3, beats: 4 },
} as const);
export type StepLength = keyof typeof STEP_LENGTHS;

/**
 * A melody in degrees with one note more at its end, in the key and metre that it has; a bar line is set where a bar is
 * full. A text that cannot be read is taken to have no music yet.
 * @param pitch undefined for a rest
 */
export function appendDegree(text: string, pitch: Pitch | undefined, length: StepLength): string {
  const empty = !/[0-7]/.test(musicOf(text));
  // A head alone says the key and the metre of what is to come.
  const read = readDegrees(empty ? `${text}\n1` : text);
  const song = read.ok ? read.value.song : undefined;
  const { suffix, holds, beats } = STEP_LENGTHS[length];
  const degree = pitch === undefined ? '0' : degreeOf(pitch, song);
  // A held rest is several rests.
  const pieces = [degree + suffix, ...Array<string>(holds).fill(pitch === undefined ? '0' : '-')];
  const whole = song ? barBeats(song) : 4;
  let filled = empty || /\|\s*$/.test(text) ? 0 : lastBarBeats(song!);
  const each = holds > 0 ? 1 : beats;
  let out = text.replace(/\s+$/, '');
  for (const piece of pieces) {
    const isFull = filled >= whole - 1e-6;
    const newLine = out === '' || (empty && !out.endsWith('\n') && /:/.test(out));
    out += newLine ? (out === '' ? '' : '\n') : ' ';
    if (isFull) out += '| ';
    out += piece;
    filled = (isFull ? 0 : filled) + each;
  }
  return out;
}

/** A melody without its last note and what it is held for. */
export function withoutLastDegree(text: string): string {
  return text.replace(/\s*(?:\|\s*)?[b♭#♯]{0,2}[0-7][,'’_.~]*(?:[\s|]+-)*[\s|]*$/u, '');
}

function musicOf(text: string): string {
  return text
    .split('\n')
    .filter((line) => !/^\s*\w+\s*:/.test(line))
    .join('\n');
}

function beatOf({ metres }: Song): number {
  return (4 * QUARTER) / (metres[0]?.unit ?? 4);
}

function barBeats(song: Song): number {
  return song.metres[0]?.count ?? 4;
}

function lastBarBeats(song: Song): number {
  return song.bars.at(-1)!.length / beatOf(song);
}

/** `b3'`: the degree that sounds so in a song's key, middle C and what lies above it unmarked. */
function degreeOf(pitch: Pitch, song: Song | undefined): string {
  const key = song?.keys[0] ?? { tonic: { letter: 'C', accidental: 0 } as const, scale: 'major' };
  const own = expectOk(scaleById(key.scale)).semitones;
  const steps = own.length === 7 ? own : MAJOR_STEPS;
  const above = pitch - 60 - notePitchClass(key.tonic);
  for (const alter of [0, -1, 1, -2, 2])
    for (const [i, step] of (alter === 0 ? steps : MAJOR_STEPS).entries()) {
      const octave = (above - step - alter) / 12;
      if (!Number.isInteger(octave)) continue;
      const sign = alter === 0 ? '' : (alter < 0 ? 'b' : '#').repeat(Math.abs(alter));
      return sign + String(i + 1) + (octave < 0 ? ','.repeat(-octave) : "'".repeat(octave));
    }
  throw new Error(`degreeOf: no degree of ${pitch}`);
}
