import * as v from 'valibot';
import type { Design, Shelf } from '../job';
import { booleanField, faultText, idText, messageWithoutValues, numberBetween, oneOfWords } from '../kit';
import { planJob } from '../plan';
import { type PartPlan, partPlan, type PartWork, type StationTable, stationTable, workOutParts } from '../setout';
import type { StationWords } from './csv';
import { goresOf } from './gores';
import { layPages } from './lay-pages';
import { maskPlot } from './masks';
import type { PaperMessage, PaperTexts, PrintMessage } from './messages';
import type { Page } from './page';
import { partPlot } from './part-plot';
import { writePdf } from './pdf';
import { stationPages } from './table-pages';
import { singlePage, tilePages } from './tiles';

const paper = v.optional(oneOfWords(['A4', 'Letter']), 'A4');
/** Unit of the person who prints. */
const unit = v.optional(oneOfWords(['mm', 'in']), 'mm');

/** What is to be printed of a job. */
export const printSchema = v.variant(
  'what',
  [
    v.strictObject({
      what: v.literal('template'),
      unit,
      part: idText(),
      paper,
      /** The other way round, for the other side. */
      mirrored: v.optional(booleanField(), false),
      /** One sheet as large as the part, for a wide printer. */
      single: v.optional(booleanField(), false),
    }),
    v.strictObject({
      what: v.literal('stations'),
      unit,
      part: idText(),
      line: idText(),
      datum: v.optional(idText()),
      step: v.optional(numberBetween(1, 30_000, 'mm'), 100),
      tolerance: v.optional(numberBetween(0.05, 100, 'mm'), 0.5),
      paper,
    }),
    /** What is laid, stage by stage, with boxes to tick. */
    v.strictObject({ what: v.literal('lay'), unit, paper }),
    v.strictObject({ what: v.literal('masks'), unit, width: v.optional(numberBetween(10, 2000, 'mm'), 150), paper }),
  ],
  faultText({ code: 'field.choice', values: { choices: ['template', 'stations', 'masks', 'lay'] } }),
);
export type PrintWish = v.InferOutput<typeof printSchema>;

/** How what is printed is put into words. */
export interface PrintWords {
  readonly tell: PaperTexts;
  readonly detail: PaperTexts;
  readonly stations: (table: StationTable) => StationWords;
}

/** What came of printing: the pages, or why there are none. */
export type Printed =
  | { readonly ok: true; readonly title: PaperMessage; readonly pages: readonly Page[] }
  | { readonly ok: false; readonly why: PrintMessage };

/** Lays out what is to be printed. */
export function pagesFor(design: Design, shelf: Shelf, wish: PrintWish, words: PrintWords): Printed {
  if (wish.what === 'lay') return laySheets(design, shelf, wish, words);
  if (wish.what === 'masks')
    return maskPages(
      design,
      workOutParts(design).map((work) => partPlan(work, new Map())),
      wish,
    );
  const part = design.parts.find(({ id }) => id === wish.part);
  if (!part) return { ok: false, why: { code: 'print.no-part', values: { part: wish.part } } };
  if (wish.what === 'stations') return tablePages(design, part.name, wish, words);
  const work = workOutParts(design).find((workOutPart) => workOutPart.part === part) as PartWork;
  return templatePages(design, work, partPlan(work, new Map()), wish);
}

/**
 * Lays out the pages and writes the PDF.
 * @param written called with the number of pages written, and the total
 */
export async function printPdf(
  design: Design,
  shelf: Shelf,
  wish: PrintWish,
  words: PrintWords,
  written: (pages: number, total: number) => void = () => undefined,
): Promise<
  | { readonly ok: true; readonly bytes: Uint8Array; readonly title: string }
  | { readonly ok: false; readonly why: PrintMessage }
> {
  const printed = pagesFor(design, shelf, wish, words);
  if (!printed.ok) return printed;
  const title = words.tell(printed.title);
  return {
    ok: true,
    title,
    bytes: await writePdf(printed.pages, title, words.tell, (pages) => written(pages, printed.pages.length)),
  };
}

/** The lay list of the plan of a job. */
function laySheets(
  design: Design,
  shelf: Shelf,
  { paper }: Extract<PrintWish, { what: 'lay' }>,
  words: PrintWords,
): Printed {
  const plan = planJob(design, shelf);
  if (plan.stages.length === 0) return { ok: false, why: messageWithoutValues('print.nothing-to-lay') };
  const title: PaperMessage = { code: 'paper.lay', values: { job: design.title } };
  const names = (id: string) => shelf.finishes.find((finish) => finish.id === id)?.name ?? id;
  return { ok: true, title, pages: layPages(plan, title, names, words, paper) };
}

/** More sheets than this are no template. */
const MOST_SHEETS = 400;

function templatePages(
  { title }: Design,
  work: PartWork,
  plan: PartPlan,
  wish: Extract<PrintWish, { what: 'template' }>,
): Printed {
  const named: PaperMessage = { code: 'paper.part', values: { job: title, part: plan.name, mirrored: false } };
  const plot = goresOf(work.setOut, named) ?? partPlot(plan, title, wish.mirrored);
  const pages = wish.single ? [singlePage(plot)] : tilePages(plot, wish.paper);
  if (pages.length > MOST_SHEETS)
    return { ok: false, why: { code: 'print.too-many-sheets', values: { sheets: pages.length } } };
  return { ok: true, title: plot.title, pages };
}

/** The requested table; null if the line is not on its part. */
export function tableFor(design: Design, wish: Extract<PrintWish, { what: 'stations' }>): StationTable | null {
  const asked = {
    part: wish.part,
    line: wish.line,
    datum: wish.datum ?? null,
    stepMm: wish.step,
    toleranceMm: wish.tolerance,
  };
  return stationTable(design, asked);
}

function tablePages(
  design: Design,
  partName: string,
  wish: Extract<PrintWish, { what: 'stations' }>,
  words: PrintWords,
): Printed {
  const table = tableFor(design, wish);
  if (!table) return { ok: false, why: messageWithoutValues('print.nothing-to-mark') };
  const inWords = words.stations(table);
  const title: PaperMessage = {
    code: 'paper.table',
    values: { job: design.title, part: partName, line: inWords.title },
  };
  return { ok: true, title, pages: stationPages(inWords, title, wish.paper) };
}

function maskPages(
  { title }: Design,
  plans: readonly PartPlan[],
  wish: Extract<PrintWish, { what: 'masks' }>,
): Printed {
  const { plot, tooLarge } = maskPlot(plans, title, wish.width);
  if (plot.words.length > 0) return { ok: true, title: plot.title, pages: tilePages(plot, wish.paper) };
  return {
    ok: false,
    why:
      tooLarge.length > 0
        ? { code: 'print.no-mask-fits', values: { widthMm: wish.width, masks: tooLarge } }
        : messageWithoutValues('print.no-masks'),
  };
}
