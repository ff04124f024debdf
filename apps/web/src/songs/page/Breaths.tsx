import type { SongView } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongState } from './useSong.ts';

const WHY_BREATHE: Readonly<Record<SongView['breaths'][number]['why'], string>> = {
  phrase: 'a phrase ends',
  part: 'a part ends',
  rest: 'there is a rest',
  'long note': 'after a long note',
  bars: 'between bars',
};

/** Where to breathe or turn the bellows. */
export function Breaths({ state, view }: { state: SongState; view: SongView }) {
  if (view.breaths.length === 0) return null;
  return (
    <section>
      <h2>{state.family.phraseEnd === 'bellows' ? 'Turn the bellows' : 'Breathe'}</h2>
      <ul className="plain-list">
        {view.breaths.slice(0, 8).map(({ after, bar, why, what }) => (
          <li key={after}>
            <LinkButton onClick={() => state.select(after)}>bar {bar}</LinkButton> {what}: {WHY_BREATHE[why]}
          </li>
        ))}
      </ul>
      {view.breaths.length > 8 && (
        <p className="verdict-plain">and {view.breaths.length - 8} more, marked under the staff</p>
      )}
    </section>
  );
}
