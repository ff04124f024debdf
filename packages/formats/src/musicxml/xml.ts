import { fail, ok, type Result, asError } from '@same-song/core';
import { SaxesParser } from 'saxes';

/** An element with what stands in it; text is joined from all its pieces. */
export interface Xml {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Xml[];
  readonly text: string;
}

interface Open extends Xml {
  readonly children: Xml[];
  text: string;
}

/** A document beyond these is no score that anybody reads. */
const DEPTH_LIMIT = 200;
const ELEMENTS_LIMIT = 3_000_000;

/**
 * Reads a document. A plain document type is passed over; entities of its own are none that is known, so that nothing
 * is ever unfolded or fetched. The problem names line and column.
 */
export function parseXml(text: string): Result<Xml> {
  const open: Open[] = [];
  let root: Xml | undefined;
  let count = 0;
  const parser = new SaxesParser({ position: true });
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', ({ name, attributes }) => {
    count += 1;
    if (open.length >= DEPTH_LIMIT || count > ELEMENTS_LIMIT)
      throw new Error(`${parser.line}:${parser.column}: more elements within one another than a score has.`);
    open.push({ name, attributes: attributes as Record<string, string>, children: [], text: '' });
  });
  parser.on('text', (piece) => {
    const element = open.at(-1);
    if (element) element.text += piece;
  });
  parser.on('cdata', (piece) => {
    const element = open.at(-1);
    if (element) element.text += piece;
  });
  parser.on('closetag', () => {
    const element = open.pop()!;
    const parent = open.at(-1);
    if (parent) parent.children.push(element);
    else root = element;
  });
  try {
    parser.write(text).close();
  } catch (error) {
    const said = asError(error).message;
    const [, line, column, what] = /^(?:.*?:)?(\d+):(\d+): (.*)$/s.exec(said) ?? [undefined, '1', '1', said];
    return fail({
      field: '',
      wrong: what,
      message: `This is no well-formed XML: ${what.replace(/\.?$/, '')} in line ${line}, column ${column}.`,
    });
  }
  return root ? ok(root) : fail({ field: '', wrong: '', message: 'There is nothing in it.' });
}

export function child(of: Xml | undefined, name: string): Xml | undefined {
  return of?.children.find((c) => c.name === name);
}

export function childrenOf(of: Xml | undefined, name: string): readonly Xml[] {
  return of?.children.filter((c) => c.name === name) ?? [];
}

/** Walks down by names; undefined where one is missing. */
export function descend(of: Xml | undefined, ...names: readonly string[]): Xml | undefined {
  return names.reduce<Xml | undefined>((at, name) => child(at, name), of);
}

/** Trimmed text of a child; undefined where it is missing or empty. */
export function textIn(of: Xml | undefined, name: string): string | undefined {
  return child(of, name)?.text.trim() || undefined;
}

/** Number in a child; undefined where it is missing or none. */
export function numberIn(of: Xml | undefined, name: string): number | undefined {
  const text = textIn(of, name);
  const number = text === undefined ? NaN : Number(text);
  return Number.isFinite(number) ? number : undefined;
}
