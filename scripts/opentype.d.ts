/** What of the font reader is used here. */
declare module 'opentype.js' {
  interface Glyph {
    getPath(x: number, y: number, size: number): { toPathData(decimals: number): string };
  }
  interface Font {
    readonly ascender: number;
    readonly unitsPerEm: number;
    charToGlyph(character: string): Glyph;
  }
  const opentype: { parse(bytes: ArrayBuffer): Font };
  export default opentype;
}
