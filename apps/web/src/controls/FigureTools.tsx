import type { MouseEvent } from 'react';
import { download, fileName } from '../frame/files.ts';
import { drawingOf, printAlone, valuesOf } from '../frame/figures.ts';

/** Under a drawing or a table: to keep it as a file, or to print it without the rest of the page. Stands in its `figure`. */
export function FigureTools({ title }: { readonly title: string }) {
  const of = `: ${title}`;
  return (
    <p className="figure-tools no-print">
      <button type="button" className="link" onClick={(event) => save(title, event)}>
        Save as file<span className="unseen">{of}</span>
      </button>
      <button type="button" className="link" onClick={(event) => print(title, event)}>
        Print alone<span className="unseen">{of}</span>
      </button>
    </p>
  );
}

function figureOf({ currentTarget }: MouseEvent): SVGSVGElement | HTMLTableElement {
  const found = currentTarget
    .closest('figure')
    ?.querySelector<SVGSVGElement | HTMLTableElement>('svg, table');
  if (!found) throw new Error('FigureTools: there is no drawing or table in the figure');
  return found;
}

function save(title: string, event: MouseEvent): void {
  const figure = figureOf(event);
  if (figure instanceof HTMLTableElement)
    download(fileName(title, 'csv'), 'text/csv', `\uFEFF${valuesOf(figure)}\r\n`);
  else download(fileName(title, 'svg'), 'image/svg+xml', drawingOf(figure).outerHTML);
}

function print(title: string, event: MouseEvent): void {
  const figure = figureOf(event);
  printAlone(
    title,
    figure instanceof HTMLTableElement ? (figure.cloneNode(true) as Element) : drawingOf(figure),
  );
}
