/** The market that was asked for last: the page, its planner and the next station ask for the same one. */
let last: { path: string; text: Promise<string> } | null = null;

/**
 * A market as its text.
 *
 * @throws where the server does not answer with it; the next call asks again
 */
export function readMarket(path: string): Promise<string> {
  if (last?.path === path) return last.text;
  const text = fetch(path).then((response) => {
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
    return response.text();
  });
  const own = { path, text };
  last = own;
  text.catch(() => {
    if (last === own) last = null;
  });
  return text;
}
