/** A piece of a line of music, as far as parting it among voices needs it. */
export interface Token {
  readonly kind: 'bar' | 'overlay' | 'field' | 'other';
  readonly text: string;
}

/** In their order: what looks like a bar within a text, a decoration or a field is none. */
const PIECES: readonly (readonly [Token['kind'], RegExp])[] = [
  ['other', /"[^"]*"?/y],
  ['other', /![^!|]*!/y],
  ['other', /%.*/y],
  ['field', /\[[A-Za-z]:[^\]]*\]?/y],
  ['bar', /(?:\[\|\]|\[\||\|\]|[|:])+(?:\[?\d[\d,.-]*)?/y],
  ['other', /\[[\d"]/y],
  ['overlay', /&/y],
  ['other', /[^"!%[|:&]+|./y],
];

export function tokensOf(line: string): readonly Token[] {
  const tokens: Token[] = [];
  for (let at = 0; at < line.length;) {
    for (const [kind, piece] of PIECES) {
      piece.lastIndex = at;
      const text = piece.exec(line)?.[0];
      if (!text) continue;
      tokens.push({ kind, text });
      at += text.length;
      break;
    }
  }
  return tokens;
}
