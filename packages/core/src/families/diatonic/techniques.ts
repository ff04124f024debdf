import type { Technique } from '../way.ts';

const DIZZY = 'Over-notes take hard breathing: stop at once when you feel dizzy.';

/** From the easiest to the hardest, as teachers commonly order them. */
export const techniques = Object.freeze([
  { id: 'plain', label: 'plain notes', needs: 'a plain note', safe: true },
  { id: 'shallow-bend', label: 'shallow bends', needs: 'a bend', safe: true, glides: true },
  { id: 'deep-bend', label: 'deep bends', needs: 'a deep bend', safe: true, glides: true },
  { id: 'middle-bend', label: 'middle bends', needs: 'a middle bend', safe: false, glides: true },
  { id: 'blow-bend', label: 'blow bends', needs: 'a blow bend', safe: false, glides: true },
  { id: 'overblow', label: 'overblows', needs: 'an overblow', safe: false, own: true, caution: DIZZY },
  { id: 'overdraw', label: 'overdraws', needs: 'an overdraw', safe: false, own: true, caution: DIZZY },
] as const satisfies readonly Technique[]);

export type TechniqueId = (typeof techniques)[number]['id'];
