import * as v from 'valibot';
import type { Design } from '../job';
import { partPlan, stationTable, workOutParts, type PartPlan, type PartWork, type StationTable } from '../plan';
import { idText, numberBetween } from '../units';
import { goresOf } from './gores';
import { maskPlot } from './masks';
import type { Page } from './page';
import { partPlot } from './part-plot';
import { writePdf } from './pdf';
import { singlePage, tilePages } from './tiles';
import { stationPages } from './table-pages';

const paper = v.optional(v.picklist(['A4', 'Letter'], 'must be A4 or Letter'), 'A4');

/** What is to be printed of a job. */
export const printSchema = v.variant(
  'what',
  [
    v.strictObject({
      what: v.literal('template'),
      part: idText(),
      paper,
      /** The other way round, for the other side. */
      mirrored: v.optional(v.boolean('must be true or false'), false),
      /** One sheet as large as the part, for a wide printer. */
      single: v.optional(v.boolean('must be true or false'), false),
    }),
    v.strictObject({
      what: v.literal('stations'),
      part: idText(),
      line: idText(),
      datum: v.optional(idText()),
      step: v.optional(numberBetween(1, 30_000, 'mm'), 100),
      tolerance: v.optional(numberBetween(0.05, 100, 'mm'), 0.5),
      paper,
    }),
    v.strictObject({ what: v.literal('masks'), width: v.optional(numberBetween(10, 2000, 'mm'), 150), paper }),
  ],
  'must be template, stations or masks',
);
export type PrintWish = v.InferOutput<typeof printSchema>;

/** What came of printing: the pages, or a sentence why there are none. */
export type Printed = { readonly ok: true; readonly title: string; readonly pages: readonly Page[] } | { readonly ok: false; readonly message: string };

/** Lays out what is to be printed. */
export function pagesFor(design: Design, wish: PrintWish): Printed {
  if (wish.what === 'masks')
    return maskPages(
      design,
      workOutParts(design).map((work) => partPlan(work, new Map())),
      wish,
    );
  const part = design.parts.find(({ id }) => id === wish.part);
  if (!part) return { ok: false, message: `There is no part "${wish.part}".` };
  if (wish.what === 'stations') return tablePages(design, part.name, wish);
  const work = workOutParts(design).find((one) => one.part === part) as PartWork;
  return templatePages(design, work, partPlan(work, new Map()), wish);
}

/** Lays out and writes. */
export async function printPdf(
  design: Design,
  wish: PrintWish,
): Promise<{ readonly ok: true; readonly bytes: Uint8Array; readonly title: string } | { readonly ok: false; readonly message: string }> {
  const printed = pagesFor(design, wish);
  if (!printed.ok) return printed;
  return { ok: true, title: printed.title, bytes: await writePdf(printed.pages, printed.title) };
}

/** More sheets than this are no template. */
const MOST_SHEETS = 400;

function templatePages({ title }: Design, work: PartWork, plan: PartPlan, wish: Extract<PrintWish, { what: 'template' }>): Printed {
  const plot = goresOf(work.setOut, `${title}: ${plan.name}`) ?? partPlot(plan, title, wish.mirrored);
  const pages = wish.single ? [singlePage(plot)] : tilePages(plot, wish.paper);
  if (pages.length > MOST_SHEETS)
    return { ok: false, message: `The template needs ${pages.length} sheets. Print it on one sheet of a wide printer, or use a station table.` };
  return { ok: true, title: plot.title, pages };
}

/** The table a wish asks for, or a sentence why there is none. */
export function tableFor(design: Design, wish: Extract<PrintWish, { what: 'stations' }>): StationTable | string {
  const asked = { part: wish.part, line: wish.line, datum: wish.datum ?? null, stepMm: wish.step, toleranceMm: wish.tolerance };
  return stationTable(design, asked) ?? 'This line is not on its part, so there is nothing to mark.';
}

function tablePages(design: Design, partName: string, wish: Extract<PrintWish, { what: 'stations' }>): Printed {
  const table = tableFor(design, wish);
  if (typeof table === 'string') return { ok: false, message: table };
  const title = `${design.title}: ${partName}, ${table.title}`;
  return { ok: true, title, pages: stationPages(table, title, wish.paper) };
}

function maskPages({ title }: Design, plans: readonly PartPlan[], wish: Extract<PrintWish, { what: 'masks' }>): Printed {
  const { plot, tooLarge } = maskPlot(plans, title, wish.width);
  if (plot.words.length === 0)
    return {
      ok: false,
      message:
        tooLarge.length > 0 ? `Nothing fits film ${wish.width} mm wide: ${tooLarge.join(', ')}.` : 'No part has an opening or a circle to cut a mask for.',
    };
  const note = tooLarge.length > 0 ? `${plot.note}; too large for it: ${tooLarge.join(', ')}` : plot.note;
  return { ok: true, title: plot.title, pages: tilePages({ ...plot, note }, wish.paper) };
}
