import Alpine from '@alpinejs/csp';
import './history/history';
import './menus';

Alpine.start();
