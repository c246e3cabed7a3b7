import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { iconsFile } from './icons';

it('the icons the client draws are those of the font', () => {
  const root = join(__dirname, '..');
  const drawn = readFileSync(join(root, 'client/src/ui/icons.ts'), 'utf8');
  expect(drawn).toBe(iconsFile(root));
  const shapes = [...drawn.matchAll(/'(M[^']*)',/g)].map(([, path]) => path);
  expect(shapes.length).toBe([...drawn.matchAll(/^ {2}\S+:/gm)].length);
  for (const shape of shapes) expect(shape).toMatch(/^[\d.,\sMLHVCQZ-]+$/i);
});
