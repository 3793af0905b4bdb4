import { ensureDriver, ensureTestPrograms } from './setup.mjs';

/** What the tests need of the machine besides packages. */
ensureTestPrograms();
ensureDriver();
