import Button from '@mui/material/Button';
import { counted } from '@same-song/core';
import type { StruckPitch } from '@same-song/core/ear';
import { families, NAME_LIMIT } from '@same-song/core/instruments';
import { pitchText } from '@same-song/core/music';
import { Check } from '../controls/Check.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { ForgetNotes } from './ForgetNotes.tsx';
import { MADE, useWriteDown } from './useWriteDown.ts';
import type { UseProps } from './listeningUse.ts';
import { WayPicture } from './WayPicture.tsx';

/** An instrument that nobody has described is struck place by place, and its layout written down. */
export function WriteUse(props: UseProps) {
  const { family, setFamily, rising, setRising, name, setName, struck, made, put, busy, gathering } =
    useWriteDown(props);
  return (
    <>
      <div className="practice-tools row">
        <Picklist
          label="It is a"
          value={family}
          choices={MADE.map((id) => ({ id, label: families[id].label }))}
          onChange={setFamily}
        />
        <Check label="the lowest first, not as struck" checked={rising} onChange={setRising} />
      </div>
      {struck.length === 0 ? (
        <p className="soft">
          Strike every place once or twice, the one in the middle first, then round from the player, and let
          each ring a moment.
        </p>
      ) : (
        <Struck struck={struck} />
      )}
      {made.ok && (
        <WayPicture
          chosen={made.subject}
          instrument={made.instrument}
          label="What was written down"
          selected={undefined}
        />
      )}
      {!made.ok && struck.length > 0 && <p role="status">{made.problems[0]!.message}</p>}
      <p className="practice-tools row">
        <label className="labelled">
          Call it
          <input
            type="text"
            size={28}
            maxLength={NAME_LIMIT}
            value={name}
            placeholder={made.ok ? made.subject.spec.name : ''}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button variant="contained" disabled={!made.ok || busy} onClick={put}>
          Put it into the cabinet
        </Button>
        <ForgetNotes gathering={gathering} all="Begin again" />
      </p>
    </>
  );
}

function Struck({ struck }: { readonly struck: readonly StruckPitch[] }) {
  return (
    <ol className="struck row bare" aria-label="Struck" aria-live="polite">
      {struck.map(({ pitch, cents, times }) => (
        <li key={`${pitch} ${cents}`}>
          <b>{pitchText(pitch)}</b>
          <span>
            {cents === 0 ? 'in tune' : `${counted(Math.abs(cents), 'cent')} ${cents > 0 ? 'sharp' : 'flat'}`}
            {times > 1 && `, ${times}×`}
          </span>
        </li>
      ))}
    </ol>
  );
}
