import { answer } from '../core/planning/answer';
import type { PlanReply, PlanRequest } from './plan-message';

/** Answers one case after another, off the main thread. A case that breaks the planner is answered as such. */
self.onmessage = ({ data }: MessageEvent<PlanRequest>) => {
  let reply: PlanReply;
  try {
    reply = { id: data.id, ok: true, answer: answer(data.planCase) };
  } catch {
    reply = { id: data.id, ok: false };
  }
  self.postMessage(reply);
};
