import * as v from 'valibot';
import { FAMILY_IDS, familyById } from '../families/index.ts';
import type { OpenLayout } from '../families/contract.ts';
import type { Capability } from '../families/layoutPart.ts';
import type { Way } from '../families/way.ts';
import { A4, choiceProblems, MEASURED, stillMeasured } from './personal.ts';
import { withPersonalTerms } from './personalTerms.ts';
import type { Key } from '../scale/scale.ts';
import { STANDARD_A4 } from '../pitch/pitch.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { byId, checkedElsewhere, fields, list, oneOf, parse, typedText } from '../schema.ts';

/** Fields of an instrument with entries of their own, by place or technique, which two may change side by side. */
export const FIELDS_OF_ENTRIES = ['measured', 'capability'] as const;

export const NAME_LIMIT = 120;
export const NOTES_LIMIT = 4000;

/** Name of a record. */
export const NAME = typedText('A name', NAME_LIMIT, 1);

/** Id of a family. */
export const FAMILY = v.pipe(
  oneOf(FAMILY_IDS, ({ input }) => {
    return `There is no family “${shown(input)}”. Known: ${FAMILY_IDS.join(', ')}.`;
  }),
  v.transform((family): string => family),
);

export const INSTRUMENT = fields({
  family: FAMILY,
  name: NAME,
  /** Opaque outside the family's folder. */
  layout: checkedElsewhere(),
  /** Places where each group of techniques works; a group left out has the family's default. */
  capability: v.exactOptional(
    byId(
      list(v.string('A place is named by a text.'), 1_000, 0, 'This must be a list of places.'),
      100,
      'Techniques must be lists of places.',
    ),
    {},
  ),
  /** Pitch standard: Hz of A4. */
  a4: v.exactOptional(A4, STANDARD_A4),
  notes: v.exactOptional(typedText('Notes', NOTES_LIMIT), ''),
  /** What was measured, by way id; each is kept only as long as its way sounds the pitch it was measured at. */
  measured: v.exactOptional(MEASURED, {}),
  /** Ids of the ways chosen for their pitch, at most one a pitch. */
  choices: v.exactOptional(list(v.string(), 1_000, 0, 'Choices must be a list of ways.'), []),
});

/** One real object in somebody's hands, as it is stored and exchanged. */
export interface InstrumentSpec extends v.InferOutput<typeof INSTRUMENT> {}

/** A stored instrument opened for computing. */
export interface Instrument extends OpenLayout {
  readonly spec: InstrumentSpec;
  /** As the layout is set before playing in a key. */
  forKey(key: Key): Instrument;
  /** Cents a way is known to be off: as measured, or else as the layout has it. */
  centsOf(way: Way): number;
}

/** A new instrument of a family's preset, named after it. @throws on an unknown family or preset */
export function specFromPreset(familyId: string, presetId: string): InstrumentSpec {
  const preset = familyById(familyId)?.presets.find((p) => p.id === presetId);
  if (!preset) throw new Error(`specFromPreset: no preset ${presetId} of family ${familyId}`);
  return specFromLayout(familyId, preset.layout);
}

/** A new instrument of a layout, named after what it is. @throws on an unknown family or a wrong layout */
export function specFromLayout(familyId: string, layout: unknown): InstrumentSpec {
  const opened = familyById(familyId)?.open(layout, {});
  if (!opened) throw new Error(`specFromLayout: no family ${familyId}`);
  if (!opened.ok) throw new Error(`a layout of ${familyId} is wrong: ${opened.problems[0]!.message}`);
  return {
    family: familyId,
    name: opened.value.description,
    layout,
    capability: {},
    a4: STANDARD_A4,
    notes: '',
    measured: {},
    choices: [],
  };
}

/** Checks what came from outside and opens it. Problem fields: `name`, `a4`, `layout.draw.4`, `capability.overblow` … */
export function openInstrument(stored: unknown): Result<Instrument> {
  const parsed = parse(INSTRUMENT, stored);
  if (!parsed.ok) return fail(...parsed.problems, ...layoutProblems(stored));
  const { family, layout, capability, measured, choices } = parsed.value;
  const opened = familyById(family)!.open(layout, capability);
  if (!opened.ok) return fail(...under('layout', opened.problems));
  const problems = [...placeProblems(opened.value, capability), ...choiceProblems(opened.value, choices)];
  if (problems.length > 0) return fail(...problems);
  const spec = {
    ...parsed.value,
    layout: opened.value.layout,
    measured: stillMeasured(opened.value, measured),
  };
  return ok(personal(opened.value, spec));
}

/** What is wrong with the layout of an instrument of which something else is wrong too. */
function layoutProblems(stored: unknown): readonly Problem[] {
  if (!isRecord(stored) || !('layout' in stored)) return [];
  const opened = familyById(String(stored['family']))?.open(stored['layout'], {});
  return !opened || opened.ok ? [] : under('layout', opened.problems);
}

/** A layout with what is known of this one object put to it. */
function personal(opened: OpenLayout, spec: InstrumentSpec): Instrument {
  const settled = new Map<OpenLayout, Instrument>();
  const centsOf = (way: Way) => spec.measured[way.id]?.cents ?? way.cents ?? 0;
  return {
    ...opened,
    terms: withPersonalTerms(opened.terms, opened.family.terms, opened.ways, centsOf, spec.choices),
    spec,
    centsOf,
    forKey(key) {
      const set = opened.forKey(key);
      if (set === opened) return this;
      const known = settled.get(set) ?? personal(set, spec);
      settled.set(set, known);
      return known;
    },
  };
}

function placeProblems(opened: OpenLayout, capability: Capability): Problem[] {
  return Object.entries(capability).flatMap(([id, places]): Problem[] => {
    const group = opened.capabilityGroups.find((g) => g.id === id);
    if (!group)
      return [
        { field: `capability.${id}`, wrong: id, message: `There is no technique “${shown(id)}” here.` },
      ];
    // A place that no way uses for the time being, such as a fret behind the capo, is there all the same.
    const known = new Set([...group.places, ...opened.ways.map((way) => way.place)]);
    const elsewhere = places.filter((place) => !known.has(place));
    if (elsewhere.length === 0) return [];
    const message = `There is no place “${shown(elsewhere[0])}” on this instrument.`;
    return [{ field: `capability.${id}`, wrong: shown(elsewhere[0]), message }];
  });
}
