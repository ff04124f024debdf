import { Fragment, memo, useEffect, useRef } from 'react';
import type { LineView } from '@same-song/core';

interface LineTabProps {
  readonly line: readonly LineView[];
  /** Between two notes, as the dialect has it. */
  readonly separator: string;
  /** Id of the note that is selected or sounds. */
  readonly marked: string | undefined;
}

/** The whole line as tab text, never broken inside a note. */
export const LineTab = memo(function LineTab({ line, separator, marked }: LineTabProps) {
  const box = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    box.current?.querySelector('.marked')?.scrollIntoView({ block: 'nearest' });
  }, [marked, line]);
  return (
    <p className="line-tab" aria-label="Tab of the line" tabIndex={0} role="group" ref={box}>
      {line.map((note, i) => (
        <Fragment key={note.id}>
          {i > 0 && separator}
          <span className={note.id === marked ? 'marked' : undefined}>{note.inTab}</span>
        </Fragment>
      ))}
    </p>
  );
});
