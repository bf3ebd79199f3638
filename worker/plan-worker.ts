import type { PlanRequest } from './plan-message';
import { PlanWork } from './plan-work';

const work = new PlanWork({
  reply: (reply) => self.postMessage(reply),
  read: async (path) => {
    const response = await fetch(path);
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
    return response.text();
  },
  now: () => performance.now(),
  pause: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
});

/** Answers one request after another, off the main thread. */
self.onmessage = ({ data }: MessageEvent<PlanRequest>) => {
  void work.take(data);
};
