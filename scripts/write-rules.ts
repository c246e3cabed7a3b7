import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { rulesOfThumbPage } from './rules-page';

// Writes the page of all rules of thumb; a test fails while it differs from the code.
writeFileSync(
  new URL('../docs/rules-of-thumb.md', import.meta.url),
  rulesOfThumbPage(fileURLToPath(new URL('../core/src', import.meta.url))),
);
