import Alpine from '@alpinejs/csp';
import './people/people';

Alpine.start();
