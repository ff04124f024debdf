import { useMemo, useState } from 'react';
import type { Timbre } from '@same-song/core/instruments';
import type { MapView } from '@same-song/core/route';
import { USUAL_TEMPO } from '../controls/TempoField.tsx';
import { usePlayer } from './usePlayer.ts';

/** How the line of a map is heard: its tempo, with drones or without. */
export function useMapSounds(view: MapView, timbre: Timbre) {
  const [tempo, setTempo] = useState(USUAL_TEMPO);
  const [hasDrones, setHasDrones] = useState(true);
  const voice = useMemo(
    () => ({ timbre, drones: hasDrones ? view.drones : [] }),
    [timbre, hasDrones, view.drones],
  );
  return { tempo, setTempo, hasDrones, setHasDrones, player: usePlayer(view.line, tempo, voice) };
}

export type MapSounds = ReturnType<typeof useMapSounds>;
