/**
 * Qualities of a chord: how it is written after its root, other ways to write it, and its tones above the root. The
 * first spelling is the one that is shown. Tones in semitones, root first, extensions within the octave.
 * Source: chord symbols in common use.
 */
const TABLE = [
  { id: '', also: ['maj', 'M', 'major'], tones: [0, 4, 7] },
  { id: 'm', also: ['min', '-', 'mi', 'minor'], tones: [0, 3, 7] },
  { id: '5', also: [], tones: [0, 7] },
  { id: '6', also: ['maj6', 'M6'], tones: [0, 4, 7, 9] },
  { id: 'm6', also: ['min6', '-6', 'mi6'], tones: [0, 3, 7, 9] },
  { id: '7', also: ['dom7'], tones: [0, 4, 7, 10] },
  { id: 'maj7', also: ['M7', 'Δ', 'Δ7', 'j7'], tones: [0, 4, 7, 11] },
  { id: 'm7', also: ['min7', '-7', 'mi7'], tones: [0, 3, 7, 10] },
  { id: 'mmaj7', also: ['m(maj7)', 'mM7', 'minmaj7', '-Δ', '-Δ7', 'mΔ7'], tones: [0, 3, 7, 11] },
  { id: '°', also: ['dim', 'o'], tones: [0, 3, 6] },
  { id: '°7', also: ['dim7', 'o7'], tones: [0, 3, 6, 9] },
  { id: 'm7♭5', also: ['ø', 'ø7', 'min7♭5', '-7♭5', 'm7(♭5)'], tones: [0, 3, 6, 10] },
  { id: '+', also: ['aug', '♯5', '(♯5)'], tones: [0, 4, 8] },
  { id: '7♯5', also: ['+7', 'aug7', '7(♯5)'], tones: [0, 4, 8, 10] },
  { id: '7♭5', also: ['7(♭5)'], tones: [0, 4, 6, 10] },
  { id: '7♯9', also: ['7(♯9)'], tones: [0, 4, 7, 10, 3] },
  { id: '7♭9', also: ['7(♭9)'], tones: [0, 4, 7, 10, 1] },
  { id: '9', also: [], tones: [0, 4, 7, 10, 2] },
  { id: 'm9', also: ['min9', '-9'], tones: [0, 3, 7, 10, 2] },
  { id: 'maj9', also: ['M9', 'Δ9'], tones: [0, 4, 7, 11, 2] },
  { id: '6/9', also: ['69', '6(9)'], tones: [0, 4, 7, 9, 2] },
  { id: 'add9', also: ['(add9)', '(9)', 'add2'], tones: [0, 4, 7, 2] },
  { id: 'madd9', also: ['m(add9)', 'm(9)'], tones: [0, 3, 7, 2] },
  { id: '11', also: [], tones: [0, 7, 10, 2, 5] },
  { id: '13', also: [], tones: [0, 4, 7, 10, 2, 9] },
  { id: 'sus4', also: ['sus'], tones: [0, 5, 7] },
  { id: 'sus2', also: [], tones: [0, 2, 7] },
  { id: '7sus4', also: ['7sus'], tones: [0, 5, 7, 10] },
] as const;

export type QualityId = (typeof TABLE)[number]['id'];

export interface Quality {
  readonly id: QualityId;
  /** Semitones above the root, root first. */
  readonly tones: readonly number[];
}

export const QUALITIES: readonly Quality[] = Object.freeze(TABLE.map(({ id, tones }) => ({ id, tones })));

const BY_SPELLING: ReadonlyMap<string, Quality> = new Map(
  TABLE.flatMap(({ id, also, tones }) => [id, ...also].map((text) => [text, { id, tones }] as const)),
);

/** The quality of a written ending such as `m7♭5`, b and # standing for the signs; undefined for none of the table. */
export function qualityOf(text: string): Quality | undefined {
  return BY_SPELLING.get(text) ?? BY_SPELLING.get(text.replaceAll('b', '♭').replaceAll('#', '♯'));
}

/** @throws for an id of no quality */
export function qualityById(id: QualityId): Quality {
  const found = BY_SPELLING.get(id);
  if (!found) throw new Error(`qualityById: no quality ${id}`);
  return found;
}

/** True where the third is minor: a numeral is then written small. */
export function isMinor({ tones }: Quality): boolean {
  return tones.includes(3) && !tones.includes(4);
}

/** The same on a minor third, for a small numeral with an ending that does not say so: `ii7` is `2m7`. */
export function minorOf(quality: Quality): Quality {
  if (isMinor(quality)) return quality;
  return BY_SPELLING.get(`m${quality.id}`) ?? quality;
}
