import type { Role } from '../harmony/role.ts';
import type { Box, GroupShape, Ink, Paint, Shape, TextShape } from './scene.ts';

/** What a way's chip shows; the caller knows the key, the drawing does not. */
export interface ChipText {
  readonly role: Role;
  readonly degree: string;
  readonly note: string;
  /** False when the instrument or its player cannot do it, or it is ruled out. */
  readonly usable: boolean;
}

/** One chip: where, what it says and which way it stands for. Lengths in millimetres. */
export interface Chip extends ChipText, Box {
  readonly id: string;
  readonly label: string;
  /** Technique mark in the corner, e.g. ″ or °. */
  readonly mark?: string;
}

/**
 * A chip tells its role by shape, fill and outline, so that it reads without colour: home is a solid pill, chord tones
 * solid boxes, scale tones outlined boxes, colour notes outlined lozenges, outside notes a dot with a small name.
 * What cannot be had is dashed.
 */
export function chipShape(chip: Chip): GroupShape {
  const { x, y, width, height, id, label } = chip;
  const shapes = chip.role === 'outside' ? outsideShapes(chip) : [bodyOf(chip), ...textsOf(chip)];
  return { kind: 'group', id, label, box: { x, y, width, height }, shapes };
}

const FILLS: Readonly<Record<Exclude<Role, 'outside'>, { paint: Paint; text: Ink }>> = Object.freeze({
  home: { paint: { fill: 'home', stroke: 'home', strokeMm: 0.6 }, text: 'leaf' },
  chord: { paint: { fill: 'chord', stroke: 'chord', strokeMm: 0.6 }, text: 'leaf' },
  scale: { paint: { fill: 'leaf', stroke: 'chord', strokeMm: 0.6 }, text: 'ink' },
  colour: { paint: { fill: 'leaf', stroke: 'colour', strokeMm: 0.5 }, text: 'colour' },
});

function bodyOf(chip: Chip): Shape {
  const { x, y, width, height, role, usable } = chip;
  if (role === 'outside') throw new Error('bodyOf: an outside note has no body');
  const solid = FILLS[role].paint;
  // Dashed all alike, a chord tone is still told from a scale tone: by the weight of its line.
  const strokeMm = role === 'chord' ? 1 : 0.5;
  const paint: Paint = usable ? solid : { ...solid, fill: 'paper', strokeMm, dashed: true };
  if (role === 'colour') {
    const c = height / 2;
    const d = `M${x} ${y + c} L${x + 2.2} ${y} H${x + width - 2.2} L${x + width} ${y + c} L${x + width - 2.2} ${y + height} H${x + 2.2} Z`;
    return { kind: 'path', d, ...paint };
  }
  return { kind: 'rect', x, y, width, height, radius: role === 'home' ? height / 2 : 1, ...paint };
}

/** A narrow chip carries its degree above its note, a wide one beside it. */
function isStacked({ width, height }: Chip): boolean {
  return width < height * 1.35;
}

function textsOf(chip: Chip): Shape[] {
  const { role, usable, mark } = chip;
  if (role === 'outside') return [];
  const ink = usable ? FILLS[role].text : 'ink';
  const { degree, note } = isStacked(chip) ? stacked(chip) : sideBySide(chip);
  const texts: Shape[] = [
    { kind: 'text', ...degree, text: chip.degree, ink, anchor: 'middle', bold: true },
    { kind: 'text', ...note, text: chip.note, ink, anchor: 'middle' },
  ];
  if (mark) texts.push(markText(chip, mark));
  return texts;
}

interface Texts {
  readonly degree: Pick<TextShape, 'x' | 'y' | 'sizeMm'>;
  readonly note: Pick<TextShape, 'x' | 'y' | 'sizeMm'>;
}

function stacked({ x, y, width, height }: Chip): Texts {
  return {
    degree: { x: x + width / 2, y: y + height * 0.47, sizeMm: Math.min(height * 0.42, width * 0.5) },
    note: { x: x + width / 2, y: y + height * 0.86, sizeMm: Math.min(height * 0.36, width * 0.5) },
  };
}

/** Degree and note in the middle of the chip; where there is no room first nearer each other, then smaller. */
function sideBySide({ x, y, width, height, role, degree, note }: Chip): Texts {
  // A lozenge has less room at its points.
  const room = width - (role === 'colour' ? 2.8 : 1.2);
  const wanted = { degree: height * 0.56, note: height * 0.46 };
  const texts = widthOf(degree, wanted.degree) + widthOf(note, wanted.note);
  const gap = Math.max(height * 0.1, Math.min(height * 0.22, room - texts));
  const needed = texts + gap;
  const scale = Math.min(1, room / needed);
  const [degreeSize, noteSize] = [wanted.degree * scale, wanted.note * scale];
  const left = x + (width - needed * scale) / 2;
  const right = left + needed * scale;
  const at = y + height * 0.69;
  return {
    degree: { x: left + widthOf(degree, degreeSize) / 2, y: at, sizeMm: degreeSize },
    note: { x: right - widthOf(note, noteSize) / 2, y: at, sizeMm: noteSize },
  };
}

/** About how wide a text is set: signs are narrower than letters and numbers. */
function widthOf(text: string, sizeMm: number): number {
  return [...text].reduce((sum, letter) => sum + (/[♭♯~]/u.test(letter) ? 0.46 : 0.62), 0) * sizeMm;
}

function markText(chip: Chip, mark: string): Shape {
  const { x, y, width, height } = chip;
  return {
    kind: 'text',
    x: x + width + 0.7,
    y: y + height * 0.62,
    text: mark,
    sizeMm: height * 0.6,
    ink: 'ink',
    bold: true,
  };
}

function outsideShapes(chip: Chip): Shape[] {
  const { x, y, width, height, mark, usable } = chip;
  const isHigh = isStacked(chip);
  const cx = x + width * (isHigh ? 0.5 : 0.34);
  const cy = y + height * (isHigh ? 0.3 : 0.5);
  const r = isHigh ? 0.9 : 1.1;
  const dot: Shape = {
    kind: 'path',
    d: `M${cx - r} ${cy} a${r} ${r} 0 1 0 ${2 * r} 0 a${r} ${r} 0 1 0 ${-2 * r} 0 Z`,
    ...(usable ? { fill: 'soft' } : { stroke: 'soft', strokeMm: 0.35, fill: 'paper' }),
  };
  const name: Shape = {
    kind: 'text',
    x: x + width * (isHigh ? 0.5 : 0.73),
    y: y + height * (isHigh ? 0.82 : 0.66),
    text: chip.note,
    sizeMm: isHigh ? Math.min(height * 0.36, width * 0.5) : height * 0.46,
    ink: 'soft',
    anchor: 'middle',
  };
  return mark ? [dot, name, { ...markText(chip, mark), ink: 'soft' } as Shape] : [dot, name];
}
