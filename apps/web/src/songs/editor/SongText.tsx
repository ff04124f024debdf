import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useState } from 'react';
import { DEGREES_HELP } from '@same-song/formats';
import { InstrumentPicklist } from '../../controls/InstrumentPicklist.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import type { TextKind } from './reading.ts';
import { StepEntry } from './StepEntry.tsx';
import type { NewSongState } from './useNewSong.ts';

const KINDS: readonly { readonly id: TextKind; readonly label: string }[] = [
  { id: 'abc', label: 'ABC' },
  { id: 'degrees', label: 'degrees' },
  { id: 'tab', label: 'tab' },
];
const EXAMPLE = 'T:My tune\nM:3/4\nL:1/4\nK:G\nD | G2 B | A2 D | G3- | G2 |]';

/** The box that a song is written in, what it is taken for, and entry note by note. */
export function SongText({ state }: { readonly state: NewSongState }) {
  const { text, setText, title, setTitle, kind, setKind, song, record, tabFor } = state;
  const { cabinet, instrument, spec, choose } = tabFor;
  const [isStepping, setIsStepping] = useState(false);
  return (
    <div className="new-song-text">
      <label className="new-song-writing">
        <span>ABC, degrees or tab</span>
        <OutlinedInput
          size="small"
          className="new-song-box"
          multiline
          minRows={7}
          maxRows={16}
          autoFocus
          spellCheck={false}
          placeholder={EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <div className="songs-tools row">
        <label className="labelled">
          <span>Title</span>
          <OutlinedInput
            size="small"
            value={title}
            placeholder={song?.title ?? ''}
            onChange={(event) => setTitle(event.target.value)}
          />
        </label>
        {!record && instrument && (
          <Button
            variant="text"
            aria-expanded={isStepping}
            onClick={() => {
              setIsStepping(!isStepping);
              if (!isStepping) setKind('degrees');
            }}
          >
            Note by note
          </Button>
        )}
        <Picklist label="Taken for" value={kind} choices={KINDS} onChange={setKind} />
        {kind === 'tab' && <TabChoices state={state} />}
      </div>
      {isStepping && instrument && spec && kind === 'degrees' && (
        <>
          <InstrumentPicklist label="On" value={instrument.id} cabinet={cabinet} onChange={choose} />
          <StepEntry text={text} onText={setText} spec={spec} />
        </>
      )}
      {kind === 'degrees' && !isStepping && (
        <ul className="plain-list new-song-help">
          {DEGREES_HELP.map((help) => (
            <li key={help}>{help}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The instrument and the dialect of a tab. */
function TabChoices({ state: { tabFor } }: { readonly state: NewSongState }) {
  const { cabinet, instrument, family, dialect, choose, chooseDialect } = tabFor;
  if (!instrument || !family) return null;
  return (
    <>
      <InstrumentPicklist label="of" value={instrument.id} cabinet={cabinet} onChange={choose} />
      <Picklist label="written in" value={dialect} choices={family.dialects} onChange={chooseDialect} />
    </>
  );
}
