declare module 'bidi-js' {
  interface Levels {
    /** the embedding level of each UTF-16 unit */
    levels: Uint8Array;
    paragraphs: { start: number; end: number; level: number }[];
  }
  interface Bidi {
    getEmbeddingLevels(text: string, direction?: 'ltr' | 'rtl' | 'auto'): Levels;
    getMirroredCharacter(letter: string): string | null;
  }
  export default function make(): Bidi;
}
