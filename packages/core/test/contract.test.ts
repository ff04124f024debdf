/**
 * What every family must keep, looped over the list of families: a tenth one is tested by being listed. Each check
 * collects sentences that name the way, the text or the step that is wrong.
 */
import { families, FAMILY_IDS } from '../src/families/index.ts';
import type { ElementChange, ElementValue } from '../src/families/layoutPart.ts';
import type { Hold } from '../src/families/way.ts';
import { openInstrument, type Instrument } from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../src/scale/scale.ts';
import { UNHURRIED, type NoteTiming } from '../src/time/noteTiming.ts';
import { sceneIds } from '../src/scene/scene.ts';
import { checkPresets, problemsOf } from './contractKit.ts';
import { instrumentOf } from './instruments.ts';

function otherValue(value: ElementValue): number | boolean | string {
  if (value.kind === 'flag') return !value.value;
  if (value.kind === 'text') return 'Tern';
  return value.value === value.highest ? value.lowest : value.value + value.step;
}

/** Timings that differ in everything that can be felt. */
const TIMINGS: readonly NoteTiming[] = [0.25, 2].flatMap((beats) =>
  [0, 0.75].flatMap((haste) => [false, true].map((offPulse) => ({ beats, haste, offPulse }))),
);

const told = (hold: Hold) =>
  hold.map(({ way, fingering }) => way.id + (fingering ? `/${fingering}` : '')).join(' + ');

