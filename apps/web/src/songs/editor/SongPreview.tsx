import { useEffect, useRef } from 'react';
import type { Song } from '@same-song/core/song';
import { drawSystem, engraverReady, systemsOf } from '../staff/engrave.ts';

/** Systems of a preview; the whole song stands on its own page. */
const SYSTEMS = 4;
/** In CSS pixels. */
const WIDTH = 520;

/** The first systems of a song that is not kept yet. */
export function SongPreview({ song }: { readonly song: Song }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let isGone = false;
    void engraverReady().then(() => {
      if (isGone || !box.current) return;
      box.current.replaceChildren();
      const systems = systemsOf(song, WIDTH);
      systems.slice(0, SYSTEMS).forEach((_, system) => {
        const target = document.createElement('div');
        box.current!.append(target);
        drawSystem(target, song, { systems, system, width: WIDTH });
      });
    });
    return () => {
      isGone = true;
    };
  }, [song]);
  return <div ref={box} className="new-song-staff" role="img" aria-label="Staff" />;
}
