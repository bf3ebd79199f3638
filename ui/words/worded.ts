/** Choices whose texts are keys of a catalogue, said in the person's language. */
export const worded = <Value extends string, Key extends string>(
  t: (key: Key) => string,
  choices: readonly { readonly value: Value; readonly text: Key }[],
): { value: Value; text: string }[] => choices.map(({ value, text }) => ({ value, text: t(text) }));