/** Every nth of a list. */
const every = <T>(list: readonly T[], n: number) => list.filter((_, i) => i % n === 0);

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const each = (check: Parameters<typeof checkPresets>[1]) => checkPresets(id, check);
  const choices = () => [
    {},
    ...family.playingOptions.flatMap((option) =>
      option.options.map((choice) => ({ [option.id]: choice.id })),
    ),
  ];

  test('every preset opens, with a name of its own and ways to play', () => {
    const names = new Map<string, string>();
    const problems = problemsOf((wrong) => {
      for (const preset of family.presets) {
        const instrument = instrumentOf(id, preset.id);
        const twin = names.get(instrument.description);
        if (twin) wrong(`presets ${twin} and ${preset.id} are both described as ${instrument.description}`);
        names.set(instrument.description, preset.id);
        if (!instrument.ways.some((way) => way.able))
          wrong(`preset ${preset.id} has no way that can be played`);
      }
    });
    expect(problems).toEqual([]);
    expect(new Set(family.presets.map((p) => p.id)).size).toBe(family.presets.length);
  });

  test('ids are unique; techniques are known; a redundant way has an easier one of its pitch', () =>
    each(({ ways }, wrong) => {
      const rank = (technique: string) => family.techniques.findIndex((t) => t.id === technique);
      const byId = new Map(ways.map((way) => [way.id, way]));
      if (byId.size !== ways.length) wrong('two ways have one id');
      for (const way of ways) {
        if (!Number.isInteger(way.pitch) || way.pitch < 0 || way.pitch > 127)
          wrong(`way ${way.id} sounds ${way.pitch}, which is no pitch`);
        if (rank(way.technique) < 0) wrong(`way ${way.id} has the unknown technique ${way.technique}`);
        if (way.redundantTo === undefined) continue;
        const easier = byId.get(way.redundantTo);
        if (!easier) wrong(`way ${way.id} is redundant to ${way.redundantTo}, which is not there`);
        else if (easier.pitch !== way.pitch) wrong(`${way.id} is redundant to ${easier.id} of another pitch`);
        else if (rank(easier.technique) >= rank(way.technique))
          wrong(`${way.id} is redundant to ${easier.id}, which is no easier technique`);
      }
    }));

  test('what the player can do decides which ways are able, group by group; nothing said is the default', () =>
    each((able, wrong) => {
      const groups = able.capabilityGroups;
      const ableIds = (instrument: Instrument) =>
        instrument.ways
          .filter((way) => way.able)
          .map((way) => way.id)
          .join(' ');
      const opened = (capability: Record<string, readonly string[]>) =>
        expectOk(openInstrument({ ...able.spec, capability }));
      const defaults = Object.fromEntries(groups.map((group) => [group.id, group.byDefault]));
      if (ableIds(opened({})) !== ableIds(opened(defaults)))
        wrong('a group left out is not opened with its byDefault');
      for (const group of groups) {
        const unknown = group.byDefault.filter((place) => !group.places.includes(place));
        if (unknown.length > 0)
          wrong(`${group.id} has ${unknown.join(' ')} by default, which are not its places`);
        const without = ableIds(opened({ ...able.spec.capability, [group.id]: [] }));
        if (group.places.length > 0 && without === ableIds(able))
          wrong(`taking all places out of ${group.id} changes nothing`);
      }
    }));

  test('tab text in every dialect is read back as the same way', () =>
    each((instrument, wrong) => {
      for (const { id: dialect } of family.dialects)
        for (const way of instrument.ways) {
          const text = instrument.tab(way, dialect);
          const read = instrument.parseTab(text, dialect);
          if (!read.ok)
            wrong(`“${text}” of ${way.id} in ${dialect} is not read: ${read.problems[0]!.message}`);
          else if (read.value.id !== way.id)
            wrong(`“${text}” of ${way.id} in ${dialect} is read as ${read.value.id}`);
        }
    }));

  test('the brief text tells a way from all others on the same side', () =>
    each((instrument, wrong) => {
      const seen = new Map<string, string>();
      for (const way of instrument.ways) {
        const text = `${instrument.sideOf({ way, fingering: undefined })} ${instrument.brief(way)}`;
        const twin = seen.get(text);
        if (twin) wrong(`${twin} and ${way.id} are both “${text}”`);
        seen.set(text, way.id);
      }
    }));

  test('terms cost a finite number of 0 or more, and feel of the timing only what they say', () =>
    each((instrument, wrong) => {
      const { ways, layout } = instrument;
      const terms = new Set(instrument.terms.map((term) => term.id));
      if (terms.size !== instrument.terms.length) wrong('two terms have one id');
      if (instrument.terms.map((t) => t.id).join() !== family.terms.map((t) => t.id).join())
        wrong('the terms of an instrument are not those of its family, in their order');
      for (const options of choices()) {
        const fingered = ways.flatMap((way) => instrument.fingeredWaysOf(way, options));
        const holds = every(fingered, 5).map((way) => [way]);
        for (const term of instrument.terms)
          for (const from of every(holds, 7))
            for (const to of holds) {
              const carried = instrument.carry('', from);
              const costs = TIMINGS.map((timing) => {
                const at = { layout, options, timing, carried };
                return [
                  term.onWay?.(to[0]!, at) ?? 0,
                  term.onHold?.(to, at) ?? 0,
                  term.between?.(from, to, at) ?? 0,
                  term.atStart?.(to, at) ?? 0,
                ];
              });
              const bad = costs.flat().find((cost) => !(cost >= 0 && cost < Infinity));
              if (bad !== undefined)
                return wrong(`${term.id} from ${told(from)} to ${told(to)} costs ${bad}`);
              const felt = new Map<string, string>();
              for (const [i, timing] of TIMINGS.entries()) {
                const key = (term.feels ?? []).map((field) => timing[field]).join(' ');
                const known = felt.get(key) ?? costs[i]!.join(' ');
                if (known !== costs[i]!.join(' '))
                  return wrong(
                    `${term.id} to ${told(to)} feels more than it says: ${(term.feels ?? []).join(', ') || 'nothing'}`,
                  );
                felt.set(key, known);
              }
            }
      }
    }));

  test('what can sound together is the same for a pair either way it is asked, with a reason for what cannot', () =>
    each((instrument, wrong) => {
      const fingered = instrument.ways.flatMap((way) => instrument.fingeredWaysOf(way, {}, true));
      for (const low of every(fingered, 9))
        for (const high of every(fingered, 4)) {
          if (low.way.pitch === high.way.pitch && low.way.id !== high.way.id) {
            // Of two of one pitch neither is the lower.
            if ((instrument.clash(low, high) === undefined) !== (instrument.clash(high, low) === undefined))
              wrong(`${told([low, high])} clash only one way round`);
          }
          if (low.way.pitch >= high.way.pitch) continue;
          const clash = instrument.clash(low, high);
          if (clash && clash.text.length < 10) wrong(`${told([low, high])} clash without a reason`);
          if (
            low.fingering !== undefined &&
            low.fingering === high.fingering &&
            low.way.place !== high.way.place
          ) {
            const barred = id === 'dulcimer' && low.way.place === high.way.place;
            if (!clash && !barred) wrong(`${told([low, high])} are held by one finger`);
          }
        }
    }));

  test('what a hold leaves behind does not depend on what is not felt: the same text from the same hold', () =>
    each((instrument, wrong) => {
      const fingered = instrument.ways.flatMap((way) => instrument.fingeredWaysOf(way, {}));
      const left = new Set<string>();
      for (const way of fingered) {
        const once = instrument.carry('', [way]);
        if (instrument.carry(once, [way]) !== once)
          wrong(`${told([way])} twice leaves something else behind than once`);
        left.add(once);
      }
      if (left.size > 200) wrong(`${left.size} different things are left behind by single ways`);
    }));

  test('preferences weigh known terms and avoid known techniques; the first avoids nothing', () => {
    const problems = problemsOf((wrong) => {
      const terms = new Set(family.terms.map((term) => term.id));
      const techniques = new Set<string>(family.techniques.map((t) => t.id));
      for (const preset of family.preferences) {
        for (const term of Object.keys(preset.weights))
          if (!terms.has(term)) wrong(`preset ${preset.id} weighs the unknown term ${term}`);
        for (const technique of preset.avoid)
          if (!techniques.has(technique))
            wrong(`preset ${preset.id} avoids the unknown technique ${technique}`);
        for (const [option, choice] of Object.entries(preset.playingOptions ?? {})) {
          const known = family.playingOptions.find((o) => o.id === option);
          if (!known?.options.some((o) => o.id === choice))
            wrong(`preset ${preset.id} sets ${option} to ${choice}`);
        }
      }
      if (family.preferences[0]!.avoid.length > 0) wrong('the first preset leaves a technique out');
    });
    expect(problems).toEqual([]);
  });

  test('fingerings are of the family’s list and play every way; every side has a name', () =>
    each((instrument, wrong) => {
      const known = new Set(family.fingerings.map((fingering) => fingering.id));
      for (const options of choices())
        for (const way of instrument.ways)
          for (const fingered of instrument.fingeredWaysOf(way, options)) {
            if (fingered.fingering !== undefined && !known.has(fingered.fingering))
              wrong(`${told([fingered])} has an unknown fingering`);
            if (!family.sides[instrument.sideOf(fingered)]?.trim())
              wrong(`${told([fingered])} is on a side without a name`);
          }
    }));

  test('set for a key it keeps its ways’ ids and pitches; remarks name notes of the line; tables are rectangles', () =>
    each((instrument, wrong) => {
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
    }));

  test('the drawing has every way once, inside its borders, and no two chips overlap', () =>
    each((instrument, wrong) => {
      const scene = instrument.scene(() => ({ role: 'scale', degree: '2', note: 'D', usable: true }));
      const drawn = sceneIds(scene.shapes);
      for (const way of instrument.ways) {
        const times = drawn.filter((name) => name === way.id).length;
        if (times !== 1) wrong(`way ${way.id} is drawn ${times} times`);
      }
      for (const name of drawn)
        if (!instrument.ways.some((way) => way.id === name)) wrong(`${name} is drawn and no way`);
      const boxes = scene.shapes.flatMap((s) =>
        s.kind === 'group' && s.id && s.box ? [{ id: s.id, ...s.box }] : [],
      );
      for (const [i, a] of boxes.entries()) {
        if (Math.min(a.x, a.y) < 0 || a.x + a.width > scene.widthMm || a.y + a.height > scene.heightMm)
          wrong(`the chip of ${a.id} leaves the drawing`);
        for (const b of boxes.slice(i + 1)) {
          const apart =
            a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
          if (!apart) wrong(`the chips of ${a.id} and ${b.id} overlap`);
        }
      }
    }));

  test('what is written beside the chips is not covered by one, nor cut off', () =>
    each((instrument, wrong) => {
      const scene = instrument.scene(() => ({ role: 'scale', degree: '2', note: 'D', usable: true }));
      const chips = scene.shapes.flatMap((s) => (s.kind === 'group' && s.id && s.box ? [s.box] : []));
      for (const shape of scene.shapes) {
        if (shape.kind !== 'text') continue;
        // Capitals and figures are about so wide and so high.
        const width = 0.5 * shape.sizeMm * shape.text.length;
        const height = 0.66 * shape.sizeMm;
        const x = shape.x - { start: 0, middle: width / 2, end: width }[shape.anchor ?? 'start'];
        const y = shape.y - height;
        if (x < -0.5 || y < 0 || x + width > scene.widthMm + 0.5 || shape.y > scene.heightMm)
          wrong(`“${shape.text}” leaves the drawing`);
        for (const chip of chips) {
          const apart =
            x + width <= chip.x || chip.x + chip.width <= x || shape.y <= chip.y || chip.y + chip.height <= y;
          if (!apart) wrong(`“${shape.text}” is covered by a chip`);
        }
      }
    }));

  test('a layout survives JSON, and changing an element or an option shows in it', () =>
    each((instrument, wrong) => {
      const copy = JSON.parse(JSON.stringify(instrument.layout)) as unknown;
      expect(expectOk(family.open(copy, {})).elements).toEqual(instrument.elements);
      const last = instrument.elements[instrument.elements.length - 1]!;
      const edits: ElementChange[] = [
        ...(last.pitch === undefined ? [] : [{ pitch: last.pitch + 1 }]),
        ...last.values.map((v) => ({ values: { [v.id]: otherValue(v) } })),
      ];
      if (edits.length === 0) wrong(`element ${last.id} has nothing that can be changed`);
      for (const edit of edits) {
        const edited = family.open(instrument.withElement(last.id, edit), {});
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
          const changed = family.open(instrument.withOption(option.id, choice.id), {});
          const now = changed.ok ? changed.value.options.find((o) => o.id === option.id)?.value : 'refused';
          if (now !== choice.id) wrong(`${option.id} set to ${choice.id} is ${now}`);
        }
      }
    }));

  test.each([[null], [7], ['x'], [[]], [{}], [{ root: 'C' }]])(
    'the layout %p is refused with its fields named',
    (layout) => {
      const result = family.open(layout, {});
      expect(result.ok).toBe(false);
      if (!result.ok)
        for (const problem of result.problems) expect(problem.message.length).toBeGreaterThan(10);
    },
  );
});
