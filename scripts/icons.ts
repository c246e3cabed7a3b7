import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import opentype from 'opentype.js';

/** Icons of the client by their names in the font. To add one, run `npm run icons` afterwards. */
const NAMES = [
  'alert-outline',
  'arrow-down',
  'arrow-expand-horizontal',
  'arrow-left',
  'arrow-up',
  'auto-fix',
  'chart-bell-curve',
  'check',
  'check-circle-outline',
  'chevron-down',
  'chevron-up',
  'circle-outline',
  'clipboard-text-outline',
  'close',
  'close-octagon-outline',
  'cloud-off-outline',
  'content-copy',
  'delete-outline',
  'dots-horizontal',
  'download-outline',
  'eye-off-outline',
  'eye-outline',
  'fit-to-page-outline',
  'folder-open-outline',
  'hammer-wrench',
  'lock-open-outline',
  'lock-outline',
  'minus',
  'octagon-outline',
  'pause',
  'pencil-outline',
  'play',
  'plus',
  'printer-outline',
  'redo',
  'ruler',
  'ruler-square',
  'tape-measure',
  'timer-sand',
  'triangle-outline',
  'undo',
  'upload-outline',
] as const;

/** Side of the square an icon is drawn in, and where the line of the font lies in it. */
const SIDE = 24;

/** Where the icon font and the code points of its icons lie. */
const FONT = 'node_modules/@expo/vector-icons/build/vendor/react-native-vector-icons';

/**
 * The file of icons.
 * @param root folder of the project
 */
export function iconsFile(root: string): string {
  const { buffer, byteOffset, byteLength } = readFileSync(join(root, FONT, 'Fonts/MaterialCommunityIcons.ttf'));
  const glyphs = JSON.parse(readFileSync(join(root, FONT, 'glyphmaps/MaterialCommunityIcons.json'), 'utf8')) as Record<
    string,
    number
  >;
  const drawn = opentype.parse(buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer);
  const base = (SIDE * drawn.ascender) / drawn.unitsPerEm;
  const lines = NAMES.map((name) => {
    const glyph = drawn.charToGlyph(String.fromCodePoint(glyphs[name]!));
    return `  '${name}': '${glyph.getPath(0, base, SIDE).toPathData(2)}',`;
  });
  return [
    '// Written by `npm run icons` out of the icon font: only what the client draws.',
    '/** Shapes of the icons, in a square of 24. */',
    'export const ICONS = {',
    ...lines,
    '} as const;',
    '',
    'export type IconName = keyof typeof ICONS;',
    '',
  ].join('\n');
}
