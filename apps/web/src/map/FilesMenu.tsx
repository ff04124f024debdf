import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useNavigate } from 'react-router';
import { expectOk } from '@same-song/core';
import { sceneToSvg } from '@same-song/core/instruments';
import { parseNote, QUARTER } from '@same-song/core/music';
import type { MapView, StoredQuestion } from '@same-song/core/route';
import { songFromLine } from '@same-song/core/song';
import { songs } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { download, fileName } from '../frame/files.ts';
import { printAlone } from '../frame/figures.ts';

/** Notes of two bars: what is no longer is a lick. */
const LICK_NOTES = 8;

interface FilesMenuProps {
  readonly view: MapView;
  readonly question: StoredQuestion;
  readonly title: string;
  readonly onPractise: () => void;
  /** What it opens under. */
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}

/** The map's tab and drawing, each as a file, and the drawing on a sheet of its own. */
export function FilesMenu({ view, question, title, onPractise, anchor, onClose }: FilesMenuProps) {
  const { keep } = useRecordActions(songs);
  const navigate = useNavigate();
  /** The line among the songs, a phrase of two bars as a lick. */
  const keepLine = () => {
    const { tonic, scale } = question;
    const name = `${scaleWords(question)} in ${tonicWords(question)}`;
    const line = view.line.map(({ pitch, start, beats }) => ({
      pitch,
      onset: start * QUARTER,
      length: beats * QUARTER,
    }));
    const tags = line.length <= LICK_NOTES ? ['lick'] : ['scale'];
    keep(songFromLine(name.slice(0, 200), { tonic: expectOk(parseNote(tonic)), scale }, line, tags), {
      label: () => `keeping ${name} as a song`,
      notice: () => `${name} is among the songs.`,
      onKept: ({ id }) => void navigate(`/songs/${id}`),
    });
  };
  const items = [
    ...(view.line.length > 0
      ? [
          { label: 'Practise the line', run: onPractise },
          { label: 'The line as a song', run: keepLine },
        ]
      : []),
    {
      label: 'Tab as a text file',
      run: () => download(fileName(title, 'txt'), 'text/plain', `${title}\n\n${view.tabText}\n`),
    },
    {
      label: 'Drawing as a file',
      run: () => download(fileName(title, 'svg'), 'image/svg+xml', sceneToSvg(view.scene)),
    },
    {
      label: 'Print the drawing alone',
      run: () => {
        const drawn = new DOMParser().parseFromString(sceneToSvg(view.scene), 'image/svg+xml');
        printAlone(title, drawn.documentElement);
      },
    },
  ];
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {items.map(({ label, run }) => (
        <MenuItem
          key={label}
          onClick={() => {
            onClose();
            run();
          }}
        >
          {label}
        </MenuItem>
      ))}
    </Menu>
  );
}
