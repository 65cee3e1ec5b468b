import Alpine from '@alpinejs/csp';
import './workshop/workshop';

Alpine.start();
