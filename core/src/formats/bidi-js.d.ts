/** What is used of the package, which has no types of its own. */
declare module 'bidi-js' {
  interface EmbeddingLevels {
    levels: Uint8Array;
    paragraphs: { start: number; end: number; level: number }[];
  }
  interface Bidi {
    getEmbeddingLevels(text: string, direction?: 'ltr' | 'rtl'): EmbeddingLevels;
    getMirroredCharacter(character: string): string | null;
  }
  export default function bidiFactory(): Bidi;
}
