import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useRef, useState } from 'react';
import { hasChords, hasRepeats, pitchedVoices, type Song } from '@same-song/core/song';
import { Check } from '../../controls/Check.tsx';
import type { Hearing } from './useSongPlayer.ts';

/** What sounds along with the melody. */
export function HearMenu({
  song,
  hearing,
  onHearing,
}: {
  readonly song: Song;
  readonly hearing: Hearing;
  readonly onHearing: (hearing: Hearing) => void;
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
        </div>
      </Popover>
    </>
  );
}
