import type { ReadingInput } from '../service/job/intake/intake';

/** Text as it is when somebody pastes it. */
export function textInput(name: string, text: string): ReadingInput {
  return { name, input: new TextEncoder().encode(text) };
}
