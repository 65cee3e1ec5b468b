import { defineConfig } from '@playwright/test';
import base from '../playwright.config.mjs';
export default defineConfig({ ...base, testDir: '.', testMatch: '*.spec.mjs', webServer: undefined, retries: 0, workers: 1, reporter: 'line', use: { ...base.use, baseURL: 'http://localhost:5090' } });
