// Writes the outlines of the letters registration marks are cut from into core, from the font that ships with the app.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import opentype from 'opentype.js';
import { ROOT } from './shell.mjs';

const CHARACTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-. ';
const FONT = 'node_modules/@expo-google-fonts/barlow-semi-condensed/500Medium/BarlowSemiCondensed_500Medium.ttf';

const bytes = readFileSync(join(ROOT, FONT));
const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
const box = (character) => font.charToGlyph(character).getBoundingBox();
const glyphs = Object.fromEntries(
  [...CHARACTERS].map((character) => {
    const glyph = font.charToGlyph(character);
    // The font runs y downwards when drawn; the sheet runs upwards.
    const commands = glyph.getPath(0, 0, font.unitsPerEm).commands;
    const d = commands
      .map(({ type, x, y, x1, y1 }) =>
        type === 'Z' ? 'Z' : type === 'Q' ? `Q${x1} ${-y1} ${x} ${-y}` : `${type}${x} ${-y}`,
      )
      .join('');
    if (commands.some(({ type }) => !'MLQZ'.includes(type)))
      throw new Error(`${character} has an edge of another kind`);
    return [character, { advance: glyph.advanceWidth, d }];
  }),
);
const i = box('I');
const letters = {
  source: 'Barlow Semi Condensed Medium, SIL Open Font License 1.1',
  capHeight: box('H').y2,
  stem: i.x2 - i.x1,
  glyphs,
};
writeFileSync(join(ROOT, 'core/src/lines/letters.json'), `${JSON.stringify(letters, null, 1)}\n`);
