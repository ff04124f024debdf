import { FAMILY_IDS, familyById } from '../families/index.ts';
import type { OpenLayout } from '../families/contract.ts';
import type { Capability } from '../families/layoutPart.ts';
import type { Way } from '../families/way.ts';
import { personalProblems, stillMeasured, type Measured } from './personal.ts';
import { withPersonalTerms } from './personalTerms.ts';
import type { Key } from '../scale/scale.ts';
import { A4_RANGE, STANDARD_A4 } from '../pitch/pitch.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';

/** Fields of an instrument with entries of their own, by place or technique, which two may change side by side. */
export const FIELDS_OF_ENTRIES = ['measured', 'capability'] as const;

/** One real object in somebody's hands, as it is stored and exchanged. */
export interface InstrumentSpec {
  readonly family: string;
  readonly name: string;
  /** Opaque outside the family's folder. */
  readonly layout: unknown;
  /** Places where each group of techniques works; a group left out has the family's default. */
  readonly capability: Capability;
  /** Pitch standard: Hz of A4. */
  readonly a4: number;
  readonly notes: string;
  /** What was measured, by way id; each is kept only as long as its way sounds the pitch it was measured at. */
  readonly measured: Measured;
  /** Ids of the ways chosen for their pitch, at most one a pitch. */
  readonly choices: readonly string[];
}

/** A stored instrument opened for computing. */
export interface Instrument extends OpenLayout {
  readonly spec: InstrumentSpec;
  /** As the layout is set before playing in a key. */
  forKey(key: Key): Instrument;
  /** Cents a way is known to be off: as measured, or else as the layout has it. */
  centsOf(way: Way): number;
}

export const NAME_LIMIT = 120;
export const NOTES_LIMIT = 4000;

/** A new instrument of a family's preset, named after it. @throws on an unknown family or preset */
export function specFromPreset(familyId: string, presetId: string): InstrumentSpec {
  const family = familyById(familyId);
  const preset = family?.presets.find((p) => p.id === presetId);
  if (!family || !preset) throw new Error(`specFromPreset: no preset ${presetId} of family ${familyId}`);
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
  if (!isRecord(stored)) {
    return fail({
      field: '',
      wrong: shown(stored),
      message: 'An instrument needs a family, a name and a layout.',
    });
  }
  const family = typeof stored['family'] === 'string' ? familyById(stored['family']) : undefined;
  if (!family) {
    const message = `There is no family “${shown(stored['family'])}”. Known: ${FAMILY_IDS.join(', ')}.`;
    return fail({ field: 'family', wrong: shown(stored['family']), message });
  }
  const problems: Problem[] = [
    ...textProblems('name', stored['name'], 1, NAME_LIMIT, 'A name'),
    ...textProblems('notes', stored['notes'] ?? '', 0, NOTES_LIMIT, 'Notes'),
    ...a4Problems(stored['a4'] ?? STANDARD_A4),
  ];
  const capability = checkCapability(stored['capability'] ?? {});
  if (!capability.ok) problems.push(...under('capability', capability.problems));
  const opened = family.open(stored['layout'], capability.ok ? capability.value : {});
  if (!opened.ok) problems.push(...under('layout', opened.problems));
  else {
    if (capability.ok) problems.push(...placeProblems(opened.value, capability.value));
    problems.push(...personalProblems(opened.value, stored['measured'] ?? {}, stored['choices'] ?? []));
  }
  if (problems.length > 0 || !opened.ok || !capability.ok) return fail(...(problems as [Problem]));
  const spec: InstrumentSpec = {
    family: family.id,
    name: (stored['name'] as string).trim(),
    layout: opened.value.layout,
    capability: capability.value,
    a4: (stored['a4'] as number | undefined) ?? STANDARD_A4,
    notes: (stored['notes'] as string | undefined) ?? '',
    measured: stillMeasured(opened.value, (stored['measured'] ?? {}) as InstrumentSpec['measured']),
    choices: (stored['choices'] as InstrumentSpec['choices'] | undefined) ?? [],
  };
  return ok(personal(opened.value, spec));
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

/** Checks a text by its length in characters as a reader counts them, spaces at the ends left out. */
export function textProblems(
  field: string,
  value: unknown,
  least: number,
  most: number,
  what: string,
): Problem[] {
  if (typeof value !== 'string') return [{ field, wrong: shown(value), message: `${what} must be text.` }];
  const length = [...value.trim()].length;
  if (length < least) return [{ field, wrong: shown(value), message: `${what} is missing.` }];
  if (length > most) {
    const message = `${what} may have ${most} characters at most; this has ${length}.`;
    return [{ field, wrong: shown(value), message }];
  }
  return [];
}

function a4Problems(a4: unknown): Problem[] {
  if (typeof a4 === 'number' && a4 >= A4_RANGE.lowest && a4 <= A4_RANGE.highest) return [];
  const message = `The pitch of A must be from ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.`;
  return [{ field: 'a4', wrong: shown(a4), message }];
}

function checkCapability(value: unknown): Result<Capability> {
  const isList = (v: unknown): v is string[] =>
    Array.isArray(v) && v.every((place) => typeof place === 'string');
  if (!isRecord(value))
    return fail({ field: '', wrong: shown(value), message: 'Techniques must be lists of places.' });
  for (const [group, places] of Object.entries(value)) {
    if (!isList(places))
      return fail({ field: group, wrong: shown(places), message: 'This must be a list of places.' });
  }
  return ok(value as Capability);
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
