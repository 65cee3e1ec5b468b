import Alpine from '@alpinejs/csp';
import './board/board';
import './menus';

Alpine.start();
