import Alpine from '@alpinejs/csp';
import './history/history';
import './menus';
import './nearly-full';

Alpine.start();
