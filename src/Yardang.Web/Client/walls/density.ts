// How densely a teacher's wall is laid out: roomy, or as much of it at once as can be read. Kept on the device.

import css from '../../Pages/Teaching/density.css';
import { useStyles } from '../styles/with-script';

useStyles(css);

const KEY = 'yardang-dense';

export function densityOf() {
  return {
    isDense: localStorage.getItem(KEY) === 'true',

    refresh(): void {
      document.querySelector('[data-wall]')?.toggleAttribute('data-dense', this.isDense);
    },

    toggle(): void {
      this.isDense = !this.isDense;
      localStorage.setItem(KEY, String(this.isDense));
      this.refresh();
    },
  };
}
