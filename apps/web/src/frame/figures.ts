import { PRINT_PALETTE } from '@same-song/core/instruments';

/** What a drawing takes from style sheets, as attributes that stand in a file. */
const TAKEN_ALONG = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
];
/** What only serves the screen. */
const LEFT_BEHIND = [
  'class',
  'role',
  'tabindex',
  'style',
  'data-way',
  'data-step',
  'aria-hidden',
  'aria-selected',
];

/** A drawing of the page as it stands on paper, black on white and with all its styles in it. */
export function drawingOf(svg: SVGSVGElement): SVGSVGElement {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  // Beside the original, where the same styles hold; never painted, since it is gone before the browser draws.
  const paper = document.createElement('div');
  for (const [ink, colour] of Object.entries(PRINT_PALETTE)) paper.style.setProperty(`--${ink}`, colour);
  svg.parentElement?.append(paper);
  paper.append(copy);
  for (const element of copy.querySelectorAll('*')) {
    const style = window.getComputedStyle(element);
    for (const name of TAKEN_ALONG) {
      const value = style.getPropertyValue(name);
      if (value !== '') element.setAttribute(name, value);
    }
  }
  paper.remove();
  for (const element of [copy, ...copy.querySelectorAll('*')])
    for (const name of LEFT_BEHIND) element.removeAttribute(name);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return copy;
}

/** A table as lines of values with commas between them; what a cell says to a screen reader goes before what it shows. */
export function valuesOf(table: HTMLTableElement): string {
  const said = (cell: HTMLTableCellElement) =>
    wordsOf(cell.querySelector('.unseen') ?? cell.querySelector('button') ?? cell);
  const quoted = (text: string) => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return Array.from(table.rows, (row) => Array.from(row.cells, (cell) => quoted(said(cell))).join(',')).join(
    '\r\n',
  );
}

/** What an element says, with a space between parts that only the screen sets apart. */
function wordsOf(element: Element): string {
  const texts = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const parts: string[] = [];
  while (texts.nextNode()) parts.push(texts.currentNode.textContent ?? '');
  return parts.join(' ').replace(/\s+/g, ' ').trim();
}

/** Prints one thing of a page and nothing else. */
export function printAlone(title: string, figure: Element): void {
  const sheet = document.createElement('section');
  sheet.className = 'print-alone';
  sheet.ariaLabel = title;
  sheet.dataset['onePage'] = '';
  const heading = document.createElement('h1');
  heading.textContent = title;
  sheet.append(heading, figure);
  document.body.append(sheet);
  document.documentElement.classList.add('prints-alone');
  window.addEventListener(
    'afterprint',
    () => {
      document.documentElement.classList.remove('prints-alone');
      sheet.remove();
    },
    { once: true },
  );
  window.print();
}
