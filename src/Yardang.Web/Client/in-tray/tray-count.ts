// How much waits for this teacher's decision, wherever a screen has a place for it. Nothing blinks: the number is another one.

const AGAIN_MS = 15_000;

async function count(): Promise<void> {
  try {
    const answer = document.hidden ? null : await fetch('/tray/count');
    if (answer?.ok) show(((await answer.json()) as { count: number }).count);
  } catch {
    // The next time it is asked for the network may be there again.
  }
  setTimeout(() => void count(), AGAIN_MS);
}

function show(waiting: number): void {
  for (const place of document.querySelectorAll<HTMLElement>('[data-tray-count]')) {
    place.textContent = waiting > 0 ? String(waiting) : '';
  }
}

if (document.querySelector('[data-tray-count]')) void count();
