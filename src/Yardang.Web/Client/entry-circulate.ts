import Alpine from '@alpinejs/csp';
import './circulate/circulate';
import './in-tray/tray-count';
import './menus';
import './nearly-full';

Alpine.start();
