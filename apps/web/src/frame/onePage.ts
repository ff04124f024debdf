import { useEffect } from 'react';

/** What stays of A4 and of letter paper within margins of 12 mm: the narrower and the shorter of the two. */
const PAPER_MM = { width: 186, height: 252 };
/** As style sheets define it. */
const PIXELS_PER_MM = 96 / 25.4;
/** Nothing is set smaller than this part of its size; what is longer goes on to the next page. */
const LEAST = 0.5;
/** How closely a page is filled. */
const TRIES = 6;

/**
 * Before anything is printed, sets what carries `data-one-page` as small as it takes to fit one page, where it can still
 * be read: the first such element that is shown on paper.
 */
export function useOnePage(): void {
  useEffect(() => {
    window.addEventListener('beforeprint', fitOnePage);
    window.addEventListener('afterprint', unfit);
    return () => {
      window.removeEventListener('beforeprint', fitOnePage);
      window.removeEventListener('afterprint', unfit);
    };
  }, []);
}

let fitted: HTMLElement | undefined;

function unfit(): void {
  fitted?.style.removeProperty('zoom');
  fitted = undefined;
}

/** Sets what is to fit one page as it now stands. */
export function fitOnePage(): void {
  unfit();
  asOnPaper(() => {
    const marked = [...document.querySelectorAll<HTMLElement>('[data-one-page]')];
    fitted = marked.find((element) => element.getClientRects().length > 0);
    if (!fitted) return;
    const { body } = document;
    body.style.width = `${PAPER_MM.width}mm`;
    const most = PAPER_MM.height * PIXELS_PER_MM;
    let zoom = 1;
    for (let i = 0; i < TRIES; i += 1) {
      const height = fitted.getBoundingClientRect().height;
      if (height <= most) break;
      // What is set smaller also has longer lines: by the root, and a little less than that takes.
      zoom = Math.max(LEAST, zoom * Math.max(0.8, Math.sqrt(most / height)) * 0.985);
      fitted.style.setProperty('zoom', String(zoom));
    }
    body.style.removeProperty('width');
  });
}

/** Does something while the page is laid out by its rules for paper; nothing of it is painted. */
function asOnPaper(act: () => void): void {
  const rules = [...document.styleSheets].flatMap(({ cssRules }) =>
    [...cssRules].flatMap((rule) => {
      if (!(rule instanceof CSSMediaRule)) return [];
      const { mediaText } = rule.media;
      const holds = holdsOnPaper(mediaText);
      return holds === undefined ? [] : [{ rule, mediaText, onPaper: holds ? 'all' : 'not all' }];
    }),
  );
  for (const { rule, onPaper } of rules) rule.media.mediaText = onPaper;
  try {
    act();
  } finally {
    for (const { rule, mediaText } of rules) rule.media.mediaText = mediaText;
  }
}

/** Whether rules for a medium or for a width hold on paper; undefined for what paper does not change. */
function holdsOnPaper(medium: string): boolean | undefined {
  if (medium === 'print') return true;
  const [, bound, pixels] = /^\((max|min)-width: (\d+)px\)$/.exec(medium) ?? [];
  if (bound === undefined) return undefined;
  const width = PAPER_MM.width * PIXELS_PER_MM;
  return bound === 'max' ? width <= Number(pixels) : width >= Number(pixels);
}
