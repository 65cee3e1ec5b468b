// What somebody types as an address on the web.

/** A web address without a password in it; null if what is typed is none. */
export function addressIn(typed: string): URL | null {
  const text = typed.trim();
  const address = URL.parse(/^https?:/i.test(text) ? text : `https://${text}`);
  return address && !address.username && address.hostname.includes('.') ? address : null;
}
