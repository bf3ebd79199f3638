import { z } from 'zod';
import { READING_LIMIT_BYTES } from '@/core/reading/reading';
import type { ReadingInput } from '@/service/intake';

const TOO_LARGE = 'This input is over 8 MiB: a memory report is far smaller, so something else was dropped.';
/** Three bytes are four letters of base64 (RFC 4648). */
const LARGEST_BASE64 = Math.ceil(READING_LIMIT_BYTES / 3) * 4;

const name = z.string().trim().min(1).max(200);

/** What was dropped, chosen or pasted: text as text, a file's bytes as base64. */
export const readingInputSchema = z.union([
  z.strictObject({ name, text: z.string().max(READING_LIMIT_BYTES, TOO_LARGE) }),
  z.strictObject({ name, base64: z.base64().max(LARGEST_BASE64, TOO_LARGE) }),
]);

/** The input's bytes. */
export function readingInput(input: z.infer<typeof readingInputSchema>): ReadingInput {
  const bytes = 'text' in input ? new TextEncoder().encode(input.text) : Buffer.from(input.base64, 'base64');
  return { name: input.name, input: bytes };
}
