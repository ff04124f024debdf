import { byKey } from '../../objects.ts';
import { asRecord, isList } from '../../result.ts';
import type { Pitch } from '../../pitch/pitch.ts';
import type { Result } from '../../result.ts';
import { HAND_WORDS, HANDS, type Hand } from '../kernel/buttons.ts';
import { changedCount, changedText } from '../kernel/elements.ts';
import { Fields } from '../kernel/fields.ts';
import { chosen, option } from '../kernel/options.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import {
  BELLOWS,
  BELLOWS_IDS,
  KEY_PAIRS,
  KEYS,
  PLAN_IDS,
  PLANS,
  ROWS,
  type BellowsId,
  type ButtonPair,
  type KeyPair,
  type PlanId,
  type RowName,
  type Rows,
} from './tables.ts';

export const COUNTING = Object.freeze(['index', 'left'] as const);
export const VIEWS = Object.freeze(['player', 'opposite'] as const);

/** An Anglo concertina: every button two pitches, pushed and pulled. Pitches are kept as in C/G and moved by the key. */
export interface AngloLayout {
  readonly key: KeyPair;
  readonly plan: PlanId;
  readonly rows: Rows;
  readonly bellows: BellowsId;
  /** Whether buttons are counted from the index finger or from the left. */
  readonly counting: (typeof COUNTING)[number];
  readonly seen: (typeof VIEWS)[number];
}

/** A button by place. */
export interface Place {
  readonly hand: Hand;
  readonly row: RowName;
  /** 1 to 5 from the left. */
  readonly column: number;
}

export const IN_ROW = 5;

export function layoutOf(key: KeyPair, plan: PlanId): AngloLayout {
  return { key, plan, rows: PLANS[plan].rows, bellows: 'usual', counting: 'index', seen: 'player' };
}

export function places(plan: PlanId): readonly Place[] {
  const rows: Rows = PLANS[plan].rows;
  return HANDS.flatMap((hand) =>
    ROWS.filter((row) => rows[hand][row]).flatMap((row) =>
      Array.from({ length: IN_ROW }, (_, i) => ({ hand, row, column: i + 1 })),
    ),
  );
}

/** How the player numbers a button: from the index finger, or from the left. */
export function buttonNumber({ counting }: Pick<AngloLayout, 'counting'>, { hand, column }: Place): number {
  return counting === 'index' && hand === 'L' ? IN_ROW + 1 - column : column;
}

export function pairAt({ rows }: AngloLayout, { hand, row, column }: Place): ButtonPair {
  const pair = rows[hand][row]?.[column - 1];
  if (!pair) throw new Error(`pairAt: there is no button ${hand} ${row} ${column}`);
  return pair;
}

export function sounding(layout: AngloLayout, pitch: Pitch): Pitch {
  return pitch + KEYS[layout.key];
}

/** Problem fields: `key`, `plan`, `bellows` …, or a button such as `rows.L.middle.3.push`. */
export function checkLayout(stored: unknown): Result<AngloLayout> {
  const fields = new Fields(stored, 'An Anglo concertina’s layout needs its keys, its plan and its buttons.');
  const key = fields.choice('key', KEY_PAIRS, 'pair of keys');
  const plan = fields.choice('plan', PLAN_IDS, 'plan');
  const bellows = fields.choice('bellows', BELLOWS_IDS, 'size of bellows', 'usual');
  const counting = fields.choice('counting', COUNTING, 'way of counting', 'index');
  const seen = fields.choice('seen', VIEWS, 'view', 'player');
  const given = asRecord(fields.raw('rows'));
  const wanted: Rows = PLANS[plan].rows;
  const rows = byKey(HANDS, (hand) =>
    Object.freeze(
      byKey(
        ROWS.filter((row) => wanted[hand][row]),
        (row) =>
          readRow(
            fields,
            asRecord(given[hand])[row],
            `rows.${hand}.${row}`,
            `${HAND_WORDS[hand]} ${row} row`,
          ),
      ),
    ),
  );
  return fields.done(() => ({ key, plan, rows: Object.freeze(rows), bellows, counting, seen }));
}

