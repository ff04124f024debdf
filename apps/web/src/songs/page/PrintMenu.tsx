import { keysOf } from '@same-song/core';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** What of a song goes onto paper. */
export type Paper = 'both' | 'tab' | 'staff';

const WORDS: Readonly<Record<Paper, string>> = {
  both: 'Staff and tab',
  tab: 'Large tab only',
  staff: 'Staff only',
};

/** Prints the song: staff and tab, or one of them alone. */
export function PrintMenu({
  onPaper,
  drawing,
  onDrawing,
}: {
  readonly onPaper: (paper: Paper) => void;
  /** The instrument is drawn on paper too. */
  readonly drawing: boolean;
  readonly onDrawing: (drawing: boolean) => void;
}) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const print = (paper: Paper) => {
    flushSync(() => {
      setOpen(false);
      onPaper(paper);
    });
    window.print();
  };
  return (
    <>
      <Button ref={button} variant="text" aria-haspopup="menu" onClick={() => setOpen(true)}>
        Print
      </Button>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        <MenuItem role="menuitemcheckbox" aria-checked={drawing} divider onClick={() => onDrawing(!drawing)}>
          {drawing ? '✓ ' : ''}With the drawing
        </MenuItem>
        {keysOf(WORDS).map((paper) => (
          <MenuItem key={paper} onClick={() => print(paper)}>
            {WORDS[paper]}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
