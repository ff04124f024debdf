import { openInstrument, type Instrument } from '../instrument/instrument.ts';
import { withLayout } from '../instrument/withLayout.ts';
import { fail, ok, shown, type Result } from '../result.ts';
import { withArticle } from '../words.ts';

/** An option of a layout set for the time being, such as a capo on fret 3. */
export interface Adjustment {
  readonly option: string;
  readonly choice: string;
}

/** An instrument as it would be, and what its player does to bring it there. */
export interface Adjusted {
  readonly instrument: Instrument;
  /** Empty when it stands so already. */
  readonly todo: readonly string[];
  /** How many strings, or other parts, are touched for it, and by how many semitones together. */
  readonly parts: number;
  readonly semitones: number;
}

/** An instrument as it is. */
export function unadjusted(instrument: Instrument): Adjusted {
  return { instrument, todo: [], parts: 0, semitones: 0 };
}

/**
 * The instrument with options set that take no workshop, one after the other. What was measured goes along with its way;
 * what was chosen too, the first of two ways that now sound the same pitch. Problem fields: `option`, `choice`.
 */
export function adjusted(instrument: Instrument, settings: readonly Adjustment[]): Result<Adjusted> {
  let reached: Result<Adjusted> = ok(unadjusted(instrument));
  for (const setting of settings) {
    if (!reached.ok) return reached;
    reached = withSetting(reached.value, setting);
  }
  return reached;
}

/** One more option set. */
export function withSetting(before: Adjusted, { option: id, choice }: Adjustment): Result<Adjusted> {
  const { instrument, todo, parts, semitones } = before;
  const option = instrument.options.find((o) => o.id === id);
  if (!option?.retune)
    return fail({
      field: 'option',
      wrong: shown(id),
      message: `“${shown(id)}” cannot be changed on the spot on ${withArticle(instrument.family.label)}.`,
    });
  if (!option.choices.some((c) => c.id === choice))
    return fail({
      field: 'choice',
      wrong: shown(choice),
      message: `${option.label}: “${shown(choice)}” is not among the choices.`,
    });
  if (choice === option.value) return ok(before);
  const step = option.retune(choice);
  if (step === undefined)
    return fail({
      field: 'choice',
      wrong: shown(choice),
      message: `${option.label}: “${shown(choice)}” is more than a string bears.`,
    });
  const opened = openInstrument(withLayout(instrument, instrument.withOption(id, choice)));
  if (!opened.ok) return opened;
  return ok({
    instrument: opened.value,
    todo: [...todo, step.words],
    parts: parts + step.parts,
    semitones: semitones + step.semitones,
  });
}

/** An instrument set otherwise, and by what. */
export interface Variant extends Adjusted {
  readonly settings: readonly Adjustment[];
}

/** Most combinations of an instrument's quick options that are tried. */
const VARIANTS = 160;

/** Every combination of the options that take no workshop, the present one left out. @param most options set at once */
export function variantsOf(instrument: Instrument, most = Infinity): readonly Variant[] {
  let variants: readonly Variant[] = [{ ...unadjusted(instrument), settings: [] }];
  for (const { id, value, choices } of instrument.options.filter((option) => option.retune))
    variants = variants.flatMap((variant) =>
      choices.slice(0, VARIANTS).flatMap((choice) => {
        if (choice.id === value) return [variant];
        if (variant.settings.length >= most) return [];
        const setting = { option: id, choice: choice.id };
        const next = withSetting(variant, setting);
        return next.ok ? [{ ...next.value, settings: [...variant.settings, setting] }] : [];
      }),
    );
  return variants.filter((variant) => variant.settings.length > 0).slice(0, VARIANTS);
}
