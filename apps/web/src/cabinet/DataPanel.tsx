import Button from '@mui/material/Button';
import { useRef } from 'react';
import type { Problem } from '@same-song/core';
import { KIND_NAMES, RECORD_KIND_IDS, type KindReport } from '@same-song/core/records';
import { useImport, type Preview } from './useImport.ts';

/** All that a file holds, as a sentence goes on. */
const KINDS_WORDS = RECORD_KIND_IDS.map((kind) => KIND_NAMES[kind].many.toLowerCase()).join(', ');

const LEFT_OUT = 'Left out, and still in your file:';

/** Problems shown of a bad file; the rest are counted. */
const PROBLEMS_SHOWN = 12;

/** The whole data set out to a file, and in again after a look at what would change. */
export function DataPanel() {
  const { preview, problems, read, readRest, apply, drop } = useImport();
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="data">
      <h2>Export and import</h2>
      <p>
        Everything that is kept goes into one file: {KINDS_WORDS} and settings. What lies in the bin stays
        behind.
      </p>
      <p>
        <Button variant="contained" href="/api/data/export" download="same-song.json">
          Export everything
        </Button>{' '}
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Choose a file to import…
        </Button>
        <input
          ref={input}
          type="file"
          accept="application/json,.json"
          aria-label="File to import"
          className="unseen"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void read(file);
          }}
        />
      </p>
      {problems.length > 0 && <Problems problems={problems} />}
      {readRest && (
        <Button variant="outlined" onClick={() => void readRest()}>
          See the rest without these
        </Button>
      )}
      {preview && <PreviewPart preview={preview} onApply={() => void apply(preview)} onDrop={drop} />}
    </div>
  );
}

function Problems({ problems }: { problems: readonly Problem[] }) {
  return (
    <div role="alert" className="editor-problems">
      <p>This file was not imported; nothing was changed.</p>
      <ul>
        {problems.slice(0, PROBLEMS_SHOWN).map((problem) => (
          <li key={problem.field + problem.message}>
            {problem.field && <code>{problem.field}</code>} {problem.message}
          </li>
        ))}
      </ul>
      {problems.length > PROBLEMS_SHOWN && <p>And {problems.length - PROBLEMS_SHOWN} more.</p>}
    </div>
  );
}

function PreviewPart({
  preview,
  onApply,
  onDrop,
}: {
  preview: Preview;
  onApply: () => void;
  onDrop: () => void;
}) {
  const { report, left } = preview;
  const nothing =
    RECORD_KIND_IDS.every((kind) => report[kind].added.length + report[kind].changed.length === 0) &&
    report.settings === 'same';
  return (
    <section className="preview" aria-label="What the file would change">
      <h3>{preview.name}</h3>
      {left.length > 0 && (
        <p>
          {LEFT_OUT} {left.join(', ')}.
        </p>
      )}
      {nothing && <p>Everything {left.length > 0 ? 'else ' : ''}in this file is here already.</p>}
      {RECORD_KIND_IDS.map((kind) => (
        <KindList key={kind} title={KIND_NAMES[kind].many} report={report[kind]} />
      ))}
      {report.settings === 'changed' && <p>The settings will be those of the file.</p>}
      <Button variant="contained" onClick={onApply} disabled={nothing}>
        Import
      </Button>{' '}
      <Button variant="text" onClick={onDrop}>
        Leave it
      </Button>
    </section>
  );
}

function KindList({ title, report }: { title: string; report: KindReport }) {
  if (report.added.length + report.changed.length + report.same === 0) return null;
  const line = (word: string, names: readonly string[]) =>
    names.length > 0 ? <li>{`${word}: ${names.join(', ')}`}</li> : null;
  return (
    <>
      <h4>{title}</h4>
      <ul>
        {line('New', report.added)}
        {line('Changed', report.changed)}
        {report.same > 0 && <li>{report.same} already the same</li>}
      </ul>
    </>
  );
}
