/**
 * Headers that the gate writes into every request, over whatever came under these names; so route handlers may believe
 * them.
 */
export const CLIENT_ADDRESS = 'x-fenbrik-client';
/** `1` where the client's own connection is encrypted */
export const CLIENT_SECURE = 'x-fenbrik-secure';
export const REQUEST_ID = 'x-request-id';

type Headers = { get(name: string): string | null };

/** The client's address, behind trusted proxies the one that they tell. */
export const clientAddress = (headers: Headers): string => headers.get(CLIENT_ADDRESS) ?? 'unknown';

/** Does the client speak to us, or to a trusted proxy, over TLS? */
export const isSecure = (headers: Headers): boolean => headers.get(CLIENT_SECURE) === '1';

export const SESSION_COOKIE = 'fenbrik-session';
/** by it a browser is known from which somebody signed in before */
export const BROWSER_COOKIE = 'fenbrik-browser';
