import { loader, type EffortPart, type Habit, type Loads, type PreferencePreset } from '../effortPart.ts';
import type { Moment, Play, PlayedNote, Remark } from '../way.ts';
import { ALL_FRETS, STRINGS } from './frets.ts';
import { FINGERS, type DulcimerWay } from './ways.ts';

export const parts = Object.freeze([
  {
    id: 'crossings',
    label: 'strings crossed',
    tally: 'sum',
    about: 'Strings between one note and the next.',
  },
  {
    id: 'shifts',
    label: 'shifts of the hand',
    tally: 'sum',
    about: 'Frets by which the left hand moves along.',
  },
  { id: 'spans', label: 'spans', tally: 'sum', about: 'Stretches between fingers beyond a fret each.' },
  { id: 'slides', label: 'same finger again', tally: 'sum', about: 'One finger going from fret to fret.' },
  { id: 'thumb', label: 'thumb', tally: 'notes', about: 'Notes that the thumb frets.' },
  {
    id: 'pick',
    label: 'pick against the strings',
    tally: 'sum',
    about: 'The pick going out towards a string that lies in, or in towards one that lies out.',
  },
  {
    id: 'off-melody',
    label: 'off the melody string',
    tally: 'notes',
    about: 'Notes on the middle and bass string, which then do not drone.',
  },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

export function wayLoads({ way, grip }: Play<DulcimerWay>): Loads {
  return loads({ thumb: grip === 't' ? 1 : 0, 'off-melody': way.technique === 'melody' ? 0 : 1 });
}

/** Diatonic frets are the player's measure; a half fret lies between two. */
const FRET_PLACES: ReadonlyMap<string, number> = new Map(
  ALL_FRETS.map(({ name }, index) => {
    const wholes = ALL_FRETS.slice(0, index + 1).filter((f) => !f.name.includes('½')).length;
    return [name, name.includes('½') ? wholes + 0.5 : wholes];
  }),
);

function fretPlace(fret: string): number {
  return FRET_PLACES.get(fret) ?? 0;
}

const reach = (grip: string | undefined) =>
  Math.max(
    0,
    FINGERS.findIndex((finger) => finger === grip),
  );

/** On the beat the pick goes out, off the beat it comes in. */
export function pickIsOut(start: number): boolean {
  return start % 1 < 0.25;
}

const stringAt = (way: DulcimerWay) => STRINGS.indexOf(way.technique);

export function stepLoads(from: Play<DulcimerWay>, to: Play<DulcimerWay>, moment: Moment): Loads {
  const cross = stringAt(to.way) - stringAt(from.way);
  // The melody string lies nearest the player: out goes from it towards the bass.
  const pick = cross === 0 ? 0 : cross < 0 === pickIsOut(moment.start) ? 0 : 1;
  const { slides, shifts, spans } = handLoads(from, to, cross === 0);
  return loads({ crossings: Math.abs(cross), pick, slides, shifts, spans });
}

const AT_REST = Object.freeze({ slides: 0, shifts: 0, spans: 0 });

/** What the hand on the frets does; an open string leaves it where it is. */
function handLoads(from: Play<DulcimerWay>, to: Play<DulcimerWay>, sameString: boolean) {
  if (to.way.fret === '0' || from.way.fret === '0') return AT_REST;
  const frets = fretPlace(to.way.fret) - fretPlace(from.way.fret);
  if (to.grip === from.grip)
    return { slides: frets !== 0 ? 1 : sameString ? 0 : 0.5, shifts: Math.abs(frets), spans: 0 };
  const off = Math.abs(frets - (reach(to.grip) - reach(from.grip)));
  // Within a fret the hand stretches; beyond it must move.
  return off <= 1 ? { slides: 0, shifts: 0, spans: off } : { slides: 0, shifts: off, spans: 0 };
}

/** The pick's direction at every note, and where the hand must move. */
export function remarks(line: readonly PlayedNote<DulcimerWay>[]): readonly Remark[] {
  return line.flatMap((note, i): Remark[] => {
    const out = pickIsOut(note.start);
    const pick = {
      index: note.index,
      mark: out ? 'out' : 'in',
      text: `pick ${out ? 'out' : 'in'}`,
      routine: true,
    };
    const before = line[i - 1];
    if (!before || before.way.fret === '0' || note.way.fret === '0' || note.grip === 'n') return [pick];
    const moved =
      fretPlace(note.way.fret) - reach(note.grip) - (fretPlace(before.way.fret) - reach(before.grip));
    if (Math.abs(moved) <= 1) return [pick];
    const where = `${moved > 0 ? 'up' : 'down'} to fret ${note.way.fret}`;
    return [pick, { index: note.index, mark: 'shift', text: `Move the hand ${where}.` }];
  });
}

export const habits: readonly Habit[] = Object.freeze([
  {
    id: 'hand',
    label: 'Left hand',
    options: [
      { id: 'fingers', label: 'fingers' },
      { id: 'noter', label: 'noter' },
    ],
  },
]);

const EVEN = Object.freeze({
  crossings: 0.5,
  shifts: 0.35,
  spans: 0.5,
  slides: 0.7,
  thumb: 0.8,
  pick: 0.3,
  'off-melody': 0.2,
});

export const preferences: readonly PreferencePreset[] = Object.freeze([
  {
    id: 'across',
    label: 'all three strings',
    about: 'Flat-picked across the strings, whatever the hand finds nearest.',
    weights: EVEN,
    avoid: [],
  },
  {
    id: 'noter',
    label: 'noter and drones',
    about: 'The melody string alone, the others drone.',
    weights: { ...EVEN, shifts: 0.2, slides: 0 },
    avoid: ['middle', 'bass'],
    habits: { hand: 'noter' },
  },
  {
    id: 'melody',
    label: 'fingers on the melody string',
    about: 'The melody string first; the others where it has not got the note.',
    weights: { ...EVEN, 'off-melody': 6 },
    avoid: [],
  },
  {
    id: 'chord',
    label: 'chords beneath the melody',
    about: 'A still hand that changes strings rather than place.',
    weights: { ...EVEN, shifts: 2, crossings: 0.1, 'off-melody': 0 },
    avoid: [],
  },
]);
