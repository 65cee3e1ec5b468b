import Alpine from '@alpinejs/csp';
import './history/history';

Alpine.start();
