import { elementOf } from './element.ts';
import type { Ink, Scene, Shape } from './scene.ts';

/** A colour for every ink, as CSS text. */
export type Palette = Readonly<Record<Ink, string>>;

/** Black on white for paper: chord tones and home stay solid, colour notes keep their shape. */
export const PRINT_PALETTE: Palette = Object.freeze({
  ink: '#000000',
  soft: '#555555',
  paper: '#ffffff',
  leaf: '#ffffff',
  rule: '#bbbbbb',
  brass: '#bdbdbd',
  wood: '#222222',
  hollow: '#000000',
  'plate-text': '#ffffff',
  home: '#000000',
  chord: '#444444',
  colour: '#000000',
});

/** A scene as a complete SVG file, sized in millimetres, with only the text and colours given. */
export function sceneToSvg(scene: Scene, palette: Palette = PRINT_PALETTE): string {
  const { widthMm: w, heightMm: h } = scene;
  const hatch = `<pattern id="hatch" width="1.6" height="1.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0V1.6" stroke="${palette.ink}" stroke-width="0.5"/></pattern>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" font-family="sans-serif">`,
    `<title>${escapeXml(scene.title)}</title>`,
    `<defs>${hatch}</defs>`,
    ...scene.shapes.map((shape) => shapeToSvg(shape, palette)),
    '</svg>',
  ].join('\n');
}

function shapeToSvg(shape: Shape, palette: Palette): string {
  if (shape.kind === 'group') {
    const id = shape.id ? ` id="${escapeXml(shape.id)}"` : '';
    const title = shape.label ? `<title>${escapeXml(shape.label)}</title>` : '';
    return `<g${id}>${title}${shape.shapes.map((inner) => shapeToSvg(inner, palette)).join('')}</g>`;
  }
  const { tag, attributes, text } = elementOf(shape, (ink) => palette[ink]);
  const written = Object.entries(attributes)
    .map(([name, value]) => ` ${inFile(name)}="${escapeXml(String(value))}"`)
    .join('');
  return text === undefined ? `<${tag}${written}/>` : `<${tag}${written}>${escapeXml(text)}</${tag}>`;
}

/** `strokeWidth` is `stroke-width` in a file. */
function inFile(name: string): string {
  return name.replace(/[A-Z]/g, (capital) => `-${capital.toLowerCase()}`);
}

/** Text made safe for XML; characters that XML 1.0 forbids are dropped. */
export function escapeXml(text: string): string {
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(
      /[&<>"']/g,
      (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c]!,
    );
}
