/**
 * The text of a file: UTF-8 or UTF-16 by its byte-order mark, UTF-8 where the bytes are that, otherwise Latin-1.
 * Lines end in one `\n`.
 */
export function textOf(bytes: Uint8Array): string {
  return decode(bytes).replace(/\r\n?/g, '\n');
}

function decode(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (a === 0x3c && b === 0) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0 && b === 0x3c) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
