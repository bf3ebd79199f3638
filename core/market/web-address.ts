/** UTF-16 units of an address, at most. */
const MOST_ADDRESS = 500;

/** Is a text the address of a page on the web (RFC 3986, http or https with a host)? Nothing that runs is taken for one. */
export function isWebAddress(text: string): boolean {
  if (text.length > MOST_ADDRESS || !/^https?:\/\//i.test(text) || /[\s\p{Cc}]/u.test(text) || !URL.canParse(text))
    return false;
  const { protocol, hostname, username, password } = new URL(text);
  return /^https?:$/.test(protocol) && hostname !== '' && username === '' && password === '';
}
