// Hand out: the ready check says what the choices of this moment mean.

const form = document.querySelector<HTMLFormElement>('.handing')!;
const place = form.querySelector('.ready')!;
let asked = 0;

form.addEventListener('change', () => void check());

async function check(): Promise<void> {
  const nth = ++asked;
  const answer = await fetch(`${location.pathname}?handler=Check`, { method: 'POST', body: new FormData(form) });
  // A later choice counts, also if its answer came first.
  if (answer.ok && nth === asked) place.innerHTML = await answer.text();
}
