import Alpine from '@alpinejs/csp';
import './circulate/circulate';
import './menus';

Alpine.start();
