import type { Key } from '../scale/scale.ts';
import type { Pitch, PitchClass } from '../pitch/pitch.ts';
import { ok, type Result } from '../result.ts';
import type { ChipText } from '../scene/chip.ts';
import type { Scene } from '../scene/scene.ts';

/** Breath or bellows: out (blow, push) or in (draw, pull). */
export type Air = 'out' | 'in';

/** How a family's players name the two directions of air, and what fills. */
export interface AirNames {
  readonly out: string;
  readonly in: string;
  /** Where the air gathers: `lungs`, `bellows`. */
  readonly store: string;
}

/** One physical way to sound one pitch. */
export interface Way {
  /** Stable within the family, e.g. `3d2` for hole 3 draw bent two semitones. */
  readonly id: string;
  readonly pitch: Pitch;
  readonly technique: string;
  /** The hole, button, string … it is played on, as the player names it. */
  readonly place: string;
  readonly air: Air | undefined;
  /** In words, e.g. `3 draw bent 2`. */
  readonly words: string;
  /** False when this instrument or its player cannot do it. */
  readonly able: boolean;
  /** Id of an easier way to the same pitch, for techniques that are only worth it when they add a pitch. */
  readonly duplicateOf: string | undefined;
}

/** Something the player hears but no pitch to plan with, such as a reed that only dips by under a semitone. */
export interface Mark {
  readonly id: string;
  readonly pitch: Pitch;
  /** Deviation at its end, in cents. */
  readonly cents: number;
  readonly words: string;
}

/** The class a way belongs to, from the easiest to the hardest in a family's list. */
export interface Technique {
  readonly id: string;
  /** Plural, for headings: `bends`. */
  readonly label: string;
  /** With article, after “needs”: `an overblow`. */
  readonly needs: string;
  /** True when an average pupil can rely on it. */
  readonly safe: boolean;
  /** Said when a route uses it. */
  readonly caution?: string;
}

/** A part of the effort that a player can feel. */
export interface EffortPart {
  readonly id: string;
  readonly label: string;
  /** `notes`: the number shown counts the notes it falls on; `sum`: it is the sum of the loads. */
  readonly tally: 'notes' | 'sum';
  readonly about: string;
}

/** Loads in the order of the family's parts; each finite and not negative. */
export type Loads = readonly number[];

/** When a note sounds. */
export interface Moment {
  /** Length in beats. */
  readonly beats: number;
  /** Beats since the line's start. */
  readonly start: number;
}

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
  /** True when the preset is about using the whole reach. */
  readonly wholeReach?: boolean;
}

export interface TabDialect {
  readonly id: string;
  readonly label: string;
  /** Written between two notes of a line. */
  readonly separator: string;
}

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

/** A layout property with a short list of values: key, tuning … */
export interface LayoutOption {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  readonly choices: readonly { readonly id: string; readonly label: string; readonly group?: string }[];
}

/** A part of the layout with a pitch of its own: a reed, a string … */
export interface LayoutElement {
  /** Also the field path of problems with it. */
  readonly id: string;
  readonly label: string;
  /** Row and column in a table of elements. */
  readonly row: string;
  readonly column: string;
  readonly pitch: Pitch;
  /** True when it differs from the tuning the layout is named after. */
  readonly changed: boolean;
}

/** A preset in the cabinet's list. */
export interface LayoutPreset<Layout> {
  readonly id: string;
  readonly label: string;
  readonly group: string;
  readonly layout: Layout;
}

