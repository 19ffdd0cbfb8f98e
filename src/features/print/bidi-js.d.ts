/** What is used of the library; it ships no types of its own. */
declare module "bidi-js" {
  export type Levels = {
    readonly levels: Uint8Array;
    readonly paragraphs: readonly { readonly start: number; readonly end: number; readonly level: number }[];
  };
  function bidiFactory(): {
    getEmbeddingLevels(text: string, base?: "ltr" | "rtl" | "auto"): Levels;
    /** Which character stands at each place, from left to right. */
    getReorderedIndices(text: string, levels: Levels): number[];
    /** Brackets that are turned where they stand in words from right to left. */
    getMirroredCharactersMap(text: string, levels: Uint8Array): Map<number, string>;
  };
  export { bidiFactory as default };
}
