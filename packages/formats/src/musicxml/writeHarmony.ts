import { parseChord, type Ticks } from '@same-song/core/music';
import type { SongChord, SongKey } from '@same-song/core/song';
import { tag } from './element.ts';
import { KINDS } from './tables.ts';

/** A chord symbol. @param offset ticks after the note it stands before */
export function harmony({ symbol }: SongChord, offset: Ticks, tonic: SongKey['tonic']): string {
  const parts = /^([A-G])([♭♯b#]*)([^/]*)(?:\/([A-G])([♭♯b#]*))?$/u.exec(symbol);
  const behind = offset > 0 ? [tag('offset', offset)] : [];
  if (!parts)
    return tag('harmony', [
      tag('root', [tag('root-step', tonic.letter, { text: '' })]),
      tag('kind', 'none', { text: symbol }),
      ...behind,
    ]);
  const [, root = '', signs = '', ending = '', bass, bassSigns = ''] = parts;
  const chord = parseChord(symbol, tonic);
  const quality = chord.ok ? chord.value.quality : ending;
  const kind = Object.entries(KINDS).find(([, text]) => text === quality)?.[0];
  return tag('harmony', [
    tag('root', [tag('root-step', root), ...alter('root-alter', signs)]),
    kind ? tag('kind', kind, ending ? { text: ending } : {}) : tag('kind', 'other', { text: ending }),
    ...(bass ? [tag('bass', [tag('bass-step', bass), ...alter('bass-alter', bassSigns)])] : []),
    ...behind,
  ]);
}

function alter(name: string, signs: string): string[] {
  const value = [...signs].reduce((sum, sign) => sum + (sign === '♭' || sign === 'b' ? -1 : 1), 0);
  return value === 0 ? [] : [tag(name, value)];
}
