import Button from '@mui/material/Button';
import { centsWords } from '@same-song/core/ear';
import type { Candidate } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useCompared } from './useCompared.ts';
import type { UseProps } from './listeningUse.ts';

/** The ways of one note side by side: each is played, its cents are heard, and one is recommended. */
export function CompareUse(props: UseProps) {
  const compared = useCompared(props);
  const { rows, row, step } = compared;
  useShortcuts([
    { key: 'ArrowRight', label: 'The next way is played', group: 'Listening', run: () => step(1) },
    { key: 'ArrowLeft', label: 'The way before is played', group: 'Listening', run: () => step(-1) },
  ]);
  if (!rows) return <Loading>Comparing every way…</Loading>;
  if (!row) return <p>No pitch of this instrument can be had in more than one way.</p>;
  return (
    <>
      <div className="practice-tools row">
        <Picklist
          label="The ways of"
          value={String(row.pitch)}
          choices={rows.map((one) => ({
            id: String(one.pitch),
            label: `${one.note} (${one.candidates.length})`,
          }))}
          onChange={compared.setPitch}
        />
        <span>
          between {row.between.join(' and ')}. Say which one you play, then play it a few times: they cannot
          be told apart by ear.
        </span>
      </div>
      <ul className="compared bare" aria-label="Ways of one note">
        {row.candidates.map((candidate) => (
          <Compared
            key={candidate.wayId}
            candidate={candidate}
            times={compared.timesOf(candidate.wayId)}
            isPlaying={candidate.wayId === compared.now}
            busy={!compared.canChange}
            onPlay={() => compared.setPlaying(candidate.wayId)}
            onChoose={() => compared.flipChoice(candidate)}
          />
        ))}
      </ul>
      {compared.isMeasured && (
        <p className="practice-tools row">
          <Button variant="outlined" disabled={!compared.canChange} onClick={compared.takeCents}>
            Take these cents into its map
          </Button>
          <Button variant="text" onClick={compared.clear}>
            Forget what was heard
          </Button>
        </p>
      )}
    </>
  );
}

interface ComparedProps {
  readonly candidate: Candidate;
  /** How often it was heard. */
  readonly times: number;
  readonly isPlaying: boolean;
  readonly busy: boolean;
  readonly onPlay: () => void;
  readonly onChoose: () => void;
}

function Compared({ candidate, times, isPlaying, busy, onPlay, onChoose }: ComparedProps) {
  const { tab, words, moves, measured, recommended, chosen } = candidate;
  return (
    <li className={isPlaying ? 'playing' : ''}>
      <button type="button" className="compared-way" aria-pressed={isPlaying} onClick={onPlay}>
        <b>{tab}</b>
        {words !== tab && <span>{words}</span>}
        <span>{isPlaying ? 'you play this one' : 'I play this one'}</span>
      </button>
      <p>
        {measured === undefined ? 'not heard yet' : centsWords(measured)}
        {times > 0 && `, ${times}×`}
      </p>
      <ul className="plain-list">
        {moves.length === 0 && <li>asks next to nothing</li>}
        {moves.map(({ label, count }) => (
          <li key={label}>
            {label} {count}
          </li>
        ))}
      </ul>
      <p className="compared-best">{recommended ? 'recommended' : ' '}</p>
      <Button size="small" variant={chosen ? 'contained' : 'outlined'} disabled={busy} onClick={onChoose}>
        {chosen ? 'Your choice' : 'Choose it'}
      </Button>
    </li>
  );
}
