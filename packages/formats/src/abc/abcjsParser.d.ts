/** The parser by itself, without drawing and sound; the package has no types for it. Its version is pinned. */
declare module 'abcjs/src/parse/abc_parse.js' {
  export default class Parse {
    parse(text: string, options: object): void;
    getTune(): unknown;
    getWarningObjects(): unknown;
  }
}
