import type { IncomingMessage } from 'node:http';

/** A body is given so long before it must keep up, milliseconds. */
const PATIENCE_MS = 10_000;
/** and must then bring so many bytes a second */
const LEAST_BYTES_A_SECOND = 1024;

interface Watched {
  request: IncomingMessage;
  tooSlow: () => void;
  /** where the last stretch began */
  since: number;
  read: number;
}

/** Watches bodies in flight, and ends those that come too slowly. A body that waits for us is not slow. */
export class SlowBodies {
  private readonly watched = new Set<Watched>();

  watch(request: IncomingMessage, tooSlow: () => void, now: number): () => void {
    const one = { request, tooSlow, since: now, read: request.socket.bytesRead };
    this.watched.add(one);
    return () => void this.watched.delete(one);
  }

  /** Looks at all of them; to be called about once a second. */
  look(now: number): void {
    for (const one of this.watched) {
      const { request } = one;
      if (request.complete || request.destroyed) {
        this.watched.delete(one);
        continue;
      }
      const took = now - one.since;
      if (took < PATIENCE_MS) continue;
      const brought = request.socket.bytesRead - one.read;
      // A full buffer means that the body came faster than it is read.
      const waitsForUs = request.readableLength >= request.readableHighWaterMark || request.socket.isPaused();
      if (!waitsForUs && brought * 1000 < LEAST_BYTES_A_SECOND * took) {
        this.watched.delete(one);
        one.tooSlow();
        continue;
      }
      one.since = now;
      one.read = request.socket.bytesRead;
    }
  }
}
