import type { CarriedPart } from './carried.ts';
import type { NoteName } from '../pitch/noteName.ts';
import type { Pitch, PitchClass } from '../pitch/pitch.ts';
import type { Result } from '../result.ts';
import type { Key } from '../scale/scale.ts';
import type { ChipText } from '../scene/chip.ts';
import type { Diagram } from '../scene/diagram.ts';
import type { Scene } from '../scene/scene.ts';
import type { ChosenOptions, EffortTerm, PlayingOption, PreferencePreset, TermInfo } from './effortTerm.ts';
import type {
  Can,
  Capability,
  CapabilityGroup,
  ElementChange,
  FactTable,
  GroupOfPlaces,
  LayoutElement,
  LayoutOption,
  LayoutPreset,
  Setting,
} from './layoutPart.ts';
import type { AirKind, AirStore } from './air.ts';
import type { Figure } from './figure.ts';
import type { ChordSpelling, Spelling } from './kernel/readLoosely.ts';
import type { Timbre } from './timbre.ts';
import type {
  AirNames,
  Clash,
  Fingering,
  FingeredWay,
  Hold,
  Mark,
  PlayedHold,
  Remark,
  SettingChange,
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

/** A dialect and how one way is written in it. */
export interface TabWriter<W extends Way> extends TabDialect {
  /** @param note the name of the way's note in the key that is played */
  write(this: void, way: W, note: NoteName): string;
  /** Ways that sound together, from low to high, as players write them in one; undefined for those they do not. */
  writeChord?(this: void, ways: readonly W[]): string | undefined;
}

/** A pitch and the cents by which it is off, from −50 to 50. */
export interface TunedPitch {
  readonly pitch: Pitch;
  readonly cents: number;
}

/** What a family's code provides, closed over its own types of layout and of way. Everything is pure. */
export interface FamilyDefinition<Layout, W extends Way> {
  readonly id: string;
  /** E.g. `diatonic harmonica`. */
  readonly label: string;
  /** Undefined for families without air, or whose air turns at phrases and not at notes. */
  readonly air: AirNames | undefined;
  /** How its air comes back; nothing for strings and tongues. */
  readonly airKind?: AirKind;
  /**
   * A note goes on sounding after it is struck: by itself, whatever the hand does next, or as long as it is stopped. What
   * else sounds only sounds while something is done for it.
   */
  readonly ringsOn?: 'free' | 'stopped';
  /** Most notes that can sound at once, and why no more: `three strings, three notes`. */
  readonly mostAtOnce?: { readonly notes: number; readonly text: string };
  /**
   * It sounds a set of pitches and nothing between them: a line over all of it takes the pitches that exist, and how well a
   * key lies on it is told by pitch classes.
   */
  readonly isPitchSet?: true;
  readonly sides: SideNames;
  readonly techniques: readonly Technique[];
  /** Where pitches of techniques are the player's own: what these are called, and what lies between which of them: `bends`, `reeds`. */
  readonly ownPitches?: { readonly many: string; readonly between: string };
  /** What playing asks, one object a term. */
  readonly terms: readonly EffortTerm<Layout, W>[];
  readonly preferences: readonly PreferencePreset[];
  readonly playingOptions: readonly PlayingOption[];
  /** Every hand or finger that a route may name; empty where there is nothing to choose. */
  readonly fingerings: readonly Fingering[];
  /** The first is the usual one; ids differ. */
  readonly dialects: readonly TabWriter<W>[];
  /** What its players type otherwise than any dialect writes it. */
  readonly spellings?: readonly Spelling[];
  /** How its players type a chord as one: `-123`, `0-0-2`. */
  readonly chordSpellings?: readonly ChordSpelling[];
  readonly timbre: Timbre;
  /** Said of a pitch no way reaches: `no reed reaches it`. */
  readonly absent: string;
  /** What would have to be fitted for a pitch, where builders do: `fret 8½`; undefined for nothing. */
  wouldFit?(layout: Layout, pitch: Pitch): string | undefined;
  /** What an element is called when one is changed: `reed`. */
  readonly element: string;
  /** What is set for a key, where something is: `lever`. */
  readonly setting?: string;
  readonly presets: readonly LayoutPreset<Layout>[];

  check(layout: unknown): Result<Layout>;
  /**
   * A layout of pitches that were struck one by one, in their order; left out where pitches alone do not make an
   * instrument. Problems carry no field.
   */
  fromPitches?(pitches: readonly TunedPitch[]): Result<Layout>;
  /** The key in which a player of this instrument begins. */
  home(layout: Layout): PitchClass;
  /** Id of the scale in which its player begins there; major when left out. */
  ownScale?(layout: Layout): string;
  /**
   * Where on the instrument its players begin a scale, if not where it is easiest: concertinas and harps near middle C, a
   * harmonica in 2nd position on 2 draw.
   */
  beginsNear?(layout: Layout, key: Key): Pitch | undefined;
  /** What a key costs beside the effort of a note since players seldom take it on this instrument; 0 for the usual ones. */
  unusual?(layout: Layout, key: Key): number;
  /** E.g. `low E♭ harmonica`. */
  describe(layout: Layout): string;
  /** The preset that is usually taken in a key, where players count positions from the instrument's own. */
  presetIn?(home: PitchClass): string;
  options(layout: Layout): readonly LayoutOption[];
  withOption(layout: Layout, option: string, value: string): Layout;
  elements(layout: Layout): readonly LayoutElement[];
  withElement(layout: Layout, element: string, change: ElementChange): Layout;
  capabilityGroups(layout: Layout): readonly GroupOfPlaces[];

  /** How a layout is set before playing in a key, such as its levers; equal texts are equal settings. */
  settingFor?(layout: Layout, key: Key): string;
  /**
   * The layout so set. Ways keep their ids and pitches; a technique may change, and what a way costs only by its
   * technique: costs are worked out on one setting and used for all.
   */
  withSetting?(layout: Layout, setting: string): Layout;
  /** What is set on a layout, one entry for each thing a player sets. */
  settings?(layout: Layout): readonly Setting[];
  ways(layout: Layout, can: Can): readonly W[];
  marks?(layout: Layout): readonly Mark[];
  /**
   * Fingerings that can play a way under the chosen options; left out where there is nothing to choose.
   * @param inChord whether other notes sound along, for which both hands may be needed
   */
  fingeringsFor?(layout: Layout, way: W, options: ChosenOptions, inChord: boolean): readonly string[];

  /** Why two ways can never sound together, whatever else sounds; undefined where they can. The lower pitch comes first. */
  clash(layout: Layout, low: FingeredWay<W>, high: FingeredWay<W>): Clash | undefined;
  /** Why a whole hold, whose pairs do not clash, cannot sound. */
  holdClash?(layout: Layout, hold: Hold<W>): Clash | undefined;
  /** What a line leaves behind for later notes, if anything. */
  readonly carries?: readonly CarriedPart<W>[];
  /** What a way's note is called where no key is asked; left out where it is as in the major key of `home`. */
  nameOf?(layout: Layout, way: W): NoteName;
  /** What is set otherwise along a line that has been chosen, in the order of the notes that need it. */
  changes?(layout: Layout, line: readonly PlayedHold<W>[]): readonly SettingChange[];
  /** What to do at single notes of a line that has been chosen. */
  remarks?(layout: Layout, line: readonly PlayedHold<W>[], options: ChosenOptions): readonly Remark[];

  /** Ornaments that lie well at a way, told as players do. @param key what is touched beside it is of its scale */
  figures?(layout: Layout, way: W, ways: readonly W[], key: Key): readonly Figure<W>[];

  sideOf(layout: Layout, play: FingeredWay<W>): Side;
  /** How long the air lasts. @param options such as how long somebody's breath is */
  airStore?(layout: Layout, options: ChosenOptions): AirStore;
  /** Pitches that sound along with every note. */
  drones?(layout: Layout): readonly Pitch[];
  /** Facts about a key on this layout, such as the position, as short phrases. @param layout as it is set for the key */
  facts(layout: Layout, key: Key): readonly string[];
  tables?(layout: Layout, key: Key, ways: readonly W[]): readonly FactTable[];
  /** Cents of the layout's tuning above its lowest pitch, ascending, where a tuning is what it is. */
  tuning?(layout: Layout): readonly number[];
  /** Takes a tuning over; problems carry no field. */
  withTuning?(layout: Layout, cents: readonly number[]): Result<Layout>;

  /**
   * The shortest text that tells a way from all others on the same side: `3″`, for where the side is shown by place.
   * @param called the name of the way's note
   */
  brief(layout: Layout, way: W, called: NoteName): string;
  /** The same where no place shows the side, if the brief text does not tell it: `bass 3`. */
  briefAlone?(way: W): string;
  /**
   * Reads one note of tab; the problem's position is the index of the first wrong character. Left out, or where it gives
   * nothing, a note is looked up among what `tab` writes of all ways.
   */
  parseTab?(ways: readonly W[], text: string, dialect: string): Result<W> | undefined;
  /** The instrument as its player sees it, and where each way lies. */
  diagram(layout: Layout, ways: readonly W[]): Diagram<W>;
}

/** A layout opened for computing: the definition's functions with the layout filled in. */
export interface OpenLayout extends OwnKey {
  readonly family: Family;
  /** As stored. */
  readonly layout: unknown;
  readonly description: string;
  readonly ways: readonly Way[];
  readonly marks: readonly Mark[];
  readonly drones: readonly Pitch[];
  readonly options: readonly LayoutOption[];
  readonly elements: readonly LayoutElement[];
  readonly capabilityGroups: readonly CapabilityGroup[];
  /** Undefined where the family has no tuning of its own. */
  readonly tuning: readonly number[] | undefined;
  /** What is set on it, such as levers. */
  readonly settings: readonly Setting[];
  forKey(key: Key): OpenLayout;
  /** A way with each of its fingerings. */
  fingeredWaysOf(way: Way, options: ChosenOptions, inChord?: boolean): readonly FingeredWay[];
  /** The family's terms, and those that come from one's own instrument. */
  readonly terms: readonly EffortTerm[];
  clash(low: FingeredWay, high: FingeredWay): Clash | undefined;
  holdClash(hold: Hold): Clash | undefined;
  /** What a line leaves behind; empty where that is nothing. */
  readonly carries: readonly CarriedPart[];
  /** All of it after a hold, as one text, which terms read. @param before the same before it, '' at the start of a line */
  carry(before: string, hold: Hold): string;
  /** What of it matters to a hold. */
  heeded(carried: string, hold: Hold): string;
  wouldFit(pitch: Pitch): string | undefined;
  changes(line: readonly PlayedHold[]): readonly SettingChange[];
  remarks(line: readonly PlayedHold[], options: ChosenOptions): readonly Remark[];
  figures(way: Way, key: Key): readonly Figure[];
  sideOf(play: FingeredWay): Side;
  nameOf(way: Way): NoteName;
  /** What a player says of the key; asked of the instrument as it is set for it. */
  facts(key: Key): readonly string[];
  airStore(options: ChosenOptions): AirStore | undefined;
  beginsNear(key: Key): Pitch | undefined;
  unusual(key: Key): number;
  tables(key: Key): readonly FactTable[];
  /** @param called the name of the way's note; as the instrument's own key has it when left out */
  tab(way: Way, dialect: string, called?: NoteName): string;
  /** @param called as for `tab` */
  brief(way: Way, called?: NoteName): string;
  /** The brief text where no place shows the side. @param called as for `tab` */
  briefAlone(way: Way, called?: NoteName): string;
  parseTab(text: string, dialect: string): Result<Way>;
  /** Ways that sound together as one, in a dialect that has that; undefined elsewhere. */
  chordTab(ways: readonly Way[], dialect: string): string | undefined;
  /** The notes of a chord that is typed as one, each as tab; undefined where it is none. */
  chordTyped(text: string): readonly string[] | undefined;
  scene(chip: (way: Way) => ChipText): Scene;
  withOption(option: string, value: string): unknown;
  withElement(element: string, change: ElementChange): unknown;
  withTuning(cents: readonly number[]): Result<unknown>;
}

/** The key in which a player of an instrument begins. */
export interface OwnKey {
  readonly home: PitchClass;
  /** Id of its scale. */
  readonly ownScale: string;
}

/** What lists and links need of a layout. */
export interface Face extends OwnKey {
  /** E.g. `low E♭ harmonica`. */
  readonly description: string;
}

/** A family as everything outside its folder sees it; layouts are opaque. */
export interface Family extends Pick<
  FamilyDefinition<never, never>,
  | 'id'
  | 'label'
  | 'air'
  | 'airKind'
  | 'ringsOn'
  | 'mostAtOnce'
  | 'isPitchSet'
  | 'sides'
  | 'techniques'
  | 'ownPitches'
  | 'preferences'
  | 'playingOptions'
  | 'fingerings'
  | 'timbre'
  | 'absent'
  | 'element'
  | 'setting'
  | 'presetIn'
> {
  readonly presets: readonly LayoutPreset<unknown>[];
  readonly dialects: readonly TabDialect[];
  /** The family's own, and those that every family has. */
  readonly terms: readonly TermInfo[];
  /** What a layout is, without opening it: cheap enough for lists. Problems carry the field within the layout. */
  face(layout: unknown): Result<Face>;
  /** As the definition has it. */
  fromPitches?(pitches: readonly TunedPitch[]): Result<unknown>;
  /** Checks a stored or imported layout and opens it; problems carry the field within the layout. */
  open(layout: unknown, capability: Capability): Result<OpenLayout>;
}
