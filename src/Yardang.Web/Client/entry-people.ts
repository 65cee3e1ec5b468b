import Alpine from '@alpinejs/csp';
import './people/people';
import './nearly-full';

Alpine.start();
