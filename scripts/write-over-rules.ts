import { writeFileSync } from 'node:fs';
import { compatibilityPage } from '../cli/src/over-page';

// Writes the table of over-rules into the docs; a test reads it back cell by cell.
writeFileSync(new URL('../docs/over-rules.md', import.meta.url), compatibilityPage());
