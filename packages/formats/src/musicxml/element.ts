/** An element; what stands in it as text is escaped, a list of elements is not. */
export function tag(
  name: string,
  content: string | number | readonly string[] = [],
  attributes: Readonly<Record<string, string | number>> = {},
): string {
  const named = Object.entries(attributes)
    .map(([key, value]) => ` ${key}="${escaped(String(value))}"`)
    .join('');
  const inner = typeof content === 'object' ? content.join('') : escaped(String(content));
  return inner === '' ? `<${name}${named}/>` : `<${name}${named}>${inner}</${name}>`;
}

function escaped(text: string): string {
  // Control characters have no place in a document.
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '')
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
}
