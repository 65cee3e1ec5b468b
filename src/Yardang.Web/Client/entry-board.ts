import Alpine from '@alpinejs/csp';
import './board/board';

Alpine.start();
