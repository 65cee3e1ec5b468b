// A form goes once: an impatient second press would hand out a second lesson, or bring somebody in twice.

import './in-tray/tray-count';
import './menus';
import './nearly-full';

const AGAIN_MS = 10_000;
const sent = new WeakSet<HTMLFormElement>();

document.addEventListener('submit', (e) => {
  const form = e.target as HTMLFormElement;
  // What a script sends, it sends itself.
  if (e.defaultPrevented) return;
  if (sent.has(form)) return e.preventDefault();
  sent.add(form);
  // Loading may be stopped, and the page stays.
  setTimeout(() => sent.delete(form), AGAIN_MS);
});

// Back from the next page, as it was left.
addEventListener('pageshow', () => {
  for (const form of document.forms) sent.delete(form);
});
