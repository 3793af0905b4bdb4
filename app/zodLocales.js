// Stands in for Zod's index of locales; see metro.config.js.
export { default as en } from 'zod/v4/locales/en.js';
