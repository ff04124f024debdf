import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { A4_RANGE, centsFromStandard } from '@same-song/core/music';

/** Beyond this many cents from A = 440 an instrument beats against modern ones. */
const APART_CENTS = 20;

interface PitchStandardFieldProps {
  readonly a4: number;
  readonly problem: string | undefined;
  readonly onChange: (a4: number) => void;
}

/** Hz of A4, with its cents and a warning where it cannot be played with others. */
export function PitchStandardField({ a4, problem, onChange }: PitchStandardFieldProps) {
  const [text, setText] = useState<string | undefined>(undefined);
  const cents = a4 > 0 ? Math.round(centsFromStandard(a4)) : 0;
  const place =
    cents === 0
      ? 'as most instruments today'
      : `${Math.abs(cents)} cents ${cents > 0 ? 'above' : 'below'} 440`;
  const apart = Math.abs(cents) > APART_CENTS ? '; it cannot play along with modern instruments' : '';
  return (
    <TextField
      label="Pitch of A, in Hz"
      value={text ?? String(a4)}
      onChange={(event) => {
        setText(event.target.value);
        onChange(Number(event.target.value.replace(',', '.')));
      }}
      onBlur={() => setText(undefined)}
      error={problem !== undefined}
      helperText={problem ?? place + apart}
      slotProps={{ htmlInput: { inputMode: 'decimal', title: `${A4_RANGE.lowest} to ${A4_RANGE.highest}` } }}
    />
  );
}
