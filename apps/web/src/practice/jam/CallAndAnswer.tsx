import Button from '@mui/material/Button';
import { DIFFICULTIES } from '@same-song/core/practice';
import { NumberField } from '../../controls/NumberField.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { Meter } from '../../ear/Meter.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { ResultMark } from '../stand/ResultMark.tsx';
import { useCall, type CallOptions } from './useCall.ts';

/** The call is the count of the answer, which is the round that is listened to. */
const STATE_WORDS = {
  still: 'Begin, listen for two bars, answer in the two that follow.',
  counting: 'Listen …',
  playing: 'Answer now.',
  over: 'That was:',
} as const;

/** A phrase is played, then as long a silence to answer it in; it is shown after that. */
export function CallAndAnswer(options: CallOptions) {
  const call = useCall(options);
  const { phase, tabs, ear, heard, isSimulated } = call;
  useShortcuts([{ key: 'm', label: 'Listen to the answer', group: 'The player', run: call.listen }]);
  const isOver = phase === 'over';
  const isListening = ear.state === 'listening';
  return (
    <section className="call" aria-label="Call and answer" aria-live="polite">
      <p className="call-state" role="status" aria-label="The call">
        {STATE_WORDS[phase]}
      </p>
      {isOver && (
        <ol className="call-phrase row bare" aria-label="The phrase">
          {tabs.map((tab, i) => (
            <li key={i}>
              {tab}
              {heard && <ResultMark result={heard.results.get(String(i)) ?? 'missed'} />}
            </li>
          ))}
        </ol>
      )}
      {isOver && heard && (
        <p className="large">
          {heard.words}
          {isSimulated && ' It was made up, and is not in the log.'}
        </p>
      )}
      <div className="player-keys row">
        <Button variant="contained" disabled={tabs.length === 0} onClick={call.call}>
          {isOver ? 'The same again' : 'Call'}
        </Button>
        <Button variant="outlined" onClick={() => call.setNumber(call.number + 1)}>
          Another one
        </Button>
        <Button variant="outlined" aria-pressed={isListening && !isSimulated} onClick={call.listen}>
          {isListening && !isSimulated ? 'Listening to the answer' : 'Listen to the answer'}
        </Button>
        <Button
          variant="outlined"
          aria-pressed={isSimulated}
          onClick={() => call.setIsSimulated(!isSimulated)}
        >
          {isSimulated ? 'Somebody made up answers' : 'Try it without playing'}
        </Button>
        <Picklist
          label="how hard"
          value={call.difficulty}
          choices={DIFFICULTIES}
          onChange={call.setDifficulty}
        />
        <NumberField label="number" value={call.number} least={1} most={9999} onChange={call.setNumber} />
      </div>
      {(isListening || ear.trouble !== undefined) && (
        <div className="player-ear">
          <Meter ear={ear} />
          {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
        </div>
      )}
    </section>
  );
}
