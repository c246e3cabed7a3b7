import type {
  AcceptMessages,
  AdviceMessages,
  AskMessages,
  BandMessages,
  BatchMessages,
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

/** Errors of the server beyond those of core. */
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
    DoubtMessages,
    CoatsMessages,
    StepMessages,
    LeakMessages,
    SectionMessages,
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
    RefusalMessages {}
