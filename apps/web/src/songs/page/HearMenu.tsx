import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useRef, useState } from 'react';
import { feelOf, hasChords, hasRepeats, pitchedVoices, type Feel, type Song } from '@same-song/core/song';
import { Check } from '../../controls/Check.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import type { Hearing } from './useSongPlayer.ts';

/** How eighths are played, as the song says it for every arrangement. */
const FEEL_CHOICES: readonly { readonly id: Feel; readonly label: string }[] = [
  { id: 'even', label: 'even' },
  { id: 'swung', label: 'swung, two to one' },
  { id: 'dotted', label: 'dotted, three to one' },
];

/** What sounds along with the melody, and how. */
export function HearMenu({
  song,
  hearing,
  onHearing,
  onFeel,
}: {
  readonly song: Song;
  readonly hearing: Hearing;
  readonly onHearing: (hearing: Hearing) => void;
  readonly onFeel: (feel: Feel) => void;
}) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const choices: readonly (readonly [keyof Hearing, string, boolean])[] = [
    ['countIn', 'Two bars counted before it', true],
    ['click', 'A click on every beat', true],
    ['chords', 'Its chords', hasChords(song)],
    ['voices', 'Its other voices', pitchedVoices(song).length > 1],
    ['drone', 'A drone of home and fifth', true],
    ['repeats', 'Repeats taken', hasRepeats(song)],
    ['loop', 'Again and again', true],
    ['mute', 'Without the melody, to play it yourself', true],
  ];
  return (
    <>
      <Button ref={button} variant="text" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        What sounds
      </Button>
      <Popover
        open={open}
        anchorEl={() => button.current}
        onClose={() => setOpen(false)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        <div className="hear-menu" role="group" aria-label="What sounds">
          {choices
            .filter(([, , offered]) => offered)
            .map(([name, label]) => (
              <Check
                key={name}
                label={label}
                checked={hearing[name]}
                onChange={(checked) => onHearing({ ...hearing, [name]: checked })}
              />
            ))}
          <Picklist label="Its eighths" value={feelOf(song)} choices={FEEL_CHOICES} onChange={onFeel} />
        </div>
      </Popover>
    </>
  );
}