function readRow(fields: Fields, buttons: unknown, path: string, name: string): readonly ButtonPair[] {
  if (!isList(buttons) || buttons.length !== IN_ROW) {
    fields.report(path, buttons, `The ${name} must have ${IN_ROW} buttons.`);
    return [];
  }
  return Object.freeze(
    buttons.map((button, i): ButtonPair => {
      const [push, pull] = isList(button) ? button : [];
      const at = (pitch: unknown, air: string) =>
        fields.pitch(pitch, `${path}.${i + 1}.${air}`, `Button ${i + 1} of the ${name}, ${air}ed,`);
      return [at(push, 'push'), at(pull, 'pull')];
    }),
  );
}

export function describe(layout: AngloLayout): string {
  const more = changedText(changedCount(elements(layout)), 'reed');
  return `${layout.key} Anglo concertina, ${PLANS[layout.plan].label}${more}`;
}

export function options({ key, plan, bellows, counting, seen }: AngloLayout): readonly LayoutOption[] {
  return [
    option(
      'key',
      'Keys',
      key,
      KEY_PAIRS.map((pair) => [pair, pair]),
    ),
    option(
      'plan',
      'Buttons',
      plan,
      PLAN_IDS.map((id) => [id, PLANS[id].label]),
    ),
    option(
      'bellows',
      'Bellows',
      bellows,
      BELLOWS_IDS.map((id) => [id, `${id}: about ${BELLOWS[id]} seconds`]),
    ),
    option('counting', 'Buttons counted', counting, [
      ['index', 'from the index finger'],
      ['left', 'from the left'],
    ]),
    option('seen', 'Drawn', seen, [
      ['player', 'as the player sees it'],
      ['opposite', 'as a pupil opposite sees it'],
    ]),
  ];
}

/** Other keys move every reed; another plan takes all its buttons. @throws on an unknown option or value */
export function withOption(layout: AngloLayout, id: string, value: string): AngloLayout {
  switch (id) {
    case 'key':
      return { ...layout, key: chosen(id, value, KEY_PAIRS) };
    case 'plan': {
      const plan = chosen(id, value, PLAN_IDS);
      return { ...layout, plan, rows: PLANS[plan].rows };
    }
    case 'bellows':
      return { ...layout, bellows: chosen(id, value, BELLOWS_IDS) };
    case 'counting':
      return { ...layout, counting: chosen(id, value, COUNTING) };
    case 'seen':
      return { ...layout, seen: chosen(id, value, VIEWS) };
    default:
      throw new Error(`withOption: no option ${id}`);
  }
}

const AIRS = Object.freeze(['push', 'pull'] as const);

export function elements(layout: AngloLayout): readonly LayoutElement[] {
  const plan: Rows = PLANS[layout.plan].rows;
  return places(layout.plan).flatMap((place) => {
    const { hand, row, column } = place;
    return AIRS.map((air, i) => ({
      id: `rows.${hand}.${row}.${column}.${air}`,
      label: `${HAND_WORDS[hand]} ${row} ${buttonNumber(layout, place)}, ${air}`,
      table: `${HAND_WORDS[hand]} hand`,
      row: `${row}, ${air}`,
      column: String(buttonNumber(layout, place)),
      pitch: sounding(layout, pairAt(layout, place)[i]!),
      values: [],
      changed: pairAt(layout, place)[i] !== plan[hand][row]![column - 1]![i],
    }));
  });
}

/** @throws on an unknown reed */
export function withElement(layout: AngloLayout, element: string, { pitch }: ElementChange): AngloLayout {
  const [, hand, row, column, air] = element.split('.') as [string, Hand, RowName, string, 'push' | 'pull'];
  const buttons = layout.rows[hand]?.[row];
  const index = Number(column) - 1;
  if (!buttons?.[index] || !AIRS.includes(air)) throw new Error(`withElement: there is no reed ${element}`);
  if (pitch === undefined) return layout;
  const written = pitch - KEYS[layout.key];
  const [push, pull] = buttons[index];
  const pair: ButtonPair = air === 'push' ? [written, pull] : [push, written];
  const changed = { ...layout.rows[hand], [row]: buttons.with(index, pair) };
  return { ...layout, rows: { ...layout.rows, [hand]: changed } };
}
