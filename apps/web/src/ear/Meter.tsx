import type { Ear } from './useEar.ts';

const ROOM_WORDS = {
  well: '',
  quiet: 'Too quiet to be sure: come nearer to the microphone.',
  loud: 'Too loud: what is cut off is not measured rightly. Step back a little.',
} as const;

/** How loud the room is, by length and in words where it matters. */
export function Meter({ ear: { level, room, state } }: { readonly ear: Ear }) {
  return (
    <div className="ear-meter">
      <div className="ear-meter-bar" aria-hidden="true">
        <span style={{ width: `${Math.round(level * 100)}%` }} className={room} />
      </div>
      <p role="status">{state === 'listening' ? ROOM_WORDS[room] : ''}</p>
    </div>
  );
}
