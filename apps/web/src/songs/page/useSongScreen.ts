import { useLayoutEffect, useRef, useState } from 'react';
import type { SongView } from '@same-song/core/song';
import { useShortcuts } from '../../frame/shortcuts.ts';
import type { Paper } from './PrintMenu.tsx';
import type { SongState } from './useSong.ts';
import { HEARING, usualTempo, useSongPlayer } from './useSongPlayer.ts';

/** What is open on the page of a song, what sounds, and the keys that walk and play it. */
export function useSongScreen(state: SongState, view: SongView) {
  const { chosen, family, at, select, loop, setLoop } = state;
  const [perMinute, setPerMinute] = useState<number>(usualTempo(view));
  const [hearing, setHearing] = useState(HEARING);
  const { a4 } = chosen!.spec;
  const player = useSongPlayer({ view, family, a4, perMinute, hearing, passage: loop });
  const [isDrawn, setIsDrawn] = useState(false);
  const [isWriting, setIsWriting] = useState(false);
  const [isMoving, setIsMoving] = useState(state.isBeside);
  const [paper, setPaper] = useState<Paper>('both');
  const [isDrawnOnPaper, setIsDrawnOnPaper] = useState(true);
  const order = view.line.map(({ id }) => id);
  const step = (by: number) => {
    const index = order.indexOf(at ?? '');
    const next = order[Math.max(0, Math.min(order.length - 1, index < 0 ? 0 : index + by))];
    if (next !== undefined && next !== at) select(next);
  };
  const markLoop = (end: 'from' | 'to') => {
    if (at === undefined) return;
    const fresh = end === 'from' ? { from: at, to: order.at(-1)! } : { from: order[0]!, to: at };
    setLoop({ ...(loop ?? fresh), [end]: at });
  };
  const group = 'The song';
  useShortcuts([
    { key: ' ', label: 'Play or stop', group, run: player.toggle },
    { key: 'ArrowRight', label: 'Next note', group, run: () => step(1) },
    { key: 'ArrowLeft', label: 'Note before', group, run: () => step(-1) },
    { key: 'x', label: 'Move it: beside, same tab, every key', group, run: () => setIsMoving(!isMoving) },
    { key: '[', label: 'Again and again from this note', group, run: () => markLoop('from') },
    { key: ']', label: 'Again and again to this note', group, run: () => markLoop('to') },
    { key: '\\', label: 'The whole song again', group, run: () => setLoop(undefined) },
    { key: 'd', label: 'Show the instrument', group, run: () => setIsDrawn(!isDrawn) },
  ]);
  return {
    player,
    perMinute,
    setPerMinute,
    hearing,
    setHearing,
    isDrawn,
    setIsDrawn,
    isWriting,
    setIsWriting,
    isMoving,
    setIsMoving,
    paper,
    setPaper,
    isDrawnOnPaper,
    setIsDrawnOnPaper,
    ...useMeasuredWidth(),
  };
}

export type SongScreen = ReturnType<typeof useSongScreen>;

/** Width of an element in whole CSS pixels, 0 before it is known. */
function useMeasuredWidth() {
  const measured = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    watch.observe(measured.current!);
    return () => watch.disconnect();
  }, []);
  return { measured, width };
}
