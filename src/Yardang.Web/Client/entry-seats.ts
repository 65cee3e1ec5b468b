import Alpine from '@alpinejs/csp';
import './seats/seats';

Alpine.start();