/** What a family's code provides, closed over its own types of layout and of way. */
export interface FamilyDefinition<Layout, W extends Way> {
  readonly id: string;
  /** E.g. `diatonic harmonica`. */
  readonly label: string;
  /** Undefined for families without air. */
  readonly air: AirNames | undefined;
  readonly techniques: readonly Technique[];
  readonly parts: readonly EffortPart[];
  readonly preferences: readonly PreferencePreset[];
  readonly habits: readonly Habit[];
  readonly dialects: readonly TabDialect[];
  /** Said of a pitch no way reaches: `no reed reaches it`. */
  readonly absent: string;
  readonly presets: readonly LayoutPreset<Layout>[];
  check(layout: unknown): Result<Layout>;
  /** The key in which a player of this instrument begins. */
  home(layout: Layout): PitchClass;
  /** E.g. `low E♭ harmonica`. */
  describe(layout: Layout): string;
  options(layout: Layout): readonly LayoutOption[];
  withOption(layout: Layout, option: string, value: string): Layout;
  elements(layout: Layout): readonly LayoutElement[];
  withElement(layout: Layout, element: string, pitch: Pitch): Layout;
  capabilityGroups(layout: Layout): readonly CapabilityGroup[];
  ways(layout: Layout, capability: Capability): readonly W[];
  marks(layout: Layout): readonly Mark[];
  /** Loads of sounding a way by itself. */
  wayLoads(layout: Layout, way: W, moment: Moment, habits: HabitChoice): Loads;
  /** Loads of going from one way to the next; the ways' own loads left out. */
  stepLoads(layout: Layout, from: W, to: W, moment: Moment, habits: HabitChoice): Loads;
  /** Facts about a key on this layout, such as the position, as short phrases. */
  facts(layout: Layout, key: Key): readonly string[];
  tab(layout: Layout, way: W, dialect: string): string;
  /** The shortest text that tells a way from all others in the same air: `3″`, for where the air is shown by place. */
  brief(layout: Layout, way: W): string;
  /** Reads one note of tab; the problem's position is the index of the first wrong character. */
  parseTab(layout: Layout, ways: readonly W[], text: string, dialect: string): Result<W>;
  scene(layout: Layout, ways: readonly W[], chip: (way: W) => ChipText): Scene;
}

/** A layout opened for computing: the definition's functions with the layout filled in. */
export interface OpenLayout {
  readonly family: Family;
  /** As stored. */
  readonly layout: unknown;
  readonly description: string;
  readonly home: PitchClass;
  readonly ways: readonly Way[];
  readonly marks: readonly Mark[];
  readonly options: readonly LayoutOption[];
  readonly elements: readonly LayoutElement[];
  readonly capabilityGroups: readonly CapabilityGroup[];
  wayLoads(way: Way, moment: Moment, habits: HabitChoice): Loads;
  stepLoads(from: Way, to: Way, moment: Moment, habits: HabitChoice): Loads;
  facts(key: Key): readonly string[];
  tab(way: Way, dialect: string): string;
  brief(way: Way): string;
  parseTab(text: string, dialect: string): Result<Way>;
  scene(chip: (way: Way) => ChipText): Scene;
  withOption(option: string, value: string): unknown;
  withElement(element: string, pitch: Pitch): unknown;
}

/** A family as everything outside its folder sees it; layouts are opaque. */
export interface Family extends Pick<
  FamilyDefinition<never, never>,
  'id' | 'label' | 'air' | 'techniques' | 'parts' | 'preferences' | 'habits' | 'dialects' | 'absent'
> {
  readonly presets: readonly LayoutPreset<unknown>[];
  /** Checks a stored or imported layout and opens it; problems carry the field within the layout. */
  open(layout: unknown, capability: Capability): Result<OpenLayout>;
}

/** Closes a definition over its own types, so that the list of families needs no type of any one of them. */
export function defineFamily<Layout, W extends Way>(definition: FamilyDefinition<Layout, W>): Family {
  const family: Family = { ...definition, open };
  return Object.freeze(family);

  function open(stored: unknown, capability: Capability): Result<OpenLayout> {
    const checked = definition.check(stored);
    if (!checked.ok) return checked;
    const layout = checked.value;
    const ways = definition.ways(layout, capability);
    const byId = new Map(ways.map((way) => [way.id, way]));
    const own = (way: Way): W => {
      const found = byId.get(way.id);
      if (!found) throw new Error(`${definition.id}: there is no way ${way.id} on this layout`);
      return found;
    };
    return ok({
      family,
      layout,
      home: definition.home(layout),
      description: definition.describe(layout),
      ways,
      marks: definition.marks(layout),
      options: definition.options(layout),
      elements: definition.elements(layout),
      capabilityGroups: definition.capabilityGroups(layout),
      wayLoads: (way, moment, habits) => definition.wayLoads(layout, own(way), moment, habits),
      stepLoads: (from, to, moment, habits) =>
        definition.stepLoads(layout, own(from), own(to), moment, habits),
      facts: (key) => definition.facts(layout, key),
      tab: (way, dialect) => definition.tab(layout, own(way), dialect),
      brief: (way) => definition.brief(layout, own(way)),
      parseTab: (text, dialect) => definition.parseTab(layout, ways, text, dialect),
      scene: (chip) => definition.scene(layout, ways, chip),
      withOption: (option, value) => definition.withOption(layout, option, value),
      withElement: (element, pitch) => definition.withElement(layout, element, pitch),
    });
  }
}
