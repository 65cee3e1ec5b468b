import Alpine from '@alpinejs/csp';
import './walls/wall-workshop';
import './menus';

Alpine.start();
