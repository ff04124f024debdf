import type { NoteName } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';

/** Which places can do a group of techniques; stored as lists of places. */
export interface CapabilityGroup {
  readonly id: string;
  readonly label: string;
  readonly about: string;
  /** Places where it is physically possible on this layout. */
  readonly places: readonly string[];
  readonly byDefault: readonly string[];
}

export type Capability = Readonly<Record<string, readonly string[]>>;

/** A group as a family tells it; left out, `byDefault` is all places. */
export type GroupOfPlaces = Omit<CapabilityGroup, 'byDefault'> & Partial<Pick<CapabilityGroup, 'byDefault'>>;

/** Whether a place can do what its group is about. */
export type Can = (group: string, place: string) => boolean;

/** A layout property with a short list of values: key, tuning … */
export interface LayoutOption {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  readonly choices: readonly { readonly id: string; readonly label: string; readonly group?: string }[];
  /**
   * What a player must do to change it without a workshop; undefined for a value that the instrument does not bear, and
   * altogether where it takes a workshop.
   */
  readonly retune?: (value: string) => Retuning | undefined;
}

/** What is done to set an instrument otherwise. */
export interface Retuning {
  /** `put the capo on fret 3`. */
  readonly words: string;
  /** How many strings, or other parts, are touched, and by how many semitones together. */
  readonly parts: number;
  readonly semitones: number;
}

/** A property of an element beside its pitch. */
export type ElementValue =
  | { readonly kind: 'flag'; readonly id: string; readonly label: string; readonly value: boolean }
  | { readonly kind: 'text'; readonly id: string; readonly label: string; readonly value: string }
  | {
      readonly kind: 'number';
      readonly id: string;
      readonly label: string;
      readonly value: number;
      readonly lowest: number;
      readonly highest: number;
      readonly step: number;
    };

/** A part of the layout that can be changed by itself: a reed, a string, a fret … */
export interface LayoutElement {
  /** Also the field path of problems with it. */
  readonly id: string;
  readonly label: string;
  /** Which table it stands in, where there are several, such as `left hand`. */
  readonly table?: string;
  /** Row and column in a table of elements. */
  readonly row: string;
  readonly column: string;
  /** Undefined for a part without a pitch of its own, such as a fret. */
  readonly pitch: Pitch | undefined;
  /** What its players call that pitch; left out where it is as in the instrument's own key. */
  readonly called?: NoteName;
  readonly values: readonly ElementValue[];
  /** True when it differs from the layout's named plan. */
  readonly changed: boolean;
}

/** A change of one element. */
export interface ElementChange {
  readonly pitch?: Pitch;
  readonly values?: Readonly<Record<string, number | boolean | string>>;
}

/** Something set for a key, such as a lever, and what a player does to set it and to take it back. */
export interface Setting {
  readonly id: string;
  readonly on: string;
  readonly off: string;
}

/** A preset in the cabinet's list. */
export interface LayoutPreset<Layout> {
  readonly id: string;
  readonly label: string;
  readonly group: string;
  readonly layout: Layout;
}

/** Facts of a layout in rows and columns, such as what each tongue gives as home. */
export interface FactTable {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly columns: readonly string[];
  readonly rows: readonly { readonly cells: readonly string[]; readonly wayIds?: readonly string[] }[];
}
