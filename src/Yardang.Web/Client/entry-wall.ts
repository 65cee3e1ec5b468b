import Alpine from '@alpinejs/csp';
import type { WorkData } from './lesson/work-data';
import { pageData } from './page-data';
import { registerWall } from './walls/wall';
import './menus';
import './nearly-full';

const { mode } = pageData<WorkData>();
registerWall(
  mode === 'beside' ? (await import('./walls/beside')).besideOf : null,
  mode === 'try' ? await import('./lesson/try-room') : null,
);
Alpine.start();
