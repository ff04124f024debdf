/** A part of the effort that a player can feel. */
export interface EffortPart {
  readonly id: string;
  readonly label: string;
  /** `notes`: the number shown counts the notes it falls on; `sum`: it is the sum of the loads. */
  readonly tally: 'notes' | 'sum';
  readonly about: string;
  /** Weight where a preset names none; 0 when left out. */
  readonly weight?: number;
}

/** Loads in the order of the family's parts, those left out at the end being 0; each finite and not negative. */
export type Loads = readonly number[];

/** A choice of school, such as which of two equal ways is preferred. */
export interface Habit {
  readonly id: string;
  readonly label: string;
  /** The first option is the default. */
  readonly options: readonly { readonly id: string; readonly label: string }[];
}

export type HabitChoice = Readonly<Record<string, string>>;

/** Named weights, one per part; `avoid` lists techniques that are not used at all. */
export interface PreferencePreset {
  readonly id: string;
  /** Fits after “with” in the ask line: `smoothest air`. */
  readonly label: string;
  readonly about: string;
  readonly weights: Readonly<Record<string, number>>;
  readonly avoid: readonly string[];
  /** Habits that belong to the school; the user's own choice goes before. */
  readonly habits?: HabitChoice;
  /** True when the preset is about using the whole reach. */
  readonly wholeReach?: boolean;
}

/** Makes a family's function from values by part to loads in the order of its parts; what is left out is 0. */
export function loader<Id extends string>(parts: readonly { readonly id: Id }[]) {
  const ids = parts.map((part) => part.id);
  return (values: Partial<Record<Id, number>>): Loads => {
    const loads: number[] = [];
    for (let i = 0; i < ids.length; i += 1) loads.push(values[ids[i]!] ?? 0);
    return loads;
  };
}
