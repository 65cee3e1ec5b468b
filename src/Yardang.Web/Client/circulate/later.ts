// What surrounds the boards is started once the first of them is seen: a slow computer takes long over so many buttons.

import Alpine from '@alpinejs/csp';

const AT_LATEST_MS = 1500;

/** Starts it as soon as the browser has time. */
export async function startLater(root: HTMLElement): Promise<void> {
  await new Promise((done) => requestIdleCallback(done, { timeout: AT_LATEST_MS }));
  startNow(root);
}

/** Starts it because it is wanted. */
export function startNow(root: HTMLElement): void {
  for (const part of root.querySelectorAll<HTMLElement>('[data-later]')) {
    part.removeAttribute('data-later');
    part.removeAttribute('x-ignore');
    Reflect.deleteProperty(part, '_x_ignore');
    Alpine.initTree(part);
  }
}
