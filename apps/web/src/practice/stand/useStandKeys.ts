import { useEffect, useState } from 'react';
import { isSounding, TEMPO_LIMITS, type HowToPractise, type RepeatMode } from '@same-song/core/practice';
import { useShortcuts } from '../../frame/shortcuts.ts';
import type { StandPlayerState } from '../round/useStandPlayer.ts';
import type { Playable } from './playable.ts';

/** What the keys and the pedal do on the stand, in time and note by note. */
export function useStandKeys(player: StandPlayerState, playable: Playable, how: HowToPractise) {
  const { state, send, ear, mix, setMix } = player;
  const { phase, rung } = state;
  const [isMirrored, setIsMirrored] = useState(false);
  /** Place of the note that is talked through; undefined while it is played in time. */
  const [card, setCard] = useState<number | undefined>(undefined);
  useEffect(() => setCard(undefined), [playable]);
  const isListening = ear.state === 'listening';
  const listenAlong = () => (isListening ? ear.end() : ear.begin({ kind: 'microphone' }));
  const walk = (by: number) =>
    setCard((place) => Math.min(playable.notes.length - 1, Math.max(0, (place ?? -1) + by)));
  const forward = () => {
    if (card !== undefined) return walk(1);
    if (phase === 'over') return send({ kind: 'mark', clean: true });
    if (!isSounding(state)) send({ kind: 'begin' });
  };
  const back = () => {
    if (card !== undefined) return walk(-1);
    send(phase === 'over' ? { kind: 'mark', clean: false } : { kind: 'begin' });
  };
  const toggle = () => send({ kind: phase === 'over' ? 'pass' : isSounding(state) ? 'stop' : 'begin' });
  const repeat = (mode: RepeatMode) => send({ kind: 'mode', mode: state.mode === mode ? 'waits' : mode });
  const faster = (by: number) => {
    const { least, most } = TEMPO_LIMITS;
    send({ kind: 'tempo', perMinute: Math.min(most, Math.max(least, rung.perMinute + by)) });
  };
  const group = 'The player';
  useShortcuts([
    { key: ' ', label: 'Begin or stop', group, run: toggle },
    { key: 'PageDown', label: 'Begin; after a round: it was clean, go on', group, run: forward },
    { key: 'PageUp', label: 'From the beginning; after a round: it was not clean, again', group, run: back },
    { key: 'ArrowRight', label: 'As Page Down', group, run: forward },
    { key: 'ArrowLeft', label: 'As Page Up', group, run: back },
    { key: 'Enter', label: 'As Page Down', group, run: forward },
    { key: 'ArrowUp', label: 'Faster by a step', group, run: () => faster(how.step) },
    { key: 'ArrowDown', label: 'Slower by a step', group, run: () => faster(-how.step) },
    { key: 'n', label: 'Note by note', group, run: () => setCard(card === undefined ? 0 : undefined) },
    { key: 'a', label: 'The next round begins by itself', group, run: () => repeat('goes on') },
    { key: 'm', label: 'Listen along, and judge', group, run: listenAlong },
    { key: 'o', label: 'Round and round without a count', group, run: () => repeat('loops') },
    {
      key: 'l',
      label: 'Hear the line, or only the rest',
      group,
      run: () => setMix({ ...mix, line: mix.line > 0 ? 0 : 1 }),
    },
    { key: 'f', label: 'For a pupil who sits opposite', group, run: () => setIsMirrored(!isMirrored) },
  ]);
  return { card, setCard, walk, toggle, isMirrored, setIsMirrored, isListening, listenAlong };
}
