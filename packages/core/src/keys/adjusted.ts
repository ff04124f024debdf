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
}

/**
 * The instrument with options set that take no workshop, one after the other. What was measured goes along with its way;
 * what was chosen too, the first of two ways that now sound the same pitch. Problem fields: `option`, `choice`.
 */
export function adjusted(instrument: Instrument, settings: readonly Adjustment[]): Result<Adjusted> {
  let reached: Result<Adjusted> = ok({ instrument, todo: [] });
  for (const setting of settings) {
    if (!reached.ok) return reached;
    reached = withSetting(reached.value, setting);
  }
  return reached;
}

/** One more option set. */
export function withSetting(
  { instrument, todo }: Adjusted,
  { option: id, choice }: Adjustment,
): Result<Adjusted> {
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
  if (choice === option.value) return ok({ instrument, todo });
  const step = option.retune(choice);
  if (step === undefined)
    return fail({
      field: 'choice',
      wrong: shown(choice),
      message: `${option.label}: “${shown(choice)}” is more than a string bears.`,
    });
  const opened = openInstrument(withLayout(instrument, instrument.withOption(id, choice)));
  return opened.ok ? ok({ instrument: opened.value, todo: [...todo, step] }) : opened;
}
