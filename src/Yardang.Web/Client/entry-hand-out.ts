// Hand out: the ready check says what the choices of this moment mean.

const CHECK_AGAIN_MS = 2000;
const form = document.querySelector<HTMLFormElement>('.handing')!;
const place = form.querySelector('.ready')!;
let asked = 0;

form.addEventListener('change', () => void check());
// Choices may have been made before this was loaded, or the browser has put them back.
void check();

async function check(): Promise<void> {
  const nth = ++asked;
  const words = await ask().catch(() => null);
  // A later choice counts, also if its answer came first.
  if (nth !== asked) return;
  if (words !== null) place.innerHTML = words;
  else setTimeout(() => nth === asked && void check(), CHECK_AGAIN_MS);
}

async function ask(): Promise<string | null> {
  const answer = await fetch(`${location.pathname}?handler=Check`, { method: 'POST', body: new FormData(form) });
  // Who is signed out meanwhile is led elsewhere.
  return answer.ok && !answer.redirected ? answer.text() : null;
}
