// The two small menus in which a student says more: why a hand is up, and how it is going.

/** Opens or closes one of them. The focus stays where it is. */
export function openTelling(name: 'why' | 'going', open: boolean): void {
  const menu = document.querySelector<HTMLDetailsElement>(`details[data-tell="${name}"]`);
  if (!menu) return;
  const hadFocus = menu.contains(document.activeElement);
  menu.open = open;
  if (!open && hadFocus) menu.querySelector('summary')?.focus();
}
