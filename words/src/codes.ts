import type {
  AcceptSays,
  AdviceSays,
  AskSays,
  BandSays,
  BatchSays,
  BrokenSays,
  CoatsSays,
  DaySays,
  DesignSays,
  DoubtSays,
  EdgeSays,
  EditSays,
  FieldSays,
  LeakSays,
  SectionSays,
  LineSays,
  MomentSays,
  NoValues,
  OpeningSays,
  ClosingTapeSays,
  OwnPieceSays,
  OverSays,
  ReadingSays,
  ReasonSays,
  RuleSays,
  SketchSays,
  SnapSays,
  StepSays,
  SurfaceSays,
  TechniqueSays,
} from '@lintrel/core';

import type { DrawingSays, PaperSays, PrintSays, SkippedSays, TakenSays } from '@lintrel/core/files';

/** What the server refuses besides, whatever core thinks of it. */
export interface RefusalSays {
  readonly 'server.start-kind': NoValues;
  readonly 'server.log-start': NoValues;
  readonly 'server.no-place': NoValues;
  readonly 'server.taken': { readonly key: string };
  readonly 'server.fixed': NoValues;
  readonly 'server.future': NoValues;
  readonly 'server.no-zone': NoValues;
  readonly 'server.person-taken': NoValues;
  /** A name that looks like that of somebody else. */
  readonly 'server.person-alike': { readonly name: string };
  readonly 'server.passphrase-common': NoValues;
  readonly 'server.too-deep': { readonly max: number };
  readonly 'server.too-many-values': { readonly max: number };
}

/** Every code that may be said, with its values. */
export interface AllSays
  extends
    FieldSays,
    ReadingSays,
    SurfaceSays,
    EdgeSays,
    EditSays,
    LineSays,
    SnapSays,
    BandSays,
    BatchSays,
    DaySays,
    DesignSays,
    OverSays,
    RuleSays,
    ReasonSays,
    TechniqueSays,
    OpeningSays,
    DoubtSays,
    CoatsSays,
    StepSays,
    LeakSays,
    SectionSays,
    ClosingTapeSays,
    OwnPieceSays,
    AdviceSays,
    MomentSays,
    AcceptSays,
    AskSays,
    SketchSays,
    BrokenSays,
    DrawingSays,
    SkippedSays,
    TakenSays,
    PrintSays,
    PaperSays,
    RefusalSays {}
