/**
 * Letters of Windows-1252 at 0x80 to 0x9F (WHATWG Encoding, index windows-1252). Node 20 decodes them as control
 * characters under that name, so they are put right here.
 */
const HIGH_LETTERS =
  '\u20ac\u0081\u201a\u0192\u201e\u2026\u2020\u2021\u02c6\u2030\u0160\u2039\u0152\u008d\u017d\u008f\u0090\u2018\u2019\u201c\u201d\u2022\u2013\u2014\u02dc\u2122\u0161\u203a\u0153\u009d\u017e\u0178';

/** The letter of each byte. */
const LETTERS = Uint16Array.from({ length: 256 }, (_, byte) =>
  byte >= 0x80 && byte < 0xa0 ? HIGH_LETTERS.charCodeAt(byte - 0x80) : byte,
);
/** Bytes put right at a time. */
const CHUNK = 64 * 1024;

function decodeWindows(bytes: Uint8Array): string {
  const decoder = new TextDecoder('utf-16le');
  const units = new Uint8Array(2 * Math.min(CHUNK, bytes.length));
  let text = '';
  for (let from = 0; from < bytes.length; from += CHUNK) {
    const length = Math.min(CHUNK, bytes.length - from);
    for (let at = 0; at < length; at++) {
      const letter = LETTERS[bytes[from + at] ?? 0] ?? 0;
      units[2 * at] = letter & 0xff;
      units[2 * at + 1] = letter >> 8;
    }
    // Nothing of one piece belongs to the next; a mark at its beginning is none.
    text += decoder.decode(units.subarray(0, 2 * length), { stream: true });
  }
  return text;
}

export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** Bytes looked at for the zeros that UTF-16 has beside plain letters. */
const LOOKED_AT = 128;

/** UTF-16 without a byte order mark: nearly every second byte is zero, always on the same side. */
function bareUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const head = bytes.subarray(0, LOOKED_AT);
  if (head.length < 4) return null;
  const zeros = [0, 0];
  for (const [at, byte] of head.entries()) if (byte === 0) zeros[at & 1] = (zeros[at & 1] ?? 0) + 1;
  const [even = 0, odd = 0] = zeros;
  const most = head.length * 0.4;
  if (odd >= most && even === 0) return 'utf-16le';
  return even >= most && odd === 0 ? 'utf-16be' : null;
}

/** UTF-16 as a byte order mark or the zeros between plain letters tell it; null: some other encoding. */
function utf16Of(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  return bareUtf16(bytes);
}

/**
 * Tells the encoding of a file that comes piece by piece: UTF-16 where a byte order mark or the zeros say so, UTF-8 where
 * all of it is valid, otherwise Windows-1252, in which every byte is a letter.
 */
export class EncodingSeer {
  #wide: 'utf-16le' | 'utf-16be' | null = null;
  #utf8: TextDecoder | null = null;
  #begun = false;

  /** Looks at the next piece. */
  see(bytes: Uint8Array): void {
    if (!this.#begun) {
      this.#begun = true;
      this.#wide = utf16Of(bytes);
      if (this.#wide === null) this.#utf8 = new TextDecoder('utf-8', { fatal: true });
    }
    this.#try((decoder) => decoder.decode(bytes, { stream: true }));
  }

  /** The encoding, once every piece was seen. */
  end(): Encoding {
    this.#try((decoder) => decoder.decode());
    return this.#wide ?? (this.#utf8 !== null || !this.#begun ? 'utf-8' : 'windows-1252');
  }

  #try(step: (decoder: TextDecoder) => void): void {
    try {
      if (this.#utf8 !== null) step(this.#utf8);
    } catch {
      this.#utf8 = null;
    }
  }
}

/** Turns bytes into text piece by piece; a letter may be cut by the pieces. Never throws. */
export class TextPieces {
  readonly #decoder: TextDecoder | null;

  constructor(encoding: Encoding) {
    this.#decoder = encoding === 'windows-1252' ? null : new TextDecoder(encoding);
  }

  /** @param last no further piece follows */
  next(bytes: Uint8Array, last: boolean): string {
    return this.#decoder === null ? decodeWindows(bytes) : this.#decoder.decode(bytes, { stream: !last });
  }
}

/**
 * Text of a file, in the encoding that its bytes tell (see {@link EncodingSeer}). Never throws.
 */
export function decodeText(bytes: Uint8Array): string {
  const wide = utf16Of(bytes);
  if (wide !== null) return new TextDecoder(wide).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return decodeWindows(bytes);
  }
}
