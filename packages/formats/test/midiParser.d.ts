declare module 'midi-parser-js' {
  export function parse(bytes: Uint8Array): unknown;
}
