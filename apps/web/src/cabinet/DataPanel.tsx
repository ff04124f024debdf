import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { KIND_NAMES, RECORD_KIND_IDS, type ExchangeFile, type Problem } from '@same-song/core';
import { RequestError } from '../api/client.ts';
import { notify } from '../frame/notice.ts';
import { remember } from '../frame/undo.ts';
import { reversible } from '../frame/useKeeping.ts';
import { importFile, tryImport, type ImportReport, type KindReport } from './importing.ts';
import { canTakeRest, takeRest } from './salvaging.ts';

/** A file that was read and what it would do. */
interface Preview {
  readonly name: string;
  readonly file: ExchangeFile;
  readonly report: ImportReport;
  /** Names of what is left out, since it is refused. */
  readonly left: readonly string[];
}

/** A file as it was chosen. */
interface Given {
  readonly name: string;
  readonly file: object;
}

/** All that a file holds, as a sentence goes on. */
const KINDS_WORDS = RECORD_KIND_IDS.map((kind) => KIND_NAMES[kind].many.toLowerCase()).join(', ');

const LEFT_OUT = 'Left out, and still in your file:';

/** Problems shown of a bad file; the rest are counted. */
const PROBLEMS_SHOWN = 12;

/** The whole data set out to a file, and in again after a look at what would change. */
export function DataPanel() {
  const [preview, setPreview] = useState<Preview | undefined>(undefined);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [given, setGiven] = useState<Given | undefined>(undefined);
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();

  const read = async (chosen: File) => {
    setPreview(undefined);
    setProblems([]);
    setGiven(undefined);
    try {
      const file = parse(await chosen.text());
      setGiven({ name: chosen.name, file: file as object });
      const report = await tryImport(file);
      setPreview({ name: chosen.name, file: file as ExchangeFile, report, left: [] });
    } catch (error) {
      setProblems(problemsOf(error));
    } finally {
      if (input.current) input.current.value = '';
    }
  };

  const readRest = async ({ name, file }: Given) => {
    try {
      setPreview({ name, ...(await takeRest(file, problems)) });
      setProblems([]);
    } catch (error) {
      setProblems(problemsOf(error));
    }
  };

  const apply = async ({ file }: Preview) => {
    try {
      const { change: id } = await importFile(file);
      const renew = () => client.invalidateQueries();
      await renew();
      setPreview(undefined);
      notify('The file is imported.');
      if (id) remember({ label: 'the import', ...reversible([{ id }], renew) });
    } catch (error) {
      setProblems(problemsOf(error));
    }
  };

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
          onChange={(event) => event.target.files?.[0] && void read(event.target.files[0])}
        />
      </p>
      {problems.length > 0 && <Problems problems={problems} />}
      {given && canTakeRest(problems) && (
        <Button variant="outlined" onClick={() => void readRest(given)}>
          See the rest without these
        </Button>
      )}
      {preview && (
        <PreviewPart
          preview={preview}
          onApply={() => void apply(preview)}
          onDrop={() => setPreview(undefined)}
        />
      )}
    </div>
  );
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const message = `This file is not valid JSON (${(error as Error).message}). Nothing was changed.`;
    throw new RequestError({ status: 400, code: 'bad-request', message, problems: [] });
  }
}

function problemsOf(error: unknown): readonly Problem[] {
  const body = error instanceof RequestError ? error.body : undefined;
  if (body && body.problems.length > 0) return body.problems;
  return [
    { field: '', wrong: '', message: error instanceof Error ? error.message : 'The file cannot be read.' },
  ];
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
