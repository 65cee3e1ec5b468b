import Alpine from '@alpinejs/csp';
import './in-tray/in-tray';

Alpine.start();
