import type { MessageOf } from '../kit';

/** What is wrong with a design or a shelf as a whole, beyond what its schema sees. */
export interface DesignMessages {
  readonly 'design.too-large': { readonly million: number };
  /** Finishes of one scheme, and how many it may have. */
  readonly 'design.too-many-finishes': { readonly count: number; readonly max: number };
  readonly 'design.no-finish': { readonly finish: string };
  readonly 'design.no-part': { readonly part: string };
  readonly 'design.attached-itself': Readonly<Record<string, never>>;
  /** Edges a part has; the edge as named in the file, from 0. */
  readonly 'design.no-edge': { readonly edge: number; readonly edges: number };
  readonly 'design.rim-backwards': { readonly edge: number };
  readonly 'design.rim-twice': { readonly edge: number };
  readonly 'design.rim-itself': Readonly<Record<string, never>>;
  readonly 'design.no-datum': { readonly datum: string };
  readonly 'design.rim-corners': { readonly most: number };
  readonly 'design.line-itself': Readonly<Record<string, never>>;
  readonly 'design.no-other-part': { readonly part: string };
  readonly 'design.mirror-of-mirror': { readonly part: string };
  readonly 'design.used-twice': { readonly id: string };
  readonly 'design.no-area': { readonly alongMm: number; readonly aboveMm: number; readonly part: string };
  readonly 'shelf.path-name': { readonly name: string };
  readonly 'shelf.letters': { readonly most: number };
  readonly 'file.not-json': { readonly reason: string };
  readonly 'file.log-letters': { readonly million: number };
}
export type DesignMessage = MessageOf<DesignMessages>;
