import type { AirKind } from '@same-song/core/instruments';
import { barName, type SongView } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongState } from './useSong.ts';

const WHY_BREATHE: Readonly<Record<SongView['breaths'][number]['why'], string>> = {
  phrase: 'a phrase ends',
  part: 'a part ends',
  rest: 'there is a rest',
  'long note': 'after a long note',
  bars: 'between bars',
  note: 'no better place',
};

const HEADING: Readonly<Record<AirKind, string>> = {
  breath: 'Breathe',
  lungs: 'Breathe',
  bellows: 'Turn the bellows',
  button: 'Air button',
};

const START: Readonly<Record<NonNullable<SongView['air']['start']>, string>> = {
  shut: 'Start with the bellows shut.',
  'half open': 'Start with the bellows half open.',
  open: 'Start with the bellows open.',
};

/** Where to breathe, turn the bellows or take the air button, and where there is too little air. */
export function Breaths({ state, view }: { state: SongState; view: SongView }) {
  const { airKind } = state.family;
  const { breaths, shortOfAir, air } = view;
  if (!airKind || (breaths.length === 0 && shortOfAir.length === 0 && !air.start)) return null;
  return (
    <section>
      <h2>{HEADING[airKind]}</h2>
      {air.start && (
        <p>
          {START[air.start]}
          {breaths.length === 0 && ' They last for the whole tune.'}
        </p>
      )}
      <ul className="plain-list">
        {shortOfAir.slice(0, 3).map(({ noteId, bar, what }) => (
          <li key={noteId}>
            <LinkButton onClick={() => state.select(noteId)}>{barName(bar)}</LinkButton> {what}
          </li>
        ))}
        {breaths.slice(0, 8).map(({ after, bar, why, what }) => (
          <li key={after}>
            <LinkButton onClick={() => state.select(after)}>{barName(bar)}</LinkButton> {what}:{' '}
            {WHY_BREATHE[why]}
          </li>
        ))}
      </ul>
      {breaths.length > 8 && (
        <p className="verdict-plain">and {breaths.length - 8} more, marked under the staff</p>
      )}
    </section>
  );
}
