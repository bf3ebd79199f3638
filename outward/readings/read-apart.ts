import type { ReadResult, SaidKind } from '../../core/reading/read';
import { WorkThread } from '../work-thread';
import type { LibraryFile } from './library-file';

/** The slowest inputs of the largest size take a few seconds. */
const thread = new WorkThread('outward/readings/reading-work', { heapMiB: 256, longestMs: 30_000 });

/**
 * Reads one input off the main thread, so that an upload of megabytes holds up nobody else; the readers' own bounds
 * are there to keep it quick.
 *
 * @param as what a person says that it is; null: nobody says
 */
export async function readApart(input: Uint8Array, as: SaidKind | null = null): Promise<ReadResult> {
  return thread.work('reading', input, as);
}

/** Reads a file of models off the main thread. */
export async function readLibraryApart(input: Uint8Array): Promise<LibraryFile> {
  return thread.work('library', input);
}
