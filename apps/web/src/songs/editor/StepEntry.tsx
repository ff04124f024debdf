import { keysOf } from '@same-song/core';
import Button from '@mui/material/Button';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { openInstrument, type InstrumentSpec } from '@same-song/core/instruments';
import { frequency, MAJOR_STEPS, notePitchClass, scaleById } from '@same-song/core/music';
import type { Song } from '@same-song/core/song';
import {
  appendDegree,
  readDegrees,
  STEP_LENGTHS,
  withoutLastDegree,
  type StepLength,
} from '@same-song/formats';
import { pitchChip } from '../../scene/pitchChip.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { playNote } from '../../sound/player.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';

/** The shortest first. */
const LENGTHS = [...keysOf(STEP_LENGTHS)].sort((a, b) => STEP_LENGTHS[a].beats - STEP_LENGTHS[b].beats);

interface StepEntryProps {
  /** Degrees written so far. */
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly spec: InstrumentSpec;
}

/** A melody note by note: on the drawing of an instrument, or by the figures of the computer's keyboard. */
export function StepEntry({ text, onText, spec }: StepEntryProps) {
  const [length, setLength] = useState<StepLength>('1');
  const [octave, setOctave] = useState(0);
  const instrument = useMemo(() => {
    const opened = openInstrument(spec);
    return opened.ok ? opened.value : undefined;
  }, [spec]);
  const scene = useMemo(
    () => instrument?.scene((way) => ({ role: 'scale', ...pitchChip(instrument, way), usable: way.able })),
    [instrument],
  );
  const add = (pitch: number | undefined) => {
    onText(appendDegree(text, pitch, length));
    if (pitch !== undefined && instrument)
      void playNote(frequency(pitch, spec.a4), instrument.family.timbre).catch(soundTrouble);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const run = keyOf(event.key, { text, octave, length, add, setLength, setOctave, onText });
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  };
  if (!instrument || !scene) return null;
  return (
    <div className="step-entry" role="group" aria-label="Note by note" onKeyDown={onKey}>
      <div className="row" role="group" aria-label="Beats of the next note">
        <span>Beats</span>
        {LENGTHS.map((one) => (
          <Button
            key={one}
            size="small"
            variant={one === length ? 'contained' : 'outlined'}
            aria-pressed={one === length}
            // Figures typed now are degrees, and not the keys of other places.
            autoFocus={one === '1'}
            aria-label={`${one} beats`}
            onClick={() => setLength(one)}
          >
            {one}
          </Button>
        ))}
        <Button size="small" variant="text" onClick={() => add(undefined)}>
          Rest
        </Button>
        <Button size="small" variant="text" onClick={() => onText(withoutLastDegree(text))}>
          Take back
        </Button>
      </div>
      <SceneView
        scene={scene}
        label={`${spec.name}: click the notes`}
        onSelect={(id) => add(instrument.ways.find((way) => way.id === id)!.pitch)}
        walked
      />
      <p className="new-song-help">
        Click the notes in their order, or type: 1 to 7 for the degrees, 0 a rest, + and − an octave up and
        down
        {octave === 0 ? '' : ` (now ${octave > 0 ? `${octave} up` : `${-octave} down`})`}, [ and ] shorter and
        longer, Backspace takes back. Lines before it may say key: G and metre: 3/4.
      </p>
    </div>
  );
}

interface Keyed {
  readonly text: string;
  readonly octave: number;
  readonly length: StepLength;
  readonly add: (pitch: number | undefined) => void;
  readonly setLength: (length: StepLength) => void;
  readonly setOctave: (octave: number) => void;
  readonly onText: (text: string) => void;
}

/** What a key does here; undefined where it does nothing. */
function keyOf(key: string, to: Keyed): (() => void) | undefined {
  if (key === '0') return () => to.add(undefined);
  if (/^[1-7]$/.test(key)) return () => to.add(pitchOf(Number(key), to.octave, to.text));
  if (key === 'Backspace') return () => to.onText(withoutLastDegree(to.text));
  if (key === '+' || key === '=') return () => to.setOctave(Math.min(3, to.octave + 1));
  if (key === '-') return () => to.setOctave(Math.max(-3, to.octave - 1));
  const at = LENGTHS.indexOf(to.length);
  if (key === '[') return () => to.setLength(LENGTHS[Math.max(0, at - 1)]!);
  if (key === ']') return () => to.setLength(LENGTHS[Math.min(LENGTHS.length - 1, at + 1)]!);
  return undefined;
}

/** A degree in the key that the text says. */
function pitchOf(degree: number, octave: number, text: string): number {
  const read = readDegrees(/[0-7]/.test(text) ? text : `${text}\n1`);
  const key: Song['keys'][number] | undefined = read.ok ? read.value.song.keys[0] : undefined;
  const scale = key && scaleById(key.scale);
  const steps = scale?.ok && scale.value.semitones.length === 7 ? scale.value.semitones : MAJOR_STEPS;
  return 60 + (key ? notePitchClass(key.tonic) : 0) + steps[degree - 1]! + 12 * octave;
}
