/** Where a request was going, for coming back after signing in; only paths of our own. */
export function requestPath(headers: { get(name: string): string | null }): string {
  return safePath(headers.get('x-path'));
}

/** A path of this application, or the counter for anything that could lead elsewhere. */
export function safePath(path: string | null | undefined): string {
  return path && /^\/(?![/\\])[\w\-./?=&%]*$/.test(path) && !path.startsWith('/api/') ? path : '/counter';
}
