/** The engraver by itself, without sound and editor; the package has no types for these. Its version is pinned. */
declare module 'abcjs/src/write/engraver-controller.js' {
  export default class EngraverController {
    constructor(target: HTMLElement, options: object);
    engraveABC(tune: object, tuneNumber: number, lineOffset: number): void;
  }
}
declare module 'abcjs/src/write/svg.js' {
  const Svg: { prototype: { insertStyles: (css: string) => void } };
  export default Svg;
}
