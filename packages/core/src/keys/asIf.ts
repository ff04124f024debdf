import { familyById } from '../families/index.ts';
import { openInstrument, type InstrumentSpec } from '../instrument/instrument.ts';
import { fail, ok, shown, type Result } from '../result.ts';

/** An option of a layout set for the time being, such as a capo on fret 3. */
export interface QuickSetting {
  readonly option: string;
  readonly choice: string;
}

/** An instrument as it would be, and what its player does to bring it there. */
export interface AsIf {
  readonly spec: InstrumentSpec;
  /** Empty when it stands so already. */
  readonly todo: readonly string[];
}

/**
 * The instrument with options set that take no workshop, one after the other. What was measured goes along with its way;
 * what was chosen too, unless two ways chosen now sound the same pitch. Problem fields: `option`, `choice`, or those of a wrong instrument.
 */
export function asIf(spec: InstrumentSpec, settings: readonly QuickSetting[]): Result<AsIf> {
  let reached: AsIf = { spec, todo: [] };
  for (const setting of settings) {
    const next = oneMore(reached, setting);
    if (!next.ok) return next;
    reached = next.value;
  }
  return ok(reached);
}

function oneMore({ spec, todo }: AsIf, { option: id, choice }: QuickSetting): Result<AsIf> {
  const opened = openInstrument(spec);
  if (!opened.ok) return opened;
  const option = opened.value.options.find((o) => o.id === id);
  if (!option?.retune)
    return fail({
      field: 'option',
      wrong: shown(id),
      message: `“${shown(id)}” cannot be changed on the spot on a ${familyById(spec.family)!.label}.`,
    });
  if (!option.choices.some((c) => c.id === choice))
    return fail({
      field: 'choice',
      wrong: shown(choice),
      message: `${option.label}: “${shown(choice)}” is not among the choices.`,
    });
  if (choice === option.value) return ok({ spec, todo });
  const changed = { ...spec, layout: opened.value.withOption(id, choice) };
  const stillFits = openInstrument(changed).ok;
  return ok({
    spec: stillFits ? changed : { ...changed, choices: [] },
    todo: [...todo, option.retune(choice)],
  });
}
