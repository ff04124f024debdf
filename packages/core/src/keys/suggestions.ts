import { familyById } from '../families/index.ts';
import {
  openInstrument,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
} from '../instrument/instrument.ts';
import { defaultPreferences } from '../route/preferences.ts';
import type { Key } from '../scale/scale.ts';
import { withSetting, type Adjusted, type Adjustment } from './adjusted.ts';
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

/** Most combinations of an instrument's quick options that are tried. */
const VARIANTS = 160;

/**
 * What an instrument offers for a key: first as it stands, then the best it can be brought to without a workshop, where
 * that gives octaves or notes that are lacking. Nobody retunes for a little less effort.
 */
export function suggestionsFor(instrument: Instrument, key: Key): readonly Suggestion[] {
  const standing = suggestion(instrument, key, [], []);
  const variants = variantsOf(instrument).map((variant) =>
    suggestion(variant.instrument, key, variant.settings, variant.todo),
  );
  const [better] = rankSuggestions(variants.filter(({ cell }) => gives(cell, standing.cell)));
  return better ? [standing, better] : [standing];
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
  const contextFor = contextsFor(defaultPreferences(instrument.family));
  const set = instrument.forKey(key).settings.map((setting) => setting.on);
  return {
    spec: instrument.spec,
    settings,
    todo: [...todo, ...set],
    cell: keyCell(instrument, key, contextFor),
  };
}

interface Variant extends Adjusted {
  readonly settings: readonly Adjustment[];
}

/** Every combination of the options that take no workshop, the present one left out. */
function variantsOf(instrument: Instrument): readonly Variant[] {
  let variants: readonly Variant[] = [{ instrument, settings: [], todo: [] }];
  for (const { id, value, choices } of instrument.options.filter((option) => option.retune))
    variants = variants.flatMap((variant) =>
      choices.slice(0, VARIANTS).flatMap((choice) => {
        if (choice.id === value) return [variant];
        const setting = { option: id, choice: choice.id };
        const next = withSetting(variant, setting);
        return next.ok ? [{ ...next.value, settings: [...variant.settings, setting] }] : [];
      }),
    );
  return variants.filter((variant) => variant.settings.length > 0).slice(0, VARIANTS);
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
  return [...suggestions].sort((a, b) => {
    const other = ranks(b);
    return ranks(a).reduce((order, rank, i) => order || rank - other[i]!, 0);
  });
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
