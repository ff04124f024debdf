import type { NoteName } from '../pitch/noteName.ts';
import type { Pitch, PitchClass } from '../pitch/pitch.ts';
import type { Result } from '../result.ts';
import type { Key } from '../scale/scale.ts';
import type { ChipText } from '../scene/chip.ts';
import type { Scene } from '../scene/scene.ts';
import type { EffortPart, Habit, HabitChoice, Loads, PreferencePreset } from './effortPart.ts';
import type {
  Capability,
  CapabilityGroup,
  ElementChange,
  FactTable,
  LayoutElement,
  LayoutOption,
  LayoutPreset,
  Setting,
} from './layoutPart.ts';
import type { Timbre } from './timbre.ts';
import type {
  AirNames,
  Grip,
  Mark,
  Moment,
  Play,
  PlayedNote,
  Remark,
  Side,
  SideNames,
  Technique,
  Way,
} from './way.ts';

export interface TabDialect {
  readonly id: string;
  readonly label: string;
  /** Written between two notes of a line. */
  readonly separator: string;
}

/** What a family's code provides, closed over its own types of layout and of way. Everything is pure. */
export interface FamilyDefinition<Layout, W extends Way> {
  readonly id: string;
  /** E.g. `diatonic harmonica`. */
  readonly label: string;
  /** Undefined for families without air, or whose air turns at phrases and not at notes. */
  readonly air: AirNames | undefined;
  readonly sides: SideNames;
  readonly techniques: readonly Technique[];
  readonly parts: readonly EffortPart[];
  readonly preferences: readonly PreferencePreset[];
  readonly habits: readonly Habit[];
  /** Every hand or finger that a route may name; empty where there is nothing to choose. */
  readonly grips: readonly Grip[];
  readonly dialects: readonly TabDialect[];
  readonly timbre: Timbre;
  /** Said of a pitch no way reaches: `no reed reaches it`. */
  readonly absent: string;
  /** What an element is called when one is changed: `reed`. */
  readonly element: string;
  readonly presets: readonly LayoutPreset<Layout>[];

  check(layout: unknown): Result<Layout>;
  /** The key in which a player of this instrument begins. */
  home(layout: Layout): PitchClass;
  /** E.g. `low E♭ harmonica`. */
  describe(layout: Layout): string;
  options(layout: Layout): readonly LayoutOption[];
  withOption(layout: Layout, option: string, value: string): Layout;
  elements(layout: Layout): readonly LayoutElement[];
  withElement(layout: Layout, element: string, change: ElementChange): Layout;
  capabilityGroups(layout: Layout): readonly CapabilityGroup[];

  /** How a layout is set before playing in a key, such as its levers; equal texts are equal settings. */
  settingFor?(layout: Layout, key: Key): string;
  /**
   * The layout so set. Ways keep their ids and pitches; a technique may change and with it the way's own loads, the
   * loads of steps between ways do not.
   */
  withSetting?(layout: Layout, setting: string): Layout;
  /** What is set on a layout, one entry for each thing a player sets. */
  settings?(layout: Layout): readonly Setting[];
  ways(layout: Layout, capability: Capability): readonly W[];
  marks?(layout: Layout): readonly Mark[];
  /** Grips that can play a way under the chosen habits; left out where there is nothing to choose. */
  gripsFor?(layout: Layout, way: W, habits: HabitChoice): readonly string[];
  /** Loads of sounding a way by itself. */
  wayLoads(layout: Layout, play: Play<W>, moment: Moment, habits: HabitChoice): Loads;
  /** Loads of going from one way to the next; the ways' own loads left out. */
  stepLoads(layout: Layout, from: Play<W>, to: Play<W>, moment: Moment, habits: HabitChoice): Loads;
  /** What of a moment those loads hang on, as a text; left out where a step is the same at every moment. */
  stepsHangOn?(moment: Moment): string;
  /** What a way's note is called where no key is asked; left out where it is as in the major key of `home`. */
  nameOf?(layout: Layout, way: W): NoteName;
  /** What to do at single notes of a line that has been chosen. */
  remarks?(layout: Layout, line: readonly PlayedNote<W>[]): readonly Remark[];

  sideOf(layout: Layout, play: Play<W>): Side;
  /** Beats of air in one direction before the store is full or empty; undefined where it is not limited. */
  airCapacity?(layout: Layout): number | undefined;
  /** Pitches that sound along with every note. */
  drones?(layout: Layout): readonly Pitch[];
  /** Facts about a key on this layout, such as the position, as short phrases. */
  facts(layout: Layout, key: Key): readonly string[];
  tables?(layout: Layout, key: Key, ways: readonly W[]): readonly FactTable[];
  /** Cents of the layout's tuning above its lowest pitch, ascending, where a tuning is what it is. */
  tuning?(layout: Layout): readonly number[];
  /** Takes a tuning over; problems carry no field. */
  withTuning?(layout: Layout, cents: readonly number[]): Result<Layout>;

  /** @param called the name of the way's note */
  tab(layout: Layout, way: W, dialect: string, called: NoteName): string;
  /** The shortest text that tells a way from all others on the same side: `3″`, for where the side is shown by place. */
  brief(layout: Layout, way: W): string;
  /** Reads one note of tab; the problem's position is the index of the first wrong character. @param write the family's own tab */
  parseTab(
    layout: Layout,
    ways: readonly W[],
    text: string,
    dialect: string,
    write: (way: W, dialect: string) => string,
  ): Result<W>;
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
  readonly drones: readonly Pitch[];
  readonly airCapacity: number | undefined;
  readonly options: readonly LayoutOption[];
  readonly elements: readonly LayoutElement[];
  readonly capabilityGroups: readonly CapabilityGroup[];
  /** Undefined where the family has no tuning of its own. */
  readonly tuning: readonly number[] | undefined;
  /** What is set on it, such as levers. */
  readonly settings: readonly Setting[];
  forKey(key: Key): OpenLayout;
  /** Every way to hold a way: itself with each of its grips. */
  playsOf(way: Way, habits: HabitChoice): readonly Play[];
  wayLoads(play: Play, moment: Moment, habits: HabitChoice): Loads;
  stepLoads(from: Play, to: Play, moment: Moment, habits: HabitChoice): Loads;
  remarks(line: readonly PlayedNote[]): readonly Remark[];
  sideOf(play: Play): Side;
  nameOf(way: Way): NoteName;
  facts(key: Key): readonly string[];
  tables(key: Key): readonly FactTable[];
  tab(way: Way, dialect: string): string;
  brief(way: Way): string;
  parseTab(text: string, dialect: string): Result<Way>;
  scene(chip: (way: Way) => ChipText): Scene;
  withOption(option: string, value: string): unknown;
  withElement(element: string, change: ElementChange): unknown;
  withTuning(cents: readonly number[]): Result<unknown>;
}

/** A family as everything outside its folder sees it; layouts are opaque. */
export interface Family extends Pick<
  FamilyDefinition<never, never>,
  | 'id'
  | 'label'
  | 'air'
  | 'sides'
  | 'techniques'
  | 'parts'
  | 'preferences'
  | 'habits'
  | 'grips'
  | 'dialects'
  | 'timbre'
  | 'absent'
  | 'element'
  | 'stepsHangOn'
> {
  readonly presets: readonly LayoutPreset<unknown>[];
  /** Checks a stored or imported layout and opens it; problems carry the field within the layout. */
  open(layout: unknown, capability: Capability): Result<OpenLayout>;
}
