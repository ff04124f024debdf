import { familyById } from '../families/index.ts';
import {
  openInstrument,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
} from '../instrument/instrument.ts';
import { defaultPreferences } from '../route/preferences.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import { variantsOf, type Adjustment } from './adjusted.ts';
import { byEase, contextsFor, keyCell, type KeyCell } from './keyCell.ts';

/** One instrument for a key, and what must be done first. */
export interface Suggestion {
  /** Of the instrument as it would then be; its name is the instrument's own. */
  readonly spec: InstrumentSpec;
  /** Options to set first that a link can name; empty when it stands so. Levers for a key are not among them. */
  readonly settings: readonly Adjustment[];
  /** Steps without a workshop, empty when it can be played as it is. */
  readonly todo: readonly string[];
  readonly cell: KeyCell;
}

/**
 * What an instrument offers for a key: first as it stands, then the best it can be brought to without a workshop, where
 * that gives octaves or notes that are lacking: home on the lowest drone first, then fewest strings touched. Nobody retunes
 * for a little less effort.
 */
export function suggestionsFor(instrument: Instrument, key: Key): readonly Suggestion[] {
  const standing = suggestion(instrument, key, [], []);
  const better = variantsOf(instrument)
    .map((variant) => ({
      variant,
      offered: suggestion(variant.instrument, key, variant.settings, variant.todo),
    }))
    .filter(({ offered }) => gives(offered.cell, standing.cell));
  const order = rankSuggestions(better.map(({ offered }) => offered));
  const ranks = ({ variant, offered }: (typeof better)[number]) => [
    isHomeLowest(variant.instrument, key) ? 0 : 1,
    variant.settings.length,
    variant.parts,
    order.indexOf(offered),
    variant.semitones,
  ];
  const [best] = better.sort((a, b) => compareRanks(ranks(a), ranks(b)));
  return best ? [standing, best.offered] : [standing];
}

/** Whether the lowest of the strings that drone is home; true where none does. */
function isHomeLowest({ drones }: Instrument, key: Key): boolean {
  const [lowest] = drones;
  return lowest === undefined || aboveHome(key, lowest) === 0;
}

function compareRanks(one: readonly number[], other: readonly number[]): number {
  return one.reduce((order, rank, i) => order || rank - other[i]!, 0);
}

/** Whether a cell has whole octaves, and more of them or of the notes than another. */
function gives(cell: KeyCell, standing: KeyCell): boolean {
  const more = cell.octaves.length - standing.octaves.length;
  return cell.octaves.length > 0 && (more > 0 || (more === 0 && cell.have > standing.have));
}

function suggestion(
  instrument: Instrument,
  key: Key,
  settings: readonly Adjustment[],
  todo: readonly string[],
): Suggestion {
  const contextFor = contextsFor(defaultPreferences(instrument.family), { isRough: true });
  const set = instrument.forKey(key).settings.map((setting) => setting.on);
  return {
    spec: instrument.spec,
    settings,
    todo: [...todo, ...set],
    cell: keyCell(instrument, key, contextFor),
  };
}

/** All instruments for a key, best first; each at most twice. */
export function everythingFor(instruments: readonly Instrument[], key: Key): readonly Suggestion[] {
  return rankSuggestions(instruments.flatMap((instrument) => suggestionsFor(instrument, key)));
}

/** What it counts, beside the effort of a note, that an instrument must be set first. */
const PER_SETTING = 0.5;

/**
 * The same suggestions, best first: those on which the key lies first, then by the techniques that cannot be relied on, since
 * effort alone does not compare one family with another; one that needs no setting before one that is hardly easier.
 */
export function rankSuggestions<S extends Suggestion>(suggestions: readonly S[]): readonly S[] {
  const ranks = ({ cell, settings, todo }: S) => {
    const octave = cell.best === undefined ? undefined : cell.octaves[cell.best];
    return [
      cell.lies ? 0 : 1,
      octave?.hard.length ?? 0,
      cell.ease + PER_SETTING * settings.length,
      todo.length,
    ];
  };
  return [...suggestions].sort((a, b) => compareRanks(ranks(a), ranks(b)));
}

/** Every preset of a family for a key, best first: which one to pick up or to buy. */
export function presetsFor(
  familyId: string,
  key: Key,
): readonly (Suggestion & { readonly preset: string; readonly label: string })[] {
  const family = familyById(familyId);
  if (!family) throw new Error(`presetsFor: no family ${familyId}`);
  return family.presets
    .map((preset) => {
      const opened = openInstrument(specFromPreset(familyId, preset.id));
      if (!opened.ok) throw new Error(`presetsFor: preset ${preset.id} is wrong`);
      return { ...suggestion(opened.value, key, [], []), preset: preset.id, label: preset.label };
    })
    .sort((a, b) => byEase(a.cell, b.cell));
}
