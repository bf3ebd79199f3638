import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { type Entry, fromBuffer, type ZipFile } from 'yauzl';

const MOST_ENTRIES = 4_000;

/** Why a workbook is not read on; its message goes to the person who dropped it. */
export class NotRead extends Error {}

/** Opens a package of parts (ECMA-376 part 2); nothing of it is unpacked yet. */
export function openPackage(input: Uint8Array): Promise<ZipFile> {
  return new Promise((resolve, reject) =>
    fromBuffer(Buffer.from(input), { lazyEntries: true, validateEntrySizes: true }, (error, zip) =>
      error ? reject(error) : resolve(zip),
    ),
  );
}

/** The parts of a package by name (ECMA-376 part 2), without reading any. */
export function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    zip.on('entry', (entry: Entry) => {
      if (entries.size >= MOST_ENTRIES) {
        reject(new NotRead('This package holds too many parts to be a price list.'));
        return;
      }
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', reject);
    zip.readEntry();
  });
}

/** Bytes that may still be unpacked, counted over all parts as they come and not as they are announced. */
export interface Budget {
  left: number;
}

type OnTag = (tag: SaxesTagPlain) => void;

interface Hearing {
  open: OnTag;
  close: (name: string) => void;
  text?: (text: string) => void;
}

/** Names without the prefix that a writer may put before them. */
export const local = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Parses one part as it is unpacked; entities of the part's own are never expanded. */
export function hear(zip: ZipFile, entry: Entry, budget: Budget, { open, close, text }: Hearing): Promise<void> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) {
        reject(error);
        return;
      }
      const parser = new SaxesParser();
      const decoder = new TextDecoder('utf-8');
      const stop = (cause: unknown): void => {
        stream.destroy();
        reject(cause instanceof Error ? cause : new Error(String(cause)));
      };
      parser.on('error', stop);
      parser.on('opentag', open);
      parser.on('closetag', (tag) => close(tag.name));
      if (text !== undefined) parser.on('text', text);
      stream.on('data', (chunk: Buffer) => {
        budget.left -= chunk.length;
        if (budget.left < 0) {
          stop(new NotRead('This workbook is far larger than it looks: save the sheet as CSV and drop that.'));
          return;
        }
        try {
          parser.write(decoder.decode(chunk, { stream: true }));
        } catch (cause) {
          stop(cause);
        }
      });
      stream.once('error', reject);
      stream.once('end', () => {
        try {
          parser.write(decoder.decode()).close();
          resolve();
        } catch (cause) {
          reject(cause instanceof Error ? cause : new Error(String(cause)));
        }
      });
    });
  });
}
