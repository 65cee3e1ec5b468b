import Alpine from '@alpinejs/csp';
import './walls/wall-workshop';
import './menus';
import './nearly-full';

Alpine.start();
