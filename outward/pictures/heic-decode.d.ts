declare module 'heic-decode' {
  interface HeicPicture {
    width: number;
    height: number;
    decode: () => Promise<{ width: number; height: number; data: Uint8ClampedArray }>;
  }
  /** The pictures of a file, none decoded yet; `dispose` frees them. */
  export function all(input: { buffer: Uint8Array }): Promise<HeicPicture[] & { dispose: () => void }>;
}
