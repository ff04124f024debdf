import { keysOf } from '../objects.ts';
/**
 * Every kind of record that is kept: what one of them is called as a message begins, what all of them, and the field that
 * tells one from another. Kept apart from what checks them, so that a page that only lists records need not fetch that.
 */
export const KIND_NAMES = {
  instruments: { one: 'This instrument', many: 'Instruments', titled: 'name' },
  questions: { one: 'This question', many: 'Questions', titled: 'name' },
  progressions: { one: 'This progression', many: 'Progressions', titled: 'name' },
  layouts: { one: 'This layout', many: 'Layouts of your own', titled: 'name' },
  tags: { one: 'This tag', many: 'Tags', titled: 'name' },
  songs: { one: 'This song', many: 'Songs', titled: 'title' },
  arrangements: { one: 'This arrangement', many: 'Arrangements', titled: 'name' },
  people: { one: 'This person', many: 'People', titled: 'name' },
  items: { one: 'This item', many: 'What is practised', titled: 'name' },
  routines: { one: 'This routine', many: 'Routines', titled: 'name' },
  measurings: { one: 'This measuring', many: 'Measured instruments', titled: 'name' },
  log: { one: 'This entry', many: 'Log of practice', titled: 'name' },
} as const;

export type RecordKindId = keyof typeof KIND_NAMES;

/** What others refer to comes first. */
export const RECORD_KIND_IDS = Object.freeze(keysOf(KIND_NAMES));

/** What a record is called. @throws for a content without the field that its kind is told by */
export function recordTitle(kind: RecordKindId, content: object): string {
  const title = (content as Readonly<Record<string, unknown>>)[KIND_NAMES[kind].titled];
  if (typeof title !== 'string')
    throw new Error(`recordTitle: one of ${kind} without a ${KIND_NAMES[kind].titled}`);
  return title;
}
