import Alpine from '@alpinejs/csp';
import './in-tray/in-tray';
import './nearly-full';

Alpine.start();
