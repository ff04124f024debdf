import { byKey } from '../../objects.ts';
import { spellAs, type NoteName } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../../pitch/pitch.ts';
import type { Result } from '../../result.ts';
import { ownNamer } from '../../scale/namer.ts';
import { HAND_WORDS, HANDS, type Hand } from '../kernel/buttons.ts';
import { changedCount, changedText } from '../kernel/elements.ts';
import { Fields } from '../kernel/fields.ts';
import { chosen, option } from '../kernel/options.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import { COLUMNS, SYSTEM_IDS, SYSTEMS, type ButtonPlan, type Column, type SystemId } from './tables.ts';

/** An English concertina: every button one pitch, the same pushed and pulled. */
export interface EnglishLayout {
  readonly system: SystemId;
  readonly buttons: ButtonPlan;
  /** Whether the drawing shows the hands as their player sees them or as one sees them who sits opposite. */
  readonly seen: Seen;
}

export const VIEWS = Object.freeze(['player', 'opposite'] as const);
export type Seen = (typeof VIEWS)[number];

export function layoutOf(system: SystemId): EnglishLayout {
  return { system, buttons: SYSTEMS[system].plan, seen: 'player' };
}

/** Problem fields: `system`, `seen`, or a button such as `buttons.L.2.3`. */
export function checkLayout(stored: unknown): Result<EnglishLayout> {
  const fields = new Fields(stored, 'An English concertina’s layout needs its system and its buttons.');
  const system = fields.choice('system', SYSTEM_IDS, 'system');
  const seen = fields.choice('seen', VIEWS, 'view', 'player');
  const hands = new Fields(fields.raw('buttons'), 'The buttons must be listed by hand and column.');
  const buttons = byKey(HANDS, (hand) => {
    const columns = new Fields(hands.raw(hand), `The buttons of the ${HAND_WORDS[hand]} hand are missing.`);
    const missing = columns.isWrong('');
    const read = byKey(COLUMNS, (column) => {
      if (missing) return [];
      const { length } = SYSTEMS[system].plan[hand][column];
      const pitches = columns.list(
        String(column),
        length,
        length,
        `buttons in ${HAND_WORDS[hand]} column ${column}`,
        (item, path, index) => columns.pitch(item, path, buttonName(hand, column, index + 1)),
      );
      return Object.freeze(pitches);
    });
    for (const { field, wrong, message } of columns.problems)
      fields.report(['buttons', hand, field].filter((p) => p !== '').join('.'), wrong, message);
    return Object.freeze(read);
  });
  if (hands.problems.length > 0) fields.report('buttons', fields.raw('buttons'), hands.problems[0]!.message);
  return fields.done(() => ({ system, seen, buttons: Object.freeze(buttons) }));
}

export function buttonName(hand: Hand, column: number, row: number): string {
  return `${HAND_WORDS[hand]} hand, column ${column}, button ${row}`;
}

/** Columns of accidentals, and the naturals they stand beside. */
const BESIDE: Readonly<Partial<Record<Column, Column>>> = Object.freeze({ 1: 2, 4: 3 });

/** An accidental is called after the natural beside it: A♭ beside A, though it sounds as the G♯ beside G. */
export function callButton(
  { buttons }: EnglishLayout,
  { hand, column, row }: { readonly hand: Hand; readonly column: Column; readonly row: number },
): NoteName {
  const pitch = buttons[hand][column][row - 1]!;
  const usual = ownNamer(0).spelled;
  const beside = BESIDE[column];
  const natural = beside && buttons[hand][beside][row - 1];
  if (natural === undefined || Math.abs(pitch - natural) !== 1) return usual(pitch);
  return spellAs(usual(natural).letter, pitchClass(pitch));
}

export function describe(layout: EnglishLayout): string {
  const more = changedText(changedCount(elements(layout)), 'button');
  return `English concertina, ${SYSTEMS[layout.system].label}${more}`;
}

export function options({ system, seen }: EnglishLayout): readonly LayoutOption[] {
  return [
    option(
      'system',
      'System',
      system,
      SYSTEM_IDS.map((id) => [id, SYSTEMS[id].label]),
    ),
    option('seen', 'Drawn', seen, [
      ['player', 'as the player sees it'],
      ['opposite', 'as a pupil opposite sees it'],
    ]),
  ];
}

/** Another system takes all its buttons. @throws on an unknown option or value */
export function withOption(layout: EnglishLayout, id: string, value: string): EnglishLayout {
  if (id === 'seen') return { ...layout, seen: chosen(id, value, VIEWS) };
  if (id !== 'system') throw new Error(`withOption: no option ${id}`);
  return { ...layoutOf(chosen(id, value, SYSTEM_IDS)), seen: layout.seen };
}

export function elements(layout: EnglishLayout): readonly LayoutElement[] {
  const { system, buttons } = layout;
  return HANDS.flatMap((hand) =>
    COLUMNS.flatMap((column) =>
      buttons[hand][column].map((pitch: Pitch, index) => ({
        id: `buttons.${hand}.${column}.${index + 1}`,
        label: buttonName(hand, column, index + 1),
        table: `${HAND_WORDS[hand]} hand`,
        row: `column ${column}`,
        column: String(index + 1),
        pitch,
        called: callButton(layout, { hand, column, row: index + 1 }),
        values: [],
        changed: pitch !== SYSTEMS[system].plan[hand][column][index],
      })),
    ),
  );
}

/** @throws on an unknown button */
export function withElement(layout: EnglishLayout, element: string, { pitch }: ElementChange): EnglishLayout {
  const [, handId, columnId, rowId] = element.split('.');
  const hand = HANDS.find((h) => h === handId);
  const column = COLUMNS.find((c) => String(c) === columnId);
  const row = Number(rowId) - 1;
  if (!hand || !column || layout.buttons[hand][column][row] === undefined)
    throw new Error(`withElement: there is no button ${element}`);
  if (pitch === undefined) return layout;
  const changed = { ...layout.buttons[hand], [column]: layout.buttons[hand][column].with(row, pitch) };
  return { ...layout, buttons: { ...layout.buttons, [hand]: changed } };
}
