/** The engraver by itself, without sound and editor; the package has no types for these. Its version is pinned. */
declare module 'abcjs/src/api/abc_tunebook_svg.js' {
  export default function renderAbc(target: HTMLElement, abc: string, options: object): unknown[];
}
declare module 'abcjs/src/write/svg.js' {
  const Svg: { prototype: { insertStyles: (css: string) => void } };
  export default Svg;
}
