import {
  degrees,
  lineTo,
  moveTo,
  PDFDocument,
  type PDFFont,
  popGraphicsState,
  pushGraphicsState,
  setDashPattern,
  setLineWidth,
  setStrokingGrayscaleColor,
  StandardFonts,
  stroke,
} from 'pdf-lib';
import type { PaperTexts } from './messages';
import type { Page, PaperStroke } from './page';

/** Points, the unit of PDF, in a millimetre. */
const PT = 72 / 25.4;

const PENS: Readonly<
  Record<PaperStroke['pen'], { readonly widthMm: number; readonly grey: number; readonly dashMm: readonly number[] }>
> = {
  trim: { widthMm: 0.25, grey: 0, dashMm: [] },
  rim: { widthMm: 0.35, grey: 0, dashMm: [] },
  help: { widthMm: 0.12, grey: 0.45, dashMm: [] },
  dash: { widthMm: 0.15, grey: 0.35, dashMm: [6, 1.5, 1, 1.5] },
};

/**
 * Writes pages as a PDF at 1:1.
 * @param title title of the document
 * @param tell puts messages into words
 * @param written called with the number of pages written
 */
export async function writePdf(
  pages: readonly Page[],
  title: string,
  tell: PaperTexts,
  written: (pages: number) => void = () => undefined,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setProducer('Lintrel');
  pdf.setCreator('Lintrel');
  const [plain, bold] = [
    await pdf.embedFont(StandardFonts.Helvetica),
    await pdf.embedFont(StandardFonts.HelveticaBold),
  ];
  for (const [number, { widthMm, heightMm, strokes, words }] of pages.entries()) {
    written(number);
    const page = pdf.addPage([widthMm * PT, heightMm * PT]);
    for (const { points, pen } of strokes) {
      if (points.length < 2) continue;
      const { widthMm: wide, grey, dashMm } = PENS[pen];
      page.pushOperators(
        pushGraphicsState(),
        setLineWidth(wide * PT),
        setStrokingGrayscaleColor(grey),
        setDashPattern(
          dashMm.map((length) => length * PT),
          0,
        ),
        moveTo(points[0]![0] * PT, points[0]![1] * PT),
        ...points.slice(1).map(([x, y]) => lineTo(x * PT, y * PT)),
        stroke(),
        popGraphicsState(),
      );
    }
    for (const { at, text, sizeMm, bold: heavy, turnDeg } of words) {
      const font = heavy ? bold : plain;
      page.drawText(printable(typeof text === 'string' ? text : tell(text), font), {
        x: at[0] * PT,
        y: at[1] * PT,
        size: sizeMm * PT,
        font,
        rotate: degrees(turnDeg ?? 0),
      });
    }
  }
  return pdf.save();
}

/** The fonts every reader has know Western letters only: others become a question mark. */
function printable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return [...text].map((sign) => (known.has(sign.codePointAt(0) ?? 0) ? sign : '?')).join('');
}
