import Alpine from '@alpinejs/csp';
import './circulate/circulate';

Alpine.start();
