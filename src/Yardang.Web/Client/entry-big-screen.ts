import Alpine from '@alpinejs/csp';
import './big-screen/big-screen';

Alpine.start();
