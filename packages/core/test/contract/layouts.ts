/** What a family's layouts keep: presets, changes of elements and options, settings for a key. */
import { isDeepStrictEqual } from 'node:util';
import type { ElementChange, ElementValue } from '../../src/families/layoutPart.ts';
import type { Instrument } from '../../src/instrument/instrument.ts';
import { expectOk } from '../../src/result.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../../src/scale/scale.ts';
import { UNHURRIED } from '../../src/time/noteTiming.ts';
import { ofFamily, ofInstruments, type Rule } from './rule.ts';

const NOT_SAID = { field: 'a field that is not said', message: 'for a reason that is not said' };

function otherValue(value: ElementValue): number | boolean | string {
  if (value.kind === 'flag') return !value.value;
  if (value.kind === 'text') return 'Tern';
  return value.value === value.highest ? value.lowest : value.value + value.step;
}

export const LAYOUT_RULES: readonly Rule[] = [
  ofFamily('every preset opens, with a name of its own and ways to play', (family, wrong) => {
    const names = new Map<string, string>();
    for (const preset of family.presets) {
      const opened = family.open(preset.layout, {});
      if (!opened.ok) {
        const [{ field, message } = NOT_SAID] = opened.problems;
        wrong(`preset ${preset.id} is refused at ${field}: ${message}`);
        continue;
      }
      const instrument = opened.value;
      const twin = names.get(instrument.description);
      if (twin) wrong(`presets ${twin} and ${preset.id} are both described as ${instrument.description}`);
      names.set(instrument.description, preset.id);
      if (!instrument.ways.some((way) => way.able))
        wrong(`preset ${preset.id} has no way that can be played`);
    }
    if (new Set(family.presets.map((p) => p.id)).size !== family.presets.length)
      wrong('two presets have one id');
  }),
  ofInstruments(
    'a layout survives JSON, and changing an element or an option shows in it',
    (instrument, wrong) => {
      const copy = JSON.parse(JSON.stringify(instrument.layout)) as unknown;
      if (!isDeepStrictEqual(expectOk(instrument.family.open(copy, {})).elements, instrument.elements))
        wrong('its elements are others once the layout was written as JSON and read');
      const last = instrument.elements[instrument.elements.length - 1]!;
      const edits: ElementChange[] = [
        ...(last.pitch === undefined ? [] : [{ pitch: last.pitch + 1 }]),
        ...last.values.map((v) => ({ values: { [v.id]: otherValue(v) } })),
      ];
      if (edits.length === 0) wrong(`element ${last.id} has nothing that can be changed`);
      for (const edit of edits) {
        const edited = instrument.family.open(instrument.withElement(last.id, edit), {});
        const element = edited.ok ? edited.value.elements.find((e) => e.id === last.id) : undefined;
        const what = `element ${last.id} changed by ${JSON.stringify(edit)}`;
        if (!edited.ok) wrong(`${what} is refused: ${edited.problems[0]!.message}`);
        else if (edit.pitch !== undefined && element?.pitch !== edit.pitch)
          wrong(`${what} has ${element?.pitch}`);
        for (const [name, value] of Object.entries(edit.values ?? {})) {
          const now = element?.values.find((v) => v.id === name)?.value;
          if (now !== value) wrong(`${what} has ${String(now)}`);
        }
      }
      for (const option of instrument.options) {
        if (!option.choices.some((c) => c.id === option.value))
          wrong(`${option.id} is ${option.value}, no choice of it`);
        for (const choice of option.choices) {
          const changed = instrument.family.open(instrument.withOption(option.id, choice.id), {});
          const now = changed.ok ? changed.value.options.find((o) => o.id === option.id)?.value : 'refused';
          if (now !== choice.id) wrong(`${option.id} set to ${choice.id} is ${now}`);
        }
      }
    },
  ),
  ofInstruments(
    'set for a key it keeps its ways’ ids and pitches; remarks name notes of the line; tables are rectangles',
    (instrument, wrong) => {
      const key = keyOf(expectOk(scaleById('major')), USUAL_KEYS[(instrument.home + 2) % 12]!);
      const set = instrument.forKey(key);
      const named = ({ ways }: Instrument) => ways.map((w) => `${w.id}=${w.pitch}`).join(' ');
      if (named(set) !== named(instrument)) wrong('setting it for a key changes ids or pitches of its ways');
      let carried = '';
      const line = set.ways.slice(0, 12).map((way, index) => {
        const hold = [set.fingeredWaysOf(way, {})[0]!];
        const played = { noteIds: [`n${index}`], hold, onset: index, length: 1, timing: UNHURRIED, carried };
        carried = set.carry(carried, hold);
        return played;
      });
      for (const remark of set.remarks(line, {})) {
        if (!line.some((hold) => hold.noteIds.includes(remark.noteId)))
          wrong(`a remark is for ${remark.noteId}`);
        if (remark.text.length < 4) wrong(`a remark says “${remark.text}”`);
      }
      for (const table of set.tables(key))
        for (const row of table.rows)
          if (row.cells.length !== table.columns.length)
            wrong(`table ${table.id} has a row of ${row.cells.length} cells`);
    },
  ),
  ofFamily('what is no layout is refused with a sentence that says why', (family, wrong) => {
    for (const layout of [null, 7, 'x', [], {}, { root: 'C' }]) {
      const result = family.open(layout, {});
      if (result.ok) wrong(`${JSON.stringify(layout)} is taken for a layout`);
      else
        for (const { message } of result.problems)
          if (message.length <= 10) wrong(`${JSON.stringify(layout)} is refused with “${message}”`);
    }
  }),
];
