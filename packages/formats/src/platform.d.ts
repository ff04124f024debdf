/** What workers and Node.js both have, of all that neither belongs to the language nor to one of them alone. */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean });
  decode(bytes: Uint8Array): string;
}
