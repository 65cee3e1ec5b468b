// How much may still be typed, below the field in which it is, over everything else.

import { plural } from './page-data';
import css from './styles/letters-left.css';
import { useStyles } from './styles/with-script';

const GAP = 4;

let line: HTMLElement | null = null;
let of: HTMLTextAreaElement | null = null;

export function sayLeft(field: HTMLTextAreaElement): void {
  line ??= madeLine();
  if (of !== field) {
    of = field;
    field.addEventListener('blur', hide, { once: true });
    field.addEventListener('input', refresh);
  }
  refresh();
}

function refresh(): void {
  if (!of || !line) return;
  const { value, maxLength } = of;
  if (value.length < maxLength / 2) return hide();
  const left = maxLength - value.length;
  line.textContent = plural(document.body.dataset, 'lettersLeft', left);
  line.dataset['none'] = String(left === 0);
  if (!line.matches(':popover-open')) line.showPopover();
  const box = of.getBoundingClientRect();
  const top = Math.min(box.bottom + GAP, innerHeight - line.offsetHeight - GAP);
  line.style.top = `${top}px`;
  line.style.left = `${Math.max(GAP, box.right - line.offsetWidth)}px`;
}

function hide(): void {
  of?.removeEventListener('input', refresh);
  of?.removeEventListener('blur', hide);
  of = null;
  if (line?.matches(':popover-open')) line.hidePopover();
}

function madeLine(): HTMLElement {
  useStyles(css);
  const made = document.createElement('p');
  Object.assign(made, { className: 'letters-left', popover: 'manual' });
  made.setAttribute('role', 'status');
  document.body.append(made);
  return made;
}
