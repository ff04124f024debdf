/** What is known of an item when a day is planned. */
export interface PlannedFrom {
  readonly id: string;
  /** How long it takes at a time, in minutes. */
  readonly minutes: number;
  /** The teacher set it. */
  readonly set: boolean;
  readonly isSong: boolean;
  /** When it is due again, in ms since 1970; undefined where it was never played. */
  readonly due: number | undefined;
  /** When it was last played. */
  readonly last: number | undefined;
}

/** Why an item is in the plan of a day. */
export type Why = 'set' | 'due' | 'new' | 'song' | 'again';

export interface Planned {
  readonly id: string;
  readonly minutes: number;
  readonly why: Why;
  /** Days it has been due for. */
  readonly overdue: number;
}

/** A day as it is planned. */
export interface DayPlan {
  readonly rows: readonly Planned[];
  /** Ids of what the teacher set that does not fit into the minutes of this day, what waits longest first. */
  readonly leftOut: readonly string[];
  /** Minutes for which there is nothing. */
  readonly free: number;
}

/** The day that is planned; ms since 1970. */
export interface DayOfPlan {
  readonly now: number;
  /** Midnight where the player lives: what was played since then was played today. */
  readonly began: number;
}

const DAY = 86_400_000;
/** Less than this is no practice of anything, in minutes. */
export const LEAST_MINUTES = 2;
/** Minutes a day that can be planned. */
export const PLAN_MINUTES = Object.freeze({ least: 5, most: 90, usual: 20 });
/** Items of one plan that were never played: one thing new is enough for twenty minutes. */
const MINUTES_A_NEW = 20;
/** Days after which something new comes before what is due. */
const NEW_FIRST_EVERY = 3;

/**
 * What to play in the minutes at hand: what the teacher set, in turn, what is due again with what has waited longest
 * first, something new, and a song to end with. Never more minutes than there are. Pure.
 */
export function planDay(items: readonly PlannedFrom[], minutes: number, { now, began }: DayOfPlan): DayPlan {
  const plan: Planned[] = [];
  let left = minutes;
  const overdueOf = ({ due }: PlannedFrom) => (due === undefined ? 0 : Math.max(0, (now - due) / DAY));
  const take = (item: PlannedFrom | undefined, why: Why) => {
    if (!item || plan.some(({ id }) => id === item.id)) return;
    const wanted = Math.min(item.minutes, left);
    if (wanted < Math.min(LEAST_MINUTES, item.minutes)) return;
    plan.push({ id: item.id, minutes: wanted, why, overdue: Math.floor(overdueOf(item)) });
    left -= wanted;
  };
  const byWaiting = (a: PlannedFrom, b: PlannedFrom) =>
    overdueOf(b) - overdueOf(a) || (a.last ?? 0) - (b.last ?? 0);
  const isDue = ({ due }: PlannedFrom) => due !== undefined && due <= now;
  const playedToday = ({ last }: PlannedFrom) => last !== undefined && last >= began;
  // Room for a song at the end is kept from the beginning, where there is enough for more than that; a longer one takes
  // its turn like all else.
  const endings = items.filter((item) => item.isSong && !playedToday(item) && 2 * item.minutes <= minutes);
  const [song] = endings.sort(byWaiting);
  const kept = song?.minutes ?? 0;
  left -= kept;
  const homework = items
    .filter((item) => item.set && !playedToday(item))
    .sort((a, b) => (a.last ?? 0) - (b.last ?? 0));
  for (const item of homework) if (item !== song) take(item, 'set');
  const fresh = items.filter((item) => item.due === undefined && !item.set && item !== song);
  const takeNew = () => {
    for (const item of fresh.slice(0, Math.max(1, Math.floor(minutes / MINUTES_A_NEW)))) take(item, 'new');
  };
  // Where time never suffices for what is due, what is new would never come: now and then it has the first turn.
  if (Math.floor(now / DAY) % NEW_FIRST_EVERY === 0) takeNew();
  for (const item of items.filter(isDue).sort(byWaiting)) if (item !== song) take(item, 'due');
  takeNew();
  const again = items.filter(
    (item) => item.due !== undefined && !isDue(item) && !playedToday(item) && item !== song,
  );
  for (const item of again.sort((a, b) => a.due! - b.due!)) take(item, 'again');
  left += kept;
  take(song, song?.set ? 'set' : 'song');
  const taken = new Set(plan.map(({ id }) => id));
  return {
    rows: plan,
    leftOut: homework.map(({ id }) => id).filter((id) => !taken.has(id)),
    free: left,
  };
}
