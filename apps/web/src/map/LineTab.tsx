import { Fragment, memo, useEffect, useRef, useState, type RefObject } from 'react';
import type { LineView } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';

interface LineTabProps {
  readonly line: readonly LineView[];
  /** Between two notes, as the dialect has it. */
  readonly separator: string;
  /** Id of the note that is selected or sounds. */
  readonly marked: string | undefined;
}

/** The line as tab text, never broken inside a note: three lines of it, and all of it when asked. */
export const LineTab = memo(function LineTab({ line, separator, marked }: LineTabProps) {
  const box = useRef<HTMLParagraphElement>(null);
  const [whole, setWhole] = useState(false);
  const isCut = useIsCut(box);
  useEffect(() => {
    box.current?.querySelector('.marked')?.scrollIntoView({ block: 'nearest' });
  }, [marked, line]);
  return (
    <div className={whole ? 'line-tab whole' : 'line-tab'}>
      <p aria-label="Tab of the line" tabIndex={0} role="group" ref={box}>
        <span className="line-tab-all">
          {line.map((note, i) => (
            <Fragment key={note.id}>
              {i > 0 && separator}
              <span className={note.id === marked ? 'marked' : undefined}>{note.inTab}</span>
            </Fragment>
          ))}
        </span>
      </p>
      {(isCut || whole) && (
        <LinkButton expanded={whole} onClick={() => setWhole(!whole)}>
          {whole ? 'Three lines of the tab' : 'All of the tab'}
        </LinkButton>
      )}
    </div>
  );
});

/** Whether a box shows less than its only child; looked at when the page has been laid out, and never before that. */
function useIsCut(box: RefObject<HTMLElement | null>): boolean {
  const [isCut, setIsCut] = useState(false);
  useEffect(() => {
    const outer = box.current;
    const inner = outer?.firstElementChild;
    if (!outer || !inner) return undefined;
    const observer = new ResizeObserver(() => setIsCut(inner.clientHeight > outer.clientHeight + 2));
    observer.observe(inner);
    observer.observe(outer);
    return () => observer.disconnect();
  }, [box]);
  return isCut;
}
