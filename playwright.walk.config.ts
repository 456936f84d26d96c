import { defineConfig } from '@playwright/test';
import usual from './playwright.config';

/** The walk of a new owner, from an empty database: on a server of its own. */
export default defineConfig({ ...usual, testDir: './tests/walk', timeout: 900_000, retries: 0 });
