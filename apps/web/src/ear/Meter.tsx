import type { Ear } from './useEar.ts';

const ROOM_WORDS = {
  well: '',
  quiet: 'Too quiet to be sure: come nearer to the microphone.',
  loud: 'Too loud: what is cut off is not measured rightly. Step back a little.',
  noisy: 'The room itself is loud: soft notes may be missed.',
  dead: 'Nothing comes from this microphone, not even the room. It is switched off, or the wrong one.',
} as const;

/** How loud the room is and how loud without a note, by length and in words where it matters. */
export function Meter({ ear: { level, noise, room, state, by } }: { readonly ear: Ear }) {
  return (
    <div role="group" aria-label="Loudness" className="ear-meter">
      <div className="ear-meter-bar card" aria-hidden="true">
        <span style={{ width: `${Math.round(level * 100)}%` }} className={room} />
        {state === 'listening' && <i style={{ left: `${Math.round(noise * 100)}%` }} />}
      </div>
      {by && <p className="ear-by soft">by {by}</p>}
      <p role="status">{state === 'listening' ? ROOM_WORDS[room] : ''}</p>
    </div>
  );
}
