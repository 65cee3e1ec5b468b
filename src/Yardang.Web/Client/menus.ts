// Menus close on Escape, on a press elsewhere, and when the focus goes on; with data-closes, also when something in them was done. They are <details data-menu>, and open without a script.

const openMenus = () => document.querySelectorAll<HTMLDetailsElement>('details[data-menu][open]');

document.addEventListener('pointerdown', (e) => {
  for (const menu of openMenus()) if (!menu.contains(e.target as Node)) menu.open = false;
});

document.addEventListener('focusin', (e) => {
  for (const menu of openMenus()) if (!menu.contains(e.target as Node)) menu.open = false;
});

document.addEventListener('click', (e) => {
  const pressed = e.target as Element;
  const menu = pressed.closest<HTMLDetailsElement>('details[data-closes][open]');
  if (!menu || !pressed.closest('button, a') || pressed.closest('summary')) return;
  const hadFocus = menu.contains(document.activeElement);
  menu.open = false;
  if (hadFocus) menu.querySelector('summary')?.focus();
});

// Before the page's own keys: Escape closes the menu and nothing else.
document.addEventListener(
  'keydown',
  (e) => {
    if (e.key !== 'Escape') return;
    for (const menu of openMenus()) {
      menu.open = false;
      menu.querySelector('summary')?.focus();
      e.stopPropagation();
      e.preventDefault();
    }
  },
  { capture: true },
);
