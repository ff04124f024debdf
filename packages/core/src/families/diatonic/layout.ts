import { isWhole } from '../kernel/fields.ts';
import { noteText } from '../../pitch/noteName.ts';
import { PITCH_RANGE, pitchClass, type Pitch } from '../../pitch/pitch.ts';
import { asList, fail, isList, isRecord, ok, type Problem, type Result, shown } from '../../result.ts';
import { USUAL_KEYS } from '../../scale/scale.ts';
import { changedCount, changedText } from '../kernel/elements.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import { TUNING_IDS, TUNINGS, type TuningId } from './tables.ts';

export const HOLES = 10;

/** The two reed plates, by what the player does. */
export const PLATES = Object.freeze(['blow', 'draw'] as const);
export type Plate = (typeof PLATES)[number];

/** A ten-hole harmonica. Offsets are semitones above `root`, holes 1 to 10. */
export interface DiatonicLayout {
  /** Pitch after which the instrument is named: hole 1 blow of the standard plan. */
  readonly root: Pitch;
  /** The tuning it is named after; single reeds may differ from it. */
  readonly tuning: TuningId;
  readonly blow: readonly number[];
  readonly draw: readonly number[];
}

/** Usual keys run from G3 to F♯4; low ones lie an octave lower, high ones start again at G4. */
export const ROOTS = Object.freeze({ lowest: 43, lowestUsual: 55, highestUsual: 66, highest: 72 });

export function layoutOf(root: Pitch, tuning: TuningId): DiatonicLayout {
  const { blow, draw } = TUNINGS[tuning];
  return { root, tuning, blow, draw };
}

/** E.g. `low E♭`. */
export function keyLabel(root: Pitch): string {
  const name = noteText(USUAL_KEYS[pitchClass(root)]!);
  if (root < ROOTS.lowestUsual) return `low ${name}`;
  return root > ROOTS.highestUsual ? `high ${name}` : name;
}

export function reedPitch(layout: DiatonicLayout, plate: Plate, hole: number): Pitch {
  const offset = layout[plate][hole - 1];
  if (offset === undefined) throw new Error(`reedPitch: there is no hole ${hole}`);
  return layout.root + offset;
}

/** Checks a stored or imported layout. Problem fields: `root`, `tuning`, `blow`, `draw`, or a reed such as `draw.4`. */
export function checkLayout(stored: unknown): Result<DiatonicLayout> {
  if (!isRecord(stored)) {
    return fail({
      field: '',
      wrong: shown(stored),
      message: 'A harmonica’s layout needs a key, a tuning and its reeds.',
    });
  }
  const problems: Problem[] = [];
  const root = stored['root'];
  if (!isWhole(root) || root < ROOTS.lowest || root > ROOTS.highest) {
    const message = `The key must be from ${keyLabel(ROOTS.lowest)} to ${keyLabel(ROOTS.highest)}.`;
    problems.push({ field: 'root', wrong: shown(root), message });
  }
  const tuning = TUNING_IDS.find((id) => id === stored['tuning']);
  if (!tuning) {
    const message = `There is no tuning “${shown(stored['tuning'])}”. Known: ${TUNING_IDS.join(', ')}.`;
    problems.push({ field: 'tuning', wrong: shown(stored['tuning']), message });
  }
  for (const plate of PLATES) problems.push(...reedProblems(plate, stored[plate], isWhole(root) ? root : 60));
  if (problems.length > 0 || !isWhole(root) || !tuning) return fail(...problems);
  const reeds = (plate: Plate) => Object.freeze(asList(stored[plate]).filter(isWhole));
  return ok({ root, tuning, blow: reeds('blow'), draw: reeds('draw') });
}

function reedProblems(plate: Plate, reeds: unknown, root: Pitch): Problem[] {
  if (!isList(reeds) || reeds.length !== HOLES) {
    const found = isList(reeds) ? `${reeds.length} reeds` : shown(reeds);
    return [{ field: plate, wrong: found, message: `There must be ${HOLES} ${plate} reeds, not ${found}.` }];
  }
  const problems: Problem[] = [];
  for (const [index, offset] of reeds.entries()) {
    const field = `${plate}.${index + 1}`;
    const name = `Hole ${index + 1} ${plate}`;
    const before = reeds[index - 1];
    if (!isWhole(offset)) {
      problems.push({ field, wrong: shown(offset), message: `${name} must be a whole number of semitones.` });
    } else if (root + offset < PITCH_RANGE.lowest || root + offset > PITCH_RANGE.highest) {
      problems.push({ field, wrong: shown(offset), message: `${name} is out of range: from C1 to C9.` });
    } else if (isWhole(before) && offset < before) {
      const message = `${name} is lower than hole ${index} ${plate}: reeds go up from left to right.`;
      problems.push({ field, wrong: shown(offset), message });
    }
  }
  return problems;
}

/** E.g. `low E♭ harmonica, natural minor tuning, 1 reed changed`. */
export function describe(layout: DiatonicLayout): string {
  const tuning = layout.tuning === 'richter' ? '' : `, ${TUNINGS[layout.tuning].label} tuning`;
  const reeds = changedText(changedCount(elements(layout)), 'reed');
  return `${keyLabel(layout.root)} harmonica${tuning}${reeds}`;
}

export function options(layout: DiatonicLayout): readonly LayoutOption[] {
  const roots = Array.from({ length: ROOTS.highest - ROOTS.lowest + 1 }, (_, i) => ROOTS.lowest + i);
  return [
    {
      id: 'key',
      label: 'Key',
      value: String(layout.root),
      choices: roots.map((root) => ({ id: String(root), label: keyLabel(root) })),
    },
    {
      id: 'tuning',
      label: 'Tuning',
      value: layout.tuning,
      choices: TUNING_IDS.map((id) => ({ id, label: TUNINGS[id].label })),
    },
  ];
}

/** Changing the key moves every reed with it; changing the tuning takes all its reeds. @throws on an unknown option or value */
export function withOption(layout: DiatonicLayout, option: string, value: string): DiatonicLayout {
  if (option === 'key' && /^\d+$/.test(value)) return { ...layout, root: Number(value) };
  const tuning = TUNING_IDS.find((id) => id === value);
  if (option === 'tuning' && tuning) return layoutOf(layout.root, tuning);
  throw new Error(`withOption: no option ${option} = ${value}`);
}

export function elements(layout: DiatonicLayout): readonly LayoutElement[] {
  return PLATES.flatMap((plate) =>
    layout[plate].map((offset, index) => ({
      id: `${plate}.${index + 1}`,
      label: `hole ${index + 1} ${plate}`,
      row: plate,
      column: String(index + 1),
      pitch: layout.root + offset,
      values: [],
      changed: offset !== TUNINGS[layout.tuning][plate][index],
    })),
  );
}

/** Gives one reed another pitch. @throws on an unknown element */
export function withElement(
  layout: DiatonicLayout,
  element: string,
  { pitch }: ElementChange,
): DiatonicLayout {
  const [plate, hole] = element.split('.');
  if ((plate !== 'blow' && plate !== 'draw') || !(Number(hole) >= 1 && Number(hole) <= HOLES)) {
    throw new Error(`withElement: there is no reed ${element}`);
  }
  if (pitch === undefined) return layout;
  return {
    ...layout,
    [plate]: layout[plate].map((o, i) => (i === Number(hole) - 1 ? pitch - layout.root : o)),
  };
}
