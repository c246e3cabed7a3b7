import type {
  AcceptMessages,
  AdviceMessages,
  AskMessages,
  BackedLineMessages,
  BandMessages,
  BatchMessages,
  ClosingFaultMessages,
  ClosingTapeMessages,
  CoatsMessages,
  CompatibilityMessages,
  DayMessages,
  DesignMessages,
  DoubtMessages,
  EdgeMessages,
  EditMessages,
  FieldMessages,
  LeakMessages,
  LineMessages,
  Message,
  MomentMessages,
  NoValues,
  OpeningMessages,
  OwnPieceMessages,
  PlanFaultMessages,
  ReadingMessages,
  ReasonMessages,
  RuleMessages,
  SectionMessages,
  SketchMessages,
  SnapMessages,
  StepMessages,
  SurfaceMessages,
  TechniqueMessages,
} from '@lintrel/core';
import type {
  DrawingMessages,
  PaperMessages,
  PrintMessages,
  SkippedMessages,
  TakenMessages,
} from '@lintrel/core/files';

/** Faults of single values the server finds beyond those of core. */
export interface RefusalMessages {
  readonly 'server.start-kind': NoValues;
  readonly 'server.log-start': NoValues;
  readonly 'server.no-place': NoValues;
  readonly 'server.taken': { readonly key: string };
  readonly 'server.fixed': NoValues;
  readonly 'server.future': NoValues;
  readonly 'server.no-zone': NoValues;
  readonly 'server.person-taken': NoValues;
  /** A name that looks like another person's. */
  readonly 'server.person-alike': { readonly name: string };
  readonly 'server.passphrase-common': NoValues;
  readonly 'server.too-deep': { readonly max: number };
  readonly 'server.too-many-values': { readonly max: number };
}

/** What a request asked for and is not there. */
export type NotFoundKind =
  | 'calendar'
  | 'calendar-address'
  | 'certificate'
  | 'cut'
  | 'file'
  | 'finish'
  | 'job'
  | 'link'
  | 'linked-job'
  | 'part'
  | 'person'
  | 'phone'
  | 'phone-address'
  | 'photo'
  | 'question'
  | 'route'
  | 'session'
  | 'stock'
  | 'supply'
  | 'tape';

/** Whole requests the server refuses. */
export interface RequestMessages {
  readonly 'server.not-found': { readonly what: NotFoundKind; readonly name: string | null };
  readonly 'server.fault': { readonly path: string; readonly fault: Message };
  readonly 'server.faults': { readonly count: number };
  readonly 'server.wrong-sign-in': NoValues;
  readonly 'server.wrong-code': NoValues;
  readonly 'server.wrong-pin': NoValues;
  readonly 'server.wrong-passphrase': NoValues;
  readonly 'server.owner-pairs': NoValues;
  readonly 'server.no-shop-phone': NoValues;
  readonly 'server.pins-used-up': NoValues;
  readonly 'server.last-owner': NoValues;
  readonly 'server.sign-in': NoValues;
  readonly 'server.not-allowed': NoValues;
  readonly 'server.too-many-tries': NoValues;
  readonly 'server.too-many-requests': NoValues;
  readonly 'server.other-host': { readonly name: string };
  readonly 'server.other-origin': NoValues;
  readonly 'server.open-calendar': NoValues;
  readonly 'server.stale-hours': NoValues;
  readonly 'server.stale-start': { readonly revision: number };
  readonly 'server.stale-shelf': NoValues;
  readonly 'server.stale-entry': { readonly by: string | null };
  readonly 'server.stale-job': { readonly by: string | null; readonly revision: number };
  readonly 'server.job-deleted': NoValues;
  readonly 'server.running': NoValues;
  readonly 'server.nothing-to-run': NoValues;
  readonly 'server.plugs-in': NoValues;
  readonly 'server.entry-in-future': NoValues;
  readonly 'server.entry-of-other-job': NoValues;
  readonly 'server.entry-differs': NoValues;
  readonly 'server.log-full': NoValues;
  readonly 'server.no-mark': NoValues;
  readonly 'server.shelf-full': { readonly max: number; readonly what: 'tapes' | 'finishes' | 'supplies' };
  readonly 'server.finish-in-use': { readonly jobs: readonly string[] };
  readonly 'server.no-jpeg': NoValues;
  readonly 'server.too-many-photos': { readonly max: number };
  readonly 'server.other-photo': NoValues;
  readonly 'server.only-stations': NoValues;
  readonly 'server.no-backup-folder': NoValues;
  readonly 'server.not-json': NoValues;
  readonly 'server.encoding': NoValues;
  readonly 'server.charset': NoValues;
  readonly 'server.too-large': { readonly bytes: number };
  readonly 'server.broken-off': NoValues;
  readonly 'server.closed': NoValues;
  readonly 'server.unreadable': NoValues;
  readonly 'server.not-text': NoValues;
  readonly 'server.at-odds': NoValues;
  readonly 'server.database-silent': NoValues;
  readonly 'server.database-away': NoValues;
  readonly 'server.database-full': NoValues;
  readonly 'server.database-restarting': NoValues;
  readonly 'server.database-slow': NoValues;
  readonly 'server.too-much-memory': NoValues;
  readonly 'server.too-much-computing': { readonly seconds: number };
  readonly 'server.busy-machine': { readonly seconds: number };
  readonly 'server.busy': NoValues;
  readonly 'server.stopping': NoValues;
  readonly 'server.internal': NoValues;
}

/** Every message code with its values. */
export interface AllMessages
  extends
    FieldMessages,
    ReadingMessages,
    SurfaceMessages,
    EdgeMessages,
    EditMessages,
    LineMessages,
    SnapMessages,
    BandMessages,
    BatchMessages,
    DayMessages,
    DesignMessages,
    CompatibilityMessages,
    RuleMessages,
    ReasonMessages,
    TechniqueMessages,
    OpeningMessages,
    ClosingFaultMessages,
    DoubtMessages,
    CoatsMessages,
    StepMessages,
    LeakMessages,
    SectionMessages,
    BackedLineMessages,
    ClosingTapeMessages,
    OwnPieceMessages,
    AdviceMessages,
    MomentMessages,
    AcceptMessages,
    AskMessages,
    SketchMessages,
    PlanFaultMessages,
    DrawingMessages,
    SkippedMessages,
    TakenMessages,
    PrintMessages,
    PaperMessages,
    RefusalMessages,
    RequestMessages {}
