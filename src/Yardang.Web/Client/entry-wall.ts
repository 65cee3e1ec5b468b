import Alpine from '@alpinejs/csp';
import './walls/wall';
import './menus';

Alpine.start();
