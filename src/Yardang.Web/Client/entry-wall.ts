import Alpine from '@alpinejs/csp';
import type { WorkData } from './lesson/work-data';
import { pageData } from './page-data';
import { registerWall } from './walls/wall';
import './menus';

const isBeside = pageData<WorkData>().mode === 'beside';
registerWall(isBeside ? (await import('./walls/beside')).besideOf : null);
Alpine.start();
