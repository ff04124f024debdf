import { useLayoutEffect, useRef, type FocusEvent, type KeyboardEvent, type RefObject } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

const CHOSEN = '[aria-selected="true"], [aria-pressed="true"]';

type Item = HTMLElement | SVGElement;

interface Roving<E extends Element> {
  readonly ref: RefObject<E | null>;
  onKeyDown(event: KeyboardEvent<E>): void;
  onFocus(event: FocusEvent<E>): void;
}

/**
 * One stop for Tab among many things to choose: the chosen one, or where one was last. Where the focus is inside, it goes
 * along with the choice.
 * @param items selector of the things; each is drawn with tabIndex −1
 * @param arrows whether arrows, Home and End move within; false where they have a meaning on the whole page
 */
export function useRoving<E extends Element>(items: string, arrows = true): Roving<E> {
  const ref = useRef<E>(null);
  const chosenBefore = useRef<Item | undefined>(undefined);
  const all = () => [...(ref.current?.querySelectorAll<Item>(items) ?? [])];
  const stopAt = (stop: Item | undefined) => {
    for (const item of all()) {
      const tabIndex = item === stop ? 0 : -1;
      if (item.tabIndex !== tabIndex) item.tabIndex = tabIndex;
    }
  };
  useLayoutEffect(() => {
    const present = all();
    const chosen = present.find((item) => item.matches(CHOSEN));
    const isNew = chosen !== undefined && chosen !== chosenBefore.current;
    chosenBefore.current = chosen;
    if (isNew && ref.current?.contains(document.activeElement)) chosen.focus({ preventScroll: true });
    const last = present.find((item) => item.tabIndex === 0);
    stopAt(isNew ? chosen : (last ?? chosen ?? present[0]));
  });
  return {
    ref,
    onKeyDown(event) {
      const present = all();
      const at = present.findIndex((item) => item.contains(event.target as Node));
      const step = STEPS[event.key];
      if (!arrows || at < 0) return;
      const next =
        event.key === 'Home'
          ? present[0]
          : event.key === 'End'
            ? present.at(-1)
            : step === undefined
              ? undefined
              : present[Math.max(0, Math.min(present.length - 1, at + step))];
      if (!next) return;
      event.preventDefault();
      next.focus();
    },
    onFocus(event) {
      stopAt(all().find((item) => item.contains(event.target as Node)) ?? undefined);
    },
  };
}
