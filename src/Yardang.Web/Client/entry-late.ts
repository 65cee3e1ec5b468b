import Alpine from '@alpinejs/csp';
import './late/late';
import './nearly-full';

Alpine.start();
