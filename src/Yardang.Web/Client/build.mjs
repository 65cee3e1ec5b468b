console.log('nothing yet');
import { mkdirSync, writeFileSync } from 'node:fs';
mkdirSync('wwwroot/dist', { recursive: true });
writeFileSync('wwwroot/dist/app.css', '');
