import Alpine from '@alpinejs/csp';
import './workshop/workshop';
import './nearly-full';

Alpine.start();
