import { asError } from '@same-song/core';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { Problem } from '@same-song/core';
import { parseScala, writeScala, type Instrument } from '@same-song/core/instruments';
import { checkLayoutFile, layoutFile } from '@same-song/core/records';
import { download, fileName } from '../frame/files.ts';
import { notify } from '../frame/notice.ts';

interface LayoutFilesProps {
  readonly instrument: Instrument;
  readonly onLayout: (layout: unknown) => void;
}

/** The layout by itself out to a file and in again; a tuning too, where the family has one. */
export function LayoutFiles({ instrument, onLayout }: LayoutFilesProps) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const input = useRef<HTMLInputElement>(null);
  const { family, layout, tuning, spec } = instrument;
  const name = spec.name || instrument.description;
  const read = async (file: File) => {
    const found = layoutFrom(await file.text(), file.name, instrument);
    if (input.current) input.current.value = '';
    setProblems(found.problems);
    if (found.problems.length > 0) return;
    onLayout(found.layout);
    notify(`${file.name} is taken over. Save to keep it.`);
  };
  return (
    <section aria-label="Layout files">
      <h3>Layout as a file</h3>
      <p className="layout-files row">
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            const text = JSON.stringify(layoutFile(family.id, name, layout), null, 2);
            download(fileName(name, 'layout.json'), 'application/json', text);
          }}
        >
          Export the layout
        </Button>
        {tuning && (
          <Button
            size="small"
            variant="outlined"
            onClick={() =>
              download(fileName(name, 'scl'), 'text/plain', writeScala({ description: name, cents: tuning }))
            }
          >
            Export the tuning (.scl)
          </Button>
        )}
        <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
          Import {tuning ? 'a layout or a tuning' : 'a layout'}…
        </Button>
        <input
          ref={input}
          type="file"
          accept={tuning ? '.json,.scl' : '.json'}
          aria-label="Layout file to import"
          className="unseen"
          onChange={(event) => event.target.files?.[0] && void read(event.target.files[0])}
        />
      </p>
      {problems.length > 0 && (
        <ul className="editor-problems" role="alert">
          {problems.slice(0, 8).map((problem) => (
            <li key={problem.field + problem.message}>{problem.message}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

interface Found {
  readonly layout?: unknown;
  readonly problems: readonly Problem[];
}

/** A layout file of the same family, or a Scala tuning put onto the layout as it is. */
function layoutFrom(text: string, name: string, instrument: Instrument): Found {
  if (name.toLowerCase().endsWith('.scl')) {
    const tuning = parseScala(text);
    if (!tuning.ok) return { problems: tuning.problems };
    const layout = instrument.withTuning(tuning.value.cents);
    return layout.ok ? { layout: layout.value, problems: [] } : { problems: layout.problems };
  }
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    const message = `${name} is not valid JSON (${asError(error).message}).`;
    return { problems: [{ field: '', wrong: name, message }] };
  }
  const checked = checkLayoutFile(file);
  if (!checked.ok) return { problems: checked.problems };
  const { family, layout } = checked.value;
  if (family === instrument.family.id) return { layout, problems: [] };
  const message = `This layout is for another kind of instrument (${family}). Add one of that kind first.`;
  return { problems: [{ field: 'family', wrong: family, message }] };
}
