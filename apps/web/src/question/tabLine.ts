/** Ways in tab one after the other, none of them broken over two lines. */
export function tabLine(ways: readonly { readonly tab: string }[], separator: string): string {
  return ways.map((way) => way.tab.replaceAll(' ', '\u00a0')).join(separator);
}
