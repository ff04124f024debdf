import { drawingOf, printAlone, valuesOf } from './figures.ts';

const SVG = 'http://www.w3.org/2000/svg';

test('a drawing taken out of its page keeps the looks that its place gives it, in the inks of paper', () => {
  document.head.innerHTML =
    '<style>.here .dot { fill: rgb(1, 2, 3); font-weight: 800 } .elsewhere .dot { fill: red }</style>';
  document.body.innerHTML =
    '<div class="here"><svg class="mine" role="listbox"><g class="dot" tabindex="0"><title>a dot</title></g></svg></div>';
  const svg = document.querySelector('svg')!;
  const before = document.body.innerHTML;
  const copy = drawingOf(svg);
  const dot = copy.querySelector('g')!;
  expect([dot.getAttribute('fill'), dot.getAttribute('font-weight')]).toEqual(['rgb(1, 2, 3)', '800']);
  expect(copy.outerHTML).not.toMatch(/class=|tabindex|role=/);
  expect(copy.getAttribute('xmlns')).toBe(SVG);
  expect(copy.querySelector('title')!.textContent).toBe('a dot');
  expect(document.body.innerHTML).toBe(before);
});

test('a table is lines of values: what is said rather than what is shown, quoted where it must be', () => {
  document.body.innerHTML = `<table>
    <tr><th>key</th><th><button>major ▾</button><button>×</button></th></tr>
    <tr><th>C <span>1st position</span></th><td><button><span class="unseen">C major: 3 octaves, all</span><b>3</b></button></td></tr>
    <tr><th>D</th><td>the “one”, "two"</td></tr>
  </table>`;
  expect(valuesOf(document.querySelector('table')!).split('\r\n')).toEqual([
    'key,major ▾',
    'C 1st position,"C major: 3 octaves, all"',
    'D,"the “one”, ""two"""',
  ]);
});

test('what is printed alone stands on a sheet of its own until it is printed', () => {
  const print = jest.spyOn(window, 'print').mockImplementation(() => undefined);
  printAlone('A figure', document.createElement('table'));
  expect(print).toHaveBeenCalledTimes(1);
  const sheet = document.querySelector('.print-alone')!;
  expect([...sheet.children].map(({ tagName }) => tagName)).toEqual(['H1', 'TABLE']);
  expect(sheet.textContent).toBe('A figure');
  expect(document.documentElement.className).toBe('prints-alone');
  window.dispatchEvent(new Event('afterprint'));
  expect([document.querySelector('.print-alone'), document.documentElement.className]).toEqual([null, '']);
});
