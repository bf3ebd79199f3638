/**
 * The body of a request as text, read no further than a limit.
 *
 * @returns null where there is more than `mostBytes` of it; the rest is not read
 */
export async function boundedText(request: Request, mostBytes: number): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return null;
  const reader = request.body?.getReader();
  if (reader === undefined) return '';
  const decoder = new TextDecoder();
  let bytes = 0;
  let text = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    bytes += value.byteLength;
    if (bytes > mostBytes) {
      await reader.cancel();
      return null;
    }
    text += decoder.decode(value, { stream: true });
  }
}
