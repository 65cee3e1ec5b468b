import Alpine from '@alpinejs/csp';
import './board/board';
import './menus';
import './nearly-full';

Alpine.start();
