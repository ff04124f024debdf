import { asError } from '@same-song/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Problem } from '@same-song/core';
import type { ExchangeFile, ImportReport } from '@same-song/core/records';
import { RequestError } from '../api/client.ts';
import { notify } from '../frame/notice.ts';
import { remember } from '../frame/undo.ts';
import { reversible } from '../frame/useRecordActions.ts';
import { importFile, tryImport } from './importing.ts';
import { canTakeRest, takeRest } from './salvaging.ts';

/** A file that was read and what it would do. */
export interface Preview {
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

/** A file that is to be imported: what it would do, what is wrong with it, and doing it. */
export function useImport() {
  const [preview, setPreview] = useState<Preview | undefined>(undefined);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [given, setGiven] = useState<Given | undefined>(undefined);
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
  return {
    preview,
    problems,
    read,
    /** Looks at what the file would do without what is refused; undefined where that makes no sense. */
    readRest: given && canTakeRest(problems) ? () => readRest(given) : undefined,
    apply,
    drop: () => setPreview(undefined),
  };
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const message = `This file is not valid JSON (${asError(error).message}). Nothing was changed.`;
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
