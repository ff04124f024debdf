import { keysOf } from '@same-song/core';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import type { SongView } from '@same-song/core/song';
import { losses, writeFile, WRITTEN_FORMATS, type WrittenFormat } from '@same-song/formats';
import { download, fileName } from '../../frame/files.ts';
import type { SongState } from './useSong.ts';

/** The song as it is played here out to a file, with its tab where the format has words. */
export function SongFiles({ state, view }: { state: SongState; view: SongView }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const { chosen } = state;
  const title = `${view.song.title} in ${view.keyName}`;
  const save = (as: WrittenFormat) => {
    setOpen(false);
    const { extension, type } = WRITTEN_FORMATS[as];
    const content = writeFile(view.song, as, { view, on: chosen!.spec.name });
    // Spreadsheets know by this mark that signs are written in UTF-8.
    download(fileName(title, extension), type, as === 'csv' ? `\uFEFF${content as string}` : content);
  };
  return (
    <>
      <Button ref={button} variant="text" aria-haspopup="menu" onClick={() => setOpen(true)}>
        As a file
      </Button>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        {keysOf(WRITTEN_FORMATS).map((as) => (
          <MenuItem key={as} onClick={() => save(as)}>
            <span>
              {WRITTEN_FORMATS[as].label}
              {as === 'abc' || as === 'musicxml' ? ', tab under the notes' : ''}
              {losses(view.song, as).map((lost) => (
                <small key={lost} className="below">
                  {lost}
                </small>
              ))}
            </span>
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
