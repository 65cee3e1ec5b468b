import Alpine from '@alpinejs/csp';
import './late/late';

Alpine.start();
