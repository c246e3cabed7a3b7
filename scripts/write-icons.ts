import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { iconsFile } from './icons';

// Draws the icons the client uses out of the icon font into a file of their own; a test fails while they differ.
const root = fileURLToPath(new URL('..', import.meta.url));
writeFileSync(join(root, 'client/src/ui/icons.ts'), iconsFile(root));
